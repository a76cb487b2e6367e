import { months } from "../calendar/format-moment";
import { addDays, mondayOf, schoolDays, type SchoolCalendar } from "../calendar/school-calendar";

/** A team's board: weeks by parts of the work. Nothing here knows of a screen or a database. */

/** One part of the work of one week; what is not on the board nobody makes. */
export interface TeamPart {
  line: number;
  /** The Monday, "2026-11-30". */
  week: string;
  maker: number | null;
  /** Its maker has said that she is at it. */
  begun: boolean;
  /** What she made, when it is ready. */
  resource: { id: number; title: string; minutes: number } | null;
}

export const partStates = ["nobody", "asked", "in progress", "ready"] as const;
export type PartState = (typeof partStates)[number];

/** `stateOf({ maker: 4, begun: false, resource: null })` gives `"asked"`. */
export function stateOf({ maker, begun, resource }: Pick<TeamPart, "maker" | "begun" | "resource">): PartState {
  if (resource !== null) return "ready";
  if (maker === null) return "nobody";
  return begun ? "in progress" : "asked";
}

export interface BoardWeek {
  monday: string;
  /** How many days the school is open. */
  days: number;
  /** Why it is closed all week; null when it is not. */
  off: string | null;
}

/**
 * Weeks in a row from the one with a date, as the school's calendar has them.
 * `boardWeeks(isles, "2026-12-01", 1)` gives `[{ monday: "2026-11-30", days: 4, off: null }]`.
 */
export function boardWeeks(calendar: SchoolCalendar, from: string, count: number): BoardWeek[] {
  const first = mondayOf(from);
  const days = schoolDays(calendar, first, addDays(first, count * 7 - 1));
  return Array.from({ length: count }, (_, nth) => {
    const monday = addDays(first, nth * 7);
    const within = days.filter(({ date }) => date >= monday && date < addDays(monday, 7));
    const open = within.filter((day) => day.open).length;
    return { monday, days: open, off: open > 0 ? null : (within.find((day) => day.off)?.off?.name ?? "no school") };
  });
}

export interface Load {
  /** Parts she is to make and has not made yet. */
  open: number;
  ready: number;
  /** Minutes of class time in what she has made. */
  minutes: number;
}

/**
 * What each person has on her plate in these parts; somebody with nothing is there with zeros.
 * `loads([7], []).get(7)` gives `{ open: 0, ready: 0, minutes: 0 }`.
 */
export function loads(people: readonly number[], parts: readonly TeamPart[]): Map<number, Load> {
  const load = new Map(people.map((person): [number, Load] => [person, { open: 0, ready: 0, minutes: 0 }]));
  for (const part of parts) {
    const hers = part.maker === null ? undefined : load.get(part.maker);
    if (!hers) continue;
    if (part.resource) {
      hers.ready += 1;
      hers.minutes += part.resource.minutes;
    } else hers.open += 1;
  }
  return load;
}

/** "30 Nov": a week is called by its Monday. `formatWeek("2026-11-30")` gives `"30 Nov"`. */
export const formatWeek = (monday: string): string =>
  `${Number(monday.slice(8))} ${months[Number(monday.slice(5, 7)) - 1]}`;

/**
 * The day a part is due: the first school day of its week, or today when that has passed.
 * `dueOn("2026-11-30", ["2026-12-01"], "2026-11-27")` gives `"2026-12-01"`.
 */
export const dueOn = (week: string, openDays: readonly string[], today: string): string =>
  [openDays.find((date) => date >= week) ?? week, today].sort().at(-1)!;
