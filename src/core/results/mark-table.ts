import { mean, middleHalf } from "./statistics";

/** A piece of work as a column of the marks table. */
export interface MarkedWork {
  id: number;
  title: string;
  due: Date;
  goals: readonly string[];
  /** How much it counts against the others, in hundredths; 0: not at all. */
  weight: number;
}

/** What a child has of a piece of work. "to come": it is not due yet; "not read": handed in, and a person has not marked it yet. */
export type Got =
  { kind: "marks"; gained: number; outOf: number } | { kind: "missing" | "to come" | "not read" | "excused" };

export interface MarkRules {
  /** How many of each child's lowest results count for nothing. */
  lowest: number;
  /** What was not handed in counts as nothing gained, or is left out. */
  missing: "nothing" | "left out";
  /** Each piece of work counts the same by its weight, or by the marks it is worth times its weight. */
  by: "work" | "marks";
}

export const plainRules: MarkRules = { lowest: 0, missing: "left out", by: "work" };

export interface MarkRow {
  student: { id: number; name: string };
  /** By the work's id; none: she does not have it. */
  cells: Record<number, Got>;
  /** Work that was among her lowest and counts for nothing. */
  dropped: number[];
  /** Per cent to one decimal, exact: "66.7"; null: nothing counts. */
  total: string | null;
  /** The same as a number, to sort by. */
  share: number | null;
}

export interface MarkColumn {
  work: MarkedWork;
  /** Of those who have marks; null: below five, nothing is said. */
  average: number | null;
  middle: { median: number; from: number; to: number } | null;
  students: number;
}

const FEWEST = 5;
const hundredths = (value: number) => Math.round(value * 100);

/** A fraction of whole numbers: sums of marks in decimals are not exact as computers count. */
interface Fraction {
  over: bigint;
  under: bigint;
}
const plus = (one: Fraction, other: Fraction): Fraction => ({
  over: one.over * other.under + other.over * one.under,
  under: one.under * other.under,
});

/** "66.7" of 2/3: per cent, to one decimal, halves up. `percentOf({ over: 2n, under: 3n })` gives `"66.7"`. */
export function percentOf({ over, under }: Fraction): string {
  const tenths = (over * 2000n + under) / (under * 2n);
  return `${tenths / 10n}.${tenths % 10n}`;
}

/** Marks in hundredths: whole numbers, far below what a number holds exactly. */
interface Counted {
  id: number;
  gained: number;
  outOf: number;
  weight: number;
}

/** The total of what counts; null: nothing does. */
function totalOf(counted: readonly Counted[], by: MarkRules["by"]): Fraction | null {
  const some = counted.filter(({ weight }) => weight > 0);
  if (some.length === 0) return null;
  const sum = (of: (one: Counted) => number) => some.reduce((all, one) => all + of(one), 0);
  if (by === "marks")
    return {
      over: BigInt(sum(({ gained, weight }) => gained * weight)),
      under: BigInt(sum(({ outOf, weight }) => outOf * weight)),
    };
  // Most work is worth as much as some other: few fractions are left to add.
  const byWorth = new Map<number, number>();
  for (const { gained, outOf, weight } of some) byWorth.set(outOf, (byWorth.get(outOf) ?? 0) + gained * weight);
  const shares = [...byWorth].map(([under, over]) => ({ over: BigInt(over), under: BigInt(under) })).reduce(plus);
  return { over: shares.over, under: shares.under * BigInt(sum(({ weight }) => weight)) };
}

/** Lower shares first; of the same share what is worth more, then what came first. */
const byShare = (one: Counted, other: Counted): number => {
  const apart = one.gained * other.outOf - other.gained * one.outOf;
  if (apart !== 0) return apart;
  return one.weight === other.weight ? one.id - other.id : one.weight > other.weight ? -1 : 1;
};

