import { isMark, type GivenMark, type StandingMarks } from "./given-mark";
import type { Rubric } from "./rubric";

/**
 * Cohen's kappa of two markers: how far they agree beyond what would come about by chance. `counts[i][j]`: answers that the first
 * put into category i and the second into j. 1 is full agreement, 0 what chance alone would bring. With `weighted`, a step apart
 * counts for less than two apart (linear weights, Cohen 1968); the categories are in order then.
 *
 *     cohenKappa([[20, 5], [10, 15]]) // 0.4
 *
 * Null: there is nothing to compare, or both gave everybody the same.
 * Source: Cohen, A coefficient of agreement for nominal scales, 1960.
 */
export function cohenKappa(counts: readonly (readonly number[])[], weighted = false): number | null {
  const size = counts.length;
  const rows = counts.map((row) => row.reduce((sum, one) => sum + one, 0));
  const columns = counts.map((_, at) => counts.reduce((sum, row) => sum + row[at]!, 0));
  const all = rows.reduce((sum, one) => sum + one, 0);
  if (all === 0 || size < 2) return null;
  const apart = (row: number, column: number) => (weighted ? Math.abs(row - column) / (size - 1) : +(row !== column));
  let observed = 0;
  let expected = 0;
  for (const [row, line] of counts.entries())
    for (const [column, count] of line.entries()) {
      observed += (apart(row, column) * count) / all;
      expected += (apart(row, column) * rows[row]! * columns[column]!) / all ** 2;
    }
  return expected === 0 ? null : 1 - observed / expected;
}

/** Fewer answers than these say nothing about two markers. */
export const FEWEST_COMPARED = 5;

/** How two markers compare in one thing they both looked at. */
export interface Agreement {
  /** A criterion's name; null: the marks as a whole. */
  criterion: string | null;
  /** Answers both have marked. */
  both: number;
  same: number;
  /** Linear weights; null below five answers, or where both gave everybody the same. */
  kappa: number | null;
}

export interface MarkerPair {
  markers: [{ id: number; name: string }, { id: number; name: string }];
  whole: Agreement;
  criteria: Agreement[];
}

function agreementOf(criterion: string | null, pairs: readonly [number, number][]): Agreement {
  const scale = [...new Set(pairs.flat())].toSorted((one, other) => one - other);
  const counts = scale.map(() => scale.map(() => 0));
  for (const [one, other] of pairs) counts[scale.indexOf(one)]![scale.indexOf(other)]! += 1;
  return {
    criterion,
    both: pairs.length,
    same: pairs.filter(([one, other]) => one === other).length,
    kappa: pairs.length < FEWEST_COMPARED ? null : cohenKappa(counts, true),
  };
}

/**
 * Every two markers who marked the same answers to a question, with how far they agree: in the marks, and criterion by criterion
 * where both used this rubric. Where marks were given by different rules they are compared as shares.
 * `agreements([], null)` gives `[]`.
 */
export function agreements(
  standing: readonly StandingMarks[],
  rubric: { id: number; content: Rubric } | null,
): MarkerPair[] {
  const pairs = new Map<string, { markers: MarkerPair["markers"]; both: [GivenMark, GivenMark][] }>();
  for (const { all } of standing) {
    const sorted = all.filter(isMark).toSorted((one, other) => one.by.id - other.by.id);
    for (const [at, one] of sorted.entries())
      for (const other of sorted.slice(at + 1)) {
        const key = `${one.by.id} ${other.by.id}`;
        const there = pairs.get(key) ?? { markers: [one.by, other.by], both: [] };
        there.both.push([one, other]);
        pairs.set(key, there);
      }
  }
  return [...pairs.values()].map(({ markers, both }) => ({
    markers,
    whole: agreementOf(
      null,
      both.map((pair) => pair.map(({ marks, outOf }) => marks / outOf) as [number, number]),
    ),
    criteria: (rubric?.content.criteria ?? []).map(({ id, name }) =>
      agreementOf(
        name,
        both.flatMap((pair): [number, number][] => {
          const [one, other] = pair.map((mark) => (mark.rubric === rubric!.id ? mark.levels?.[id] : undefined));
          return one === undefined || other === undefined ? [] : [[one, other]];
        }),
      ),
    ),
  }));
}

/** Kappa in a word. Source: Altman, Practical statistics for medical research, 1991 (from memory). `saysKappa(0.7)` gives `"good"`. */
export function saysKappa(kappa: number): string {
  if (kappa > 0.8) return "very good";
  if (kappa > 0.6) return "good";
  if (kappa > 0.4) return "moderate";
  return kappa > 0.2 ? "fair" : "hardly better than chance";
}
