"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { withYear } from "@/core/calendar/new-year";
import { addDaysOff, calendarOf, setBells, setTerms, setWeek } from "@/data/plan/calendar";
import { act } from "../web/act";
import { Bells, bellsOn, inOrder, Name, Terms, Weekdays } from "./calendar-input";
import { changeSchool } from "./change-school";
import { schoolOf } from "./school-of";

/**
 * A school year that was set up by steps: its terms beside those of other years, the week (null: it stays as it is) and days off. One act, one
 * undo.
 */
export const keepYear = act(
  "change the school's calendar",
  z.object({
    terms: Terms.min(1, "A year needs at least one term."),
    week: z.object({ weekdays: Weekdays, bells: Bells }).nullable(),
    daysOff: z.array(z.object({ date: PlainDate, name: Name })).max(200),
  }),
  async ({ db, visitor, now }, { terms, week, daysOff }) => {
    const school = schoolOf(visitor);
    const year = inOrder(terms);
    const bells = week && bellsOn(week.weekdays, week.bells);
    const made = { by: visitor.id, at: now, what: "set up a school year", school };
    const { event } = await changeSchool(db, made, async (tx) => {
      const before = await calendarOf(tx, school);
      await setTerms(tx, school, inOrder(withYear(before.terms, year)));
      if (week && bells) {
        await setWeek(tx, school, { weekdays: [...week.weekdays].sort(), cycle: before.cycle });
        await setBells(tx, school, bells);
      }
      if (daysOff.length > 0)
        await addDaysOff(
          tx,
          school,
          daysOff.map((day) => ({ ...day, kind: "off" as const, until: null })),
        );
    });
    return { event };
  },
);