function rowOf(
  student: MarkRow["student"],
  works: readonly MarkedWork[],
  cells: MarkRow["cells"],
  worth: ReadonlyMap<number, number>,
  rules: MarkRules,
): MarkRow {
  const counted = works.flatMap(({ id, weight }): Counted[] => {
    const got = cells[id];
    const of = { id, weight: Math.round(weight) };
    if (got?.kind === "marks") return [{ ...of, gained: hundredths(got.gained), outOf: hundredths(got.outOf) }];
    const most = worth.get(id);
    if (got?.kind !== "missing" || rules.missing === "left out" || most === undefined) return [];
    return [{ ...of, gained: 0, outOf: most }];
  });
  // One result always stays: without it there would be nothing to say.
  const weighing = counted.filter(({ weight }) => weight > 0);
  const dropped = weighing
    .toSorted(byShare)
    .slice(0, Math.max(0, Math.min(rules.lowest, weighing.length - 1)))
    .map(({ id }) => id);
  const total = totalOf(
    counted.filter(({ id }) => !dropped.includes(id)),
    rules.by,
  );
  return {
    ...{ student, cells, dropped },
    total: total && percentOf(total),
    share: total && Number((total.over * 1_000_000n) / total.under) / 1_000_000,
  };
}

/**
 * Students by pieces of work, with a total that is exact. `got`: by student, then by work.
 *
 *     weights 1 and 2, 5 of 10 and 9 of 10 → (1 × 50 + 2 × 90) : 3 = 76.7 per cent
 */
export function markTable(
  students: readonly MarkRow["student"][],
  works: readonly MarkedWork[],
  got: ReadonlyMap<number, MarkRow["cells"]>,
  rules: MarkRules,
): { rows: MarkRow[]; columns: MarkColumn[] } {
  const marksOf = (id: number) =>
    students.flatMap((student) => {
      const one = got.get(student.id)?.[id];
      return one?.kind === "marks" ? [one] : [];
    });
  // What it is worth for those who did not hand it in: as much as for the others.
  const worth = new Map(
    works.flatMap(({ id }) => {
      const all = marksOf(id);
      return all.length === 0 ? [] : [[id, hundredths(Math.max(...all.map(({ outOf }) => outOf)))] as const];
    }),
  );
  return {
    rows: students.map((student) => rowOf(student, works, got.get(student.id) ?? {}, worth, rules)),
    columns: works.map((work) => {
      const shares = marksOf(work.id).map(({ gained, outOf }) => gained / outOf);
      const enough = shares.length >= FEWEST;
      return {
        ...{ work, students: shares.length },
        average: enough ? mean(shares) : null,
        middle: enough ? middleHalf(shares) : null,
      };
    }),
  };
}

const said = { missing: "not handed in", "to come": "", "not read": "not marked yet", excused: "excused" } as const;

/**
 * The same for a spreadsheet: numbers as numbers, the date a piece of work was due above it. Without names the best come first: in the
 * order of the class a number would be as good as a name.
 * `markTableRows({ rows: [], columns: [] }, true)[1]` gives `["Student", "Total %"]`.
 */
export function markTableRows(
  { rows, columns }: ReturnType<typeof markTable>,
  named: boolean,
): (string | number | Date | null)[][] {
  const ordered = named ? rows : rows.toSorted((one, other) => (other.share ?? -1) - (one.share ?? -1));
  return [
    ["", "", ...columns.map(({ work }) => work.due)],
    ["Student", "Total %", ...columns.map(({ work }) => work.title)],
    ["Weight", null, ...columns.map(({ work }) => work.weight / 100)],
    ...ordered.map(({ student, total, cells }, at) => [
      named ? student.name : `Student ${at + 1}`,
      total === null ? null : Number(total),
      ...columns.map(({ work }) => {
        const got = cells[work.id];
        if (!got) return null;
        return got.kind === "marks" ? Math.round((got.gained / got.outOf) * 1000) / 10 : said[got.kind] || null;
      }),
    ]),
  ];
}
