import { addDays, schoolClock } from "../calendar/school-calendar";

/** Whether a student may go in to a piece of work now, and if not, why. */
export type Door =
  | { open: true }
  | { open: false; why: "later" | "closed" | "waits" }
  /** Open on single days only; `next` is the next of them, null when the last is over. */
  | { open: false; why: "other day"; next: string | null };

export interface Doorway {
  opens: Date;
  closes: Date | null;
  openDays: readonly string[] | null;
  waitsFor: string | null;
}

/** `availability({ opens: new Date("2026-12-01") }, "Europe/London", new Date("2026-11-30"))` gives `{ open: false, why: "later" }`. */
export function availability(work: Doorway, zone: string, now: Date): Door {
  if (now < work.opens) return { open: false, why: "later" };
  if (work.closes && now > work.closes) return { open: false, why: "closed" };
  if (work.openDays) {
    const { date } = schoolClock(now, zone);
    if (!work.openDays.includes(date))
      return { open: false, why: "other day", next: work.openDays.find((day) => day > date) ?? null };
  }
  return work.waitsFor === null ? { open: true } : { open: false, why: "waits" };
}

/** Days in which answers from a device that was away are still kept aside; after that nobody waits for them. */
const KEPT_ASIDE_DAYS = 14;

/**
 * Whether answers that arrive now are at least kept aside for the teacher: what was begun in time is not lost to a clock, and
 * closed is closed all the same. They never count by themselves.
 * `takesLate({ opens: new Date("2026-12-01") }, "Europe/London", new Date("2026-11-30"))` gives `false`.
 */
export function takesLate(work: Doorway, zone: string, now: Date): boolean {
  const door = availability(work, zone, now);
  if (door.open) return true;
  if (door.why === "closed") return now.getTime() - work.closes!.getTime() <= KEPT_ASIDE_DAYS * 86_400_000;
  if (door.why !== "other day") return false;
  const { date } = schoolClock(now, zone);
  return work.openDays!.some((day) => day < date && addDays(day, KEPT_ASIDE_DAYS) >= date);
}
