import { addDays, mondayOf } from "../calendar/school-calendar";

/** How often a screen says that somebody reads. Seconds. */
export const BEAT_SECONDS = 15;
/** Longer than this without a key, a touch, scrolling or the voice, nobody is reading. Seconds. */
export const IDLE_SECONDS = 60;

/**
 * Seconds that count when a screen says that somebody has read for `claimed` of them: never more than have passed since it last said so,
 * on the server's clock, and never more than two beats. So two screens at once, a clock that is wrong or a program that claims more
 * count no second twice.
 * `countedSeconds(new Date("2026-11-30T09:00:00Z"), new Date("2026-11-30T09:00:20Z"), 60)` gives `20`.
 */
export function countedSeconds(last: Date | null, now: Date, claimed: number): number {
  const passed = last === null ? BEAT_SECONDS : (now.getTime() - last.getTime()) / 1000;
  return Math.max(0, Math.min(Math.round(claimed), Math.floor(passed), BEAT_SECONDS * 2));
}

/** How much is wanted, each day or each week. */
export interface ReadingGoal {
  minutes: number;
  per: "day" | "week";
}

export interface ReadingWeek {
  /** Monday to Sunday: whole minutes, null for days to come. */
  days: { date: string; minutes: number | null }[];
  /** Of the day or the week the goal is for. */
  minutes: number;
  goal: number;
  /** Minutes left; 0: it is met. */
  left: number;
}

/**
 * The week of a day, from seconds by date.
 * `readingWeek(new Map([["2026-11-30", 600]]), "2026-11-30", { minutes: 15, per: "day" }).left` gives `5`.
 */
export function readingWeek(seconds: ReadonlyMap<string, number>, today: string, goal: ReadingGoal): ReadingWeek {
  const monday = mondayOf(today);
  const dates = Array.from({ length: 7 }, (_, nth) => addDays(monday, nth));
  const whole = (sum: number) => Math.floor(sum / 60);
  const of = (date: string) => seconds.get(date) ?? 0;
  const days = dates.map((date) => ({ date, minutes: date > today ? null : whole(of(date)) }));
  const minutes = whole(goal.per === "day" ? of(today) : dates.reduce((sum, date) => sum + of(date), 0));
  return { days, minutes, goal: goal.minutes, left: Math.max(0, goal.minutes - minutes) };
}
