import { formatGradeSpan } from "@/core/content/grade";
import { writeCsv } from "@/formats/csv";
import { listedSatchel } from "@/server/satchel/listed-satchel";
import { route } from "@/server/web/route";

/** What the satchel shows, or with `?ids=` what is ticked in it, as a list for a spreadsheet. */
export const GET = route(
  "see own satchel",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const parameters = Object.fromEntries(new URL(request.url).searchParams);
    const { items, pockets } = await listedSatchel(db, visitor, parameters, now);
    const rows = items.map((item) => [
      item.facts.title,
      item.origin === "together" ? "from others" : item.origin,
      item.author,
      item.facts.kind,
      item.facts.subjects.join(", "),
      formatGradeSpan(item.facts.grades),
      item.facts.minutes,
      item.facts.standards.join(", "),
      item.facts.languages.join(", "),
      item.facts.licence,
      pockets
        .filter(({ id }) => item.pockets.includes(id))
        .map(({ name }) => name)
        .join(", "),
      item.tags.join(", "),
      item.used?.toISOString().slice(0, 10) ?? "",
    ]);
    const head = [
      "Title",
      "Whose",
      "Author",
      "Kind",
      "Subjects",
      "Grades",
      "Minutes",
      "Standards",
      "Languages",
      "Licence",
      "Pockets",
      "My labels",
      "Last used",
    ];
    return new Response(writeCsv([head, ...rows]), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="satchel.csv"',
      },
    });
  },
);
