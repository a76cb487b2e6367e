/** How results can be put in order. "fit" is worked out for one class, see core/fit. */
export const sorts = ["best", "title", "grades", "minutes", "reading", "used", "fit"] as const;
export type Sort = (typeof sorts)[number];

/** Lines of results at the most: beyond this another blank helps more than more lines. */
export const MOST_SHOWN = 2000;

/** One of the entries that are put in order, as the database knows it. */
export interface Candidate {
  id: number;
  /** How well it answers the words: 0 without words. */
  rank: number;
  /** By how many classes of her school it was used. */
  classes: number;
  /** Bits of the shelves it can be reached on, see core/find/facets.ts. */
  reach: number;
  uses: number;
  /** 0, or the family whose versions are one line. */
  family: number;
  /** Milliseconds since 1970 when this revision could first be found. */
  fresh: number;
  minutes: number;
  /** It is for a grade of the class she looks for. */
  suits: boolean;
  /** What the column sorted by says: a title, grades as from * 100 + to, a reading grade; null when it says nothing. */
  said: string | number | null;
}

const HERS_OR_HER_STAFFROOM = 9;

/**
 * What stands in her satchel or staffroom, what her school uses and what is for her class's grades weighs as much as words a little closer together.
 * `worth({ rank: 0.5, classes: 1, reach: 0, suits: true })` gives `750`.
 */
export const worth = ({ rank, classes, reach, suits }: Candidate): number =>
  Math.round(
    (rank +
      Math.min(0.4, 0.2 * classes) +
      ((reach & HERS_OR_HER_STAFFROOM) !== 0 ? 0.1 : 0) +
      (rank > 0 && suits ? 0.05 : 0)) *
      1000,
  );

const titles = new Intl.Collator("en", { numeric: true });

function saidFirst(one: Candidate, other: Candidate): number {
  if (one.said === null || other.said === null) return Number(one.said === null) - Number(other.said === null);
  if (typeof one.said === "number" && typeof other.said === "number") return one.said - other.said;
  return titles.compare(String(one.said), String(other.said));
}

type Order = (one: Candidate, other: Candidate) => number;

const newest: Order = (one, other) => other.id - one.id;
const byRank: Order = (one, other) => other.rank - one.rank;
const byClasses: Order = (one, other) => other.classes - one.classes;
const byUses: Order = (one, other) => other.uses - one.uses;

/** Ties go by use at her school, then overall, then to the newer one. */
const orders: Record<Exclude<Sort, "fit">, readonly Order[]> = {
  best: [(one, other) => worth(other) - worth(one), byClasses, byUses, (one, other) => other.fresh - one.fresh, newest],
  title: [saidFirst],
  grades: [saidFirst, byRank],
  reading: [saidFirst, byRank],
  minutes: [(one, other) => one.minutes - other.minutes, byRank],
  used: [byClasses, byRank, byUses, newest],
};

/** One line of the results. */
export interface OrderedLine {
  candidate: Candidate;
  /** How many versions of one thing it stands for, itself included, and how many of them are in her staffroom. */
  versions: number;
  versionsHere: number;
  /** A version on a line of its own because its family was unfolded. */
  folded: boolean;
}

const IN_STAFFROOM = 1;

/**
 * Candidates in order, the versions of one thing folded under the best of them: but for the family that is `unfolded`,
 * whose other versions follow it, or for all of them. An entry that is there twice counts once.
 * `orderedLines([{ id: 1, family: 0, said: "Tides" }, { id: 2, family: 0, said: "Boats" }], { sort: "title" }).map(({ candidate }) => candidate.id)` gives `[2, 1]`.
 */
export function orderedLines(
  candidates: readonly Candidate[],
  { sort, unfolded, unfoldAll }: { sort: Exclude<Sort, "fit">; unfolded?: number; unfoldAll?: boolean },
): OrderedLine[] {
  const by = orders[sort];
  const inOrder = [...new Map(candidates.map((one) => [one.id, one])).values()].sort((one, other) => {
    for (const order of by) {
      const first = order(one, other);
      if (first !== 0) return first;
    }
    return one.id - other.id;
  });
  const families = new Map<number, Candidate[]>();
  for (const one of inOrder) {
    const kin = one.family === 0 || unfoldAll ? -one.id : one.family;
    const known = families.get(kin);
    if (known) known.push(one);
    else families.set(kin, [one]);
  }
  return [...families.values()].flatMap((family) => {
    const versions = family.length;
    const versionsHere = family.filter((one) => (one.reach & IN_STAFFROOM) !== 0).length;
    const shown = unfolded && family[0]!.family === unfolded ? family : family.slice(0, 1);
    return shown.map((candidate, at) => ({ candidate, versions, versionsHere, folded: at > 0 }));
  });
}
