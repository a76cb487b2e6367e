import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { daysFrom, type BellTime, type SchoolCalendar } from "@/core/calendar/school-calendar";
import { ActionError } from "../web/act";
import { problemOf } from "../web/problem";

export const Name = z.string().trim().min(1, "Give it a name.").max(60);
export const WallTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "A time is written like 08:50.");

export const Terms = z
  .array(
    z
      .object({ name: Name, from: PlainDate, to: PlainDate })
      .refine((term) => term.from <= term.to, "A term has to end after it begins.")
      .refine((term) => daysFrom(term.from, term.to) <= 400, "A term cannot be longer than a year."),
  )
  .max(20);

export const Weekdays = z.array(z.number().int().min(1).max(7)).min(1, "A week needs at least one school day.").max(7);

export const Bells = z
  .array(
    z
      .object({
        weekday: z.number().int().min(1).max(7),
        period: z.number().int().min(1).max(20),
        starts: WallTime,
        ends: WallTime,
      })
      .refine((bell) => bell.starts < bell.ends, "A lesson has to end after it begins."),
  )
  .max(140);

const byBeginning = (one: { from: string }, other: { from: string }) => one.from.localeCompare(other.from);

/** In order. @throws ActionError when two overlap */
export function inOrder(terms: SchoolCalendar["terms"]): SchoolCalendar["terms"][number][] {
  const sorted = [...terms].sort(byBeginning);
  for (const [at, term] of sorted.entries())
    if (sorted[at - 1] && term.from <= sorted[at - 1]!.to)
      throw new ActionError(problemOf("termsOverlap", { name: sorted[at - 1]!.name, other: term.name }));
  return sorted;
}

/** Those of school days. @throws ActionError when a lesson begins before the one before it ends */
export function bellsOn(weekdays: readonly number[], bells: readonly BellTime[]): BellTime[] {
  const kept = bells.filter(({ weekday }) => weekdays.includes(weekday));
  for (const one of kept)
    for (const other of kept)
      if (one.weekday === other.weekday && one.period < other.period && one.ends > other.starts)
        throw new ActionError(problemOf("lessonsOverlap", { period: other.period, next: one.period }));
  return kept;
}
