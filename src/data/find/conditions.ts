import { EIGHT, GRADE_SHIFT, LENGTH_SHIFT, masksOf, SUBJECT_SHIFT } from "@/core/find/facets";
import type { AlsoBlank, Need } from "@/core/find/need";
import { alsoConditions, namedConditions, ParameterList, type Named } from "./also";
import { exists, readerParameters, type Reader } from "./reach";

/**
 * Words as a query in PostgreSQL's own form, made by data/find/words.ts, and each of them by itself, for ranking by how many
 * stand in the title; `loose`: not all of them are asked for. Null: no words, everything.
 */
export type WordQuery = { text: string; parts: string[]; loose: boolean } | null;

/** A need as it was read: what the words name has been taken out of them. */
export interface ReadNeed {
  need: Need;
  words: WordQuery;
  named: Named;
}

/** The first ten parameters of a statement about one whole need: $1 to $4 the reader, $5 words, $6 to $10 masks. */
export function needParameters(reader: Reader, { need, words }: ReadNeed): ParameterList {
  const masks = masksOf(need);
  return new ParameterList([
    ...readerParameters(reader),
    words?.text ?? null,
    masks.kinds,
    masks.longest,
    masks.subjects,
    masks.grades,
    masks.shelf,
  ]);
}

/** All that can be found, and fits the blanks always in sight. */
const passes = `${exists}
  and ($6::int = 0 or (($6::int >> (e.facets & ${EIGHT})) & 1) = 1)
  and ((e.facets >> ${LENGTH_SHIFT}) & ${EIGHT}) <= $7::int
  and ($8::int = 0 or ((e.facets >> ${SUBJECT_SHIFT}) & $8::int) <> 0)
  and ($9::int = 0 or ((e.facets >> ${GRADE_SHIFT}) & $9::int) <> 0)
  and ($10::int = 0 or (r.reach & $10::int) <> 0)`;

/** A row `e` of search_entry satisfies every blank of the need (but one), and what was named; the words apart. */
export const satisfies = (read: ReadNeed, list: ParameterList, except?: AlsoBlank): string =>
  [passes, ...namedConditions(read.named, list), ...alsoConditions(read, list, except).map(({ sql }) => sql)].join(
    " and ",
  );

/** The same, the words among it. */
export const satisfiesAll = (read: ReadNeed, list: ParameterList, except?: AlsoBlank): string =>
  `${read.words === null ? "$5::text is null" : "e.words @@ $5::tsquery"} and ${satisfies(read, list, except)}`;
