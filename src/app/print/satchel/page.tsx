import type { Metadata } from "next";
import { standardsByCode } from "@/data/find/standards";
import { PaperList } from "@/screens/print/paper-list";
import { listedSatchel } from "@/server/satchel/listed-satchel";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Print" };

/** What the satchel shows at the same address, on paper: all its lines, and the standards with what they say. */
export default async function PrintSatchelPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see own satchel");
  const parameters = Object.fromEntries(
    Object.entries(await searchParams).map(([name, value]) => [name, Array.isArray(value) ? value[0]! : (value ?? "")]),
  );
  const { items, pocket } = await listedSatchel(db, visitor, parameters, now);
  const codes = [...new Set(items.flatMap(({ facts }) => facts.standards))];
  const known = codes.length === 0 ? [] : await standardsByCode(db, visitor.district, codes);
  return (
    <PaperList
      name={pocket?.name ?? "My satchel"}
      about={pocket?.about ?? ""}
      items={items.map(({ id, author, facts }) => ({
        id,
        author,
        title: facts.title,
        grades: facts.grades,
        minutes: facts.minutes,
        readingGrade: facts.readingGrade,
        standards: facts.standards,
      }))}
      statements={known
        .filter(({ code }) => codes.includes(code))
        .map(({ id, code, statement }) => ({ id, code, statement }))}
    />
  );
}
