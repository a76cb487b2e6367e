/** Common practice: three things due on one day are too much for a child. */
export const CROWDED = 3;

/** A piece of work due on a crowded day, and who has it due then. */
export interface DueWork {
  id: number;
  students: readonly number[];
  /** PlainDate on which it opens: it is not due before that. */
  opens: string;
}

export interface WayOut {
  id: number;
  /** The nearest day on which nobody who has it would have too much; null: there is none. */
  to: string | null;
}

/**
 * Where work that is due on a crowded day could be due instead: the nearest day of school, later before earlier where both
 * are as near, on which none of its students would have `CROWDED` things due or more.
 *
 * `waysOut("2026-12-03", [{ id: 1, students: [7], opens: "2026-12-01" }], ["2026-12-03", "2026-12-04"], new Map())` gives `[{ id: 1, to: "2026-12-04" }]`.
 * @param days of school to choose from, as PlainDates in order
 * @param due how many things each student has due on each day: `due.get("2026-12-03")?.get(student)`
 */
export function waysOut(
  date: string,
  works: readonly DueWork[],
  days: readonly string[],
  due: ReadonlyMap<string, ReadonlyMap<number, number>>,
): WayOut[] {
  const here = days.filter((day) => day < date).length;
  const distance = (at: number) => (at < here ? here - at : at - here + (days[here] === date ? 0 : 1));
  const others = days
    .map((day, at) => ({ day, far: distance(at) }))
    .filter(({ day }) => day !== date)
    .sort((one, other) => one.far - other.far || (one.day < other.day ? 1 : -1));
  return works.map(({ id, students, opens }) => ({
    id,
    to:
      others.find(
        ({ day }) => day >= opens && students.every((student) => (due.get(day)?.get(student) ?? 0) + 1 < CROWDED),
      )?.day ?? null,
  }));
}
