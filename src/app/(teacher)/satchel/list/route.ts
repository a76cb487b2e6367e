import { sayGradeSpan } from "@/core/find/grade";
import { filterFromParameters, filterSatchel, inPocket, pocketFrom } from "@/core/satchel/filter";
import { pocketsOf, satchelOf } from "@/data/satchel";
import { writeCsv } from "@/formats/csv";
import { route } from "@/server/route";

/** What the satchel shows, as a list for a spreadsheet. */
export const GET = route(
  "see own satchel",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const parameters = Object.fromEntries(new URL(request.url).searchParams);
    const [items, pockets] = await Promise.all([satchelOf(db, visitor), pocketsOf(db, visitor.id)]);
    const inside = inPocket(items, pockets, pocketFrom(parameters.pocket, pockets));
    const rows = filterSatchel(inside, filterFromParameters(parameters), now).map((item) => [
      item.facts.title,
      item.origin,
      item.author,
      item.facts.kind,
      item.facts.subjects.join(", "),
      sayGradeSpan(item.facts.grades),
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
      "My words",
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
