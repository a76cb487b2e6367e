import { masksOf } from "@/core/find/facets";
import type { Need } from "@/core/find/need";
import { alsoConditions, namedConditions, ParameterList, type Named } from "./also";
import { one, type Queryable } from "./db";
import { reached, readerParameters, type Reader } from "./reach";
import { passes, type WordQuery } from "./search";

/** How many results of a need became findable, or were revised, after a moment. */
export async function freshSince(
  db: Queryable,
  reader: Reader,
  need: Need,
  words: WordQuery,
  named: Named,
  since: Date,
): Promise<number> {
  const masks = masksOf(need);
  const list = new ParameterList([
    ...readerParameters(reader),
    words?.text ?? null,
    masks.kinds,
    masks.longest,
    masks.subjects,
    masks.grades,
    masks.shelf,
  ]);
  const conditions = [
    words === null ? "$5::text is null" : "e.words @@ $5::tsquery",
    `e.fresh > ${list.add(since)}`,
    "e.owner_id <> $1",
    ...namedConditions(named, list),
    ...alsoConditions(need, list).map(({ sql }) => sql),
    passes,
  ];
  const row = await one<{ entries: number }>(
    db,
    `select count(*)::int entries from search_entry e, ${reached} where ${conditions.join(" and ")}`,
    list.values,
  );
  return row.entries;
}
