import {
  EIGHT,
  facetCounts,
  GRADE_SHIFT,
  LENGTH_SHIFT,
  masksOf,
  SUBJECT_MASK,
  SUBJECT_SHIFT,
  type CountRow,
  type FacetCounts,
} from "./facets";
import type { Blank, Need } from "./need";

/** Entries that are alike in all that is counted: column by column, the n-th of each belong together. */
export interface Groups {
  /** See core/find/facets.ts. */
  facets: readonly number[];
  /** Bits of the shelves that show it to this reader; never 0. */
  reach: readonly number[];
  /** How many; negative where something counted elsewhere is taken away again. */
  entries: readonly number[];
}

/** The blanks that narrow one after another at the end of the trail. */
export const lastSteps = ["kind", "grades", "subject", "minutes", "shelf"] as const satisfies readonly Blank[];

export interface GroupCounts {
  /** Before any of the last steps, and after each: six numbers. */
  left: number[];
  facets: FacetCounts;
}

const SUBJECTS = 10;
const GRADES = 13;
const shelfBits = [1, 2, 4, 8];

/**
 * Counts each value of each blank over the groups that satisfy all other blanks, in one pass.
 * `countGroups([{ facets: [0], reach: [4], entries: [3] }], need).left` gives `[3, 3, 0, 0, 0, 0]`.
 */
export function countGroups(parts: readonly Groups[], need: Need): GroupCounts {
  const masks = masksOf(need);
  const left = new Array<number>(lastSteps.length + 1).fill(0);
  const byKind = new Array<number>(EIGHT + 1).fill(0);
  const byLength = new Array<number>(EIGHT + 1).fill(0);
  const bySubject = new Array<number>(SUBJECTS).fill(0);
  const byGrade = new Array<number>(GRADES).fill(0);
  const byShelf = new Array<number>(shelfBits.length).fill(0);
  for (const { facets, reach, entries } of parts) {
    for (let at = 0; at < facets.length; at += 1) {
      const packed = facets[at]!;
      const [shelves, n] = [reach[at]!, entries[at]!];
      const kind = packed & EIGHT;
      const length = (packed >> LENGTH_SHIFT) & EIGHT;
      const subjects = (packed >> SUBJECT_SHIFT) & SUBJECT_MASK;
      const grades = packed >> GRADE_SHIFT;
      const k = masks.kinds === 0 || ((masks.kinds >> kind) & 1) === 1;
      const g = masks.grades === 0 || (grades & masks.grades) !== 0;
      const s = masks.subjects === 0 || (subjects & masks.subjects) !== 0;
      const l = length <= masks.longest;
      const h = masks.shelf === 0 || (shelves & masks.shelf) !== 0;
      left[0]! += n;
      if (k) left[1]! += n;
      if (k && g) left[2]! += n;
      if (k && g && s) left[3]! += n;
      if (k && g && s && l) left[4]! += n;
      if (k && g && s && l && h) left[5]! += n;
      if (g && s && l && h) byKind[kind]! += n;
      if (k && g && s && h) byLength[length]! += n;
      if (k && g && l && h) for (let v = 0; v < SUBJECTS; v += 1) if ((subjects >> v) & 1) bySubject[v]! += n;
      if (k && s && l && h) for (let v = 0; v < GRADES; v += 1) if ((grades >> v) & 1) byGrade[v]! += n;
      if (k && g && s && l) shelfBits.forEach((bit, v) => (shelves & bit) !== 0 && (byShelf[v]! += n));
    }
  }
  const rows = (facet: CountRow["facet"], counts: readonly number[], valueOf = (at: number) => at): CountRow[] =>
    counts.flatMap((count, at) => (count > 0 ? [{ facet, value: valueOf(at), entries: count }] : []));
  return {
    left,
    facets: facetCounts([
      ...rows("kind", byKind),
      ...rows("length", byLength),
      ...rows("subject", bySubject),
      ...rows("grade", byGrade),
      ...rows("shelf", byShelf, (at) => shelfBits[at]!),
    ]),
  };
}

/** How many entries some groups hold in all. `sumOf([{ facets: [], reach: [], entries: [3, 4] }])` gives `7`. */
export const sumOf = (parts: readonly Groups[]): number =>
  parts.reduce((sum, { entries }) => sum + entries.reduce((all, n) => all + n, 0), 0);
