import { makeGroups, type Apart, type Grouped, type GroupRule, type GroupStudent } from "./groups";

/** A student who is to be grouped while a lesson runs. */
export interface ToGroup extends GroupStudent {
  /** Null: nowhere. */
  seat: { x: number; y: number } | null;
}

export type LiveRule = GroupRule | "by seats";

/** How many groups there are of this many students in each; of pairs, an odd one makes one three. `groupsOf(23, 2)` gives `11`. */
export function groupsOf(students: number, size: number): number {
  return Math.max(1, size === 2 ? Math.floor(students / 2) : Math.ceil(students / size));
}

/**
 * Groups for a step of a lesson. By seats: those who sit next to each other, row by row, anyone who has no seat last; pairs that must be
 * apart are only named then. `random`: a number in [0, 1).
 * `liveGroups([{ id: 1, seat: { x: 2, y: 0 } }, { id: 2, seat: { x: 1, y: 0 } }], 2, "by seats", [], () => 0).groups` gives `[[2, 1]]`.
 */
export function liveGroups(
  students: readonly ToGroup[],
  size: number,
  rule: LiveRule,
  apart: readonly Apart[],
  random: () => number,
): Grouped {
  const count = groupsOf(students.length, size);
  if (rule !== "by seats") return makeGroups(students, count, rule, apart, random);
  const place = ({ seat }: ToGroup) => (seat ? seat.y * 1000 + seat.x : Infinity);
  const row = [...students].sort((one, other) => {
    const [a, b] = [place(one), place(other)];
    return a === b ? one.id - other.id : a - b;
  });
  const groups: number[][] = [];
  let from = 0;
  for (let nth = 0; nth < count; nth += 1) {
    const left = row.length - from;
    const take = Math.ceil(left / (count - nth));
    groups.push(row.slice(from, from + take).map(({ id }) => id));
    from += take;
  }
  const together = apart.filter(([one, other]) => groups.some((group) => group.includes(one) && group.includes(other)));
  return { groups: groups.filter((group) => group.length > 0), together };
}
