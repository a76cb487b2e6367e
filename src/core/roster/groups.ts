export interface GroupStudent {
  id: number;
  readingGrade: number | null;
  /** Share of marks in the last piece of work, 0 to 1; null: none. */
  lastResult: number | null;
}

/** Two students who must not be in one group. */
export type Apart = readonly [number, number];

export type GroupRule = "by reading" | "mixed reading" | "by last result" | "at random";

export interface Grouped {
  groups: number[][];
  /** Pairs that could not be kept apart: there are too few groups. */
  together: Apart[];
}

/** Sizes that differ by one at most: 22 in 4 groups is 6, 6, 5, 5. `groupSizes(22, 4)` gives `[6, 6, 5, 5]`. */
export function groupSizes(students: number, groups: number): number[] {
  return Array.from({ length: groups }, (_, at) => Math.floor(students / groups) + (at < students % groups ? 1 : 0));
}

const clashes = (group: readonly number[], student: number, apart: readonly Apart[]): number =>
  apart.filter(
    ([one, other]) => (one === student && group.includes(other)) || (other === student && group.includes(one)),
  ).length;

function shuffled<Item>(items: readonly Item[], random: () => number): Item[] {
  const list = [...items];
  for (let at = list.length - 1; at > 0; at -= 1) {
    const other = Math.floor(random() * (at + 1));
    [list[at], list[other]] = [list[other]!, list[at]!];
  }
  return list;
}

const measure: Record<GroupRule, (student: GroupStudent) => number> = {
  "by reading": ({ readingGrade }) => readingGrade ?? Infinity,
  "mixed reading": ({ readingGrade }) => readingGrade ?? Infinity,
  "by last result": ({ lastResult }) => lastResult ?? Infinity,
  "at random": () => 0,
};

/**
 * Students in groups of nearly the same size by a rule, those who must not be together apart as far as there are groups
 * for it. Anyone who is not measured comes last. `random`: a number in [0, 1).
 * `makeGroups([{ id: 1 }, { id: 2 }, { id: 3 }], 2, "at random", [], () => 0).groups.map(({ length }) => length)` gives `[2, 1]`.
 */
export function makeGroups(
  students: readonly GroupStudent[],
  count: number,
  rule: GroupRule,
  apart: readonly Apart[],
  random: () => number,
): Grouped {
  const number = Math.max(1, Math.min(count, students.length));
  const ordered = shuffled(students, random).sort((one, other) => {
    const [a, b] = [measure[rule](one), measure[rule](other)];
    return a === b ? 0 : a - b;
  });
  const sizes = groupSizes(students.length, number);
  const groups: number[][] = sizes.map(() => []);
  for (const [nth, { id }] of ordered.entries()) {
    // Alike: fill one group after the other. Mixed: deal them out, back and forth.
    const round = Math.floor(nth / number);
    const wanted =
      rule === "mixed reading" || rule === "at random"
        ? round % 2 === 0
          ? nth % number
          : number - 1 - (nth % number)
        : groups.findIndex((group, at) => group.length < sizes[at]!);
    const open = groups.map((_, at) => at).filter((at) => groups[at]!.length < sizes[at]!);
    const best = open.sort(
      (one, other) =>
        clashes(groups[one]!, id, apart) - clashes(groups[other]!, id, apart) ||
        Math.abs(one - wanted) - Math.abs(other - wanted),
    )[0]!;
    groups[best]!.push(id);
  }
  untangle(groups, apart);
  return { groups, together: stillTogether(groups, apart) };
}

const stillTogether = (groups: readonly number[][], apart: readonly Apart[]): Apart[] =>
  apart.filter(([one, other]) => groups.some((group) => group.includes(one) && group.includes(other)));

/** Swaps students between groups as long as that parts a pair that should be apart. */
function untangle(groups: number[][], apart: readonly Apart[]): void {
  for (let left = apart.length * 2; left > 0; left -= 1) {
    const [pair] = stillTogether(groups, apart);
    if (!pair || !swapAway(groups, pair[1], apart)) return;
  }
}

function swapAway(groups: number[][], student: number, apart: readonly Apart[]): boolean {
  const from = groups.find((group) => group.includes(student))!;
  const before = stillTogether(groups, apart).length;
  for (const to of groups) {
    if (to === from) continue;
    for (const [at, other] of to.entries()) {
      const home = from.indexOf(student);
      from[home] = other;
      to[at] = student;
      if (stillTogether(groups, apart).length < before) return true;
      from[home] = student;
      to[at] = other;
    }
  }
  return false;
}
