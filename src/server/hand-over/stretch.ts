import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { mondayOf, schoolClock } from "@/core/calendar/school-calendar";
import { pastDues, pastOpenings, type PastDue, type PastOpening } from "@/core/hand-over/compare";
import type { Visitor } from "../web/session";

const Asked = z.object({
  from: PlainDate.optional().catch(undefined),
  weeks: z.coerce.number().int().min(1).max(18).catch(2),
});

/** Which weeks an address asks for; what cannot be read counts as two weeks from this Monday. */
export function stretchFrom(said: unknown, visitor: Visitor, now: Date): { from: string; weeks: number } {
  const { from, weeks } = Asked.parse(said);
  return { from: mondayOf(from ?? schoolClock(now, visitor.zone).date), weeks };
}

const oneOf = <Value extends string>(all: readonly Value[], said: unknown): Value =>
  all.find((one) => one === said) ?? all[0]!;

/** What an address says is done about dates that are over. */
export const pastFrom = (said: { due?: unknown; open?: unknown }): { pastDue: PastDue; pastOpening: PastOpening } => ({
  pastDue: oneOf(pastDues, said.due),
  pastOpening: oneOf(pastOpenings, said.open),
});
