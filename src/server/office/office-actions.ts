"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import {
  addDaysOff,
  calendarOf,
  removeDayOff,
  setBells,
  setMeetingRules,
  setTerms,
  setWeek,
} from "@/data/plan/calendar";
import {
  adultsAt,
  allClassesOf,
  classesAt,
  removeTeacher,
  renameStudent,
  setClassArchived,
  setHomeroom,
  setTeacher,
  teachersOf,
} from "@/data/classes/classes";
import { shelfRules } from "@/core/sharing/how-far";
import type { Db } from "@/data/engine/db";
import { allowGuests } from "@/data/classes/guests";
import { allowNotes } from "@/data/live/step-notes";
import { setShelfRules } from "@/data/share/sharing";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { Bells, bellsOn, inOrder, Name, Terms, WallTime, Weekdays } from "./calendar-input";
import { changeSchool } from "./change-school";
import { changePlaces } from "../plan/move-work";
import { tellOfLostDay } from "../plan/tell-teachers";
import { withoutDay } from "../plan/reflow";
import type { Visitor } from "../web/session";
import { schoolOf } from "./school-of";

/** Who makes a change of the school, for it to be undone. */
const by = (visitor: Visitor, at: Date, what: string) => ({ by: visitor.id, at, what, school: schoolOf(visitor) });

export const keepTerms = act(
  "change the school's calendar",
  z.object({ terms: Terms }),
  async ({ db, visitor, now }, { terms }) => {
    const sorted = inOrder(terms);
    const { event } = await changeSchool(db, by(visitor, now, "changed the terms"), (tx) =>
      setTerms(tx, schoolOf(visitor), sorted),
    );
    return { event };
  },
);

export const keepWeek = act(
  "change the school's calendar",
  z.object({
    weekdays: Weekdays,
    cycle: z.array(z.string().trim().min(1).max(12)).max(10),
    bells: Bells,
  }),
  async ({ db, visitor, now }, { weekdays, cycle, bells }) => {
    if (new Set(cycle).size < cycle.length) throw new ActionError("cycleDaysSameName");
    const kept = bellsOn(weekdays, bells);
    const { event } = await changeSchool(db, by(visitor, now, "changed the week"), async (tx) => {
      await setWeek(tx, schoolOf(visitor), { weekdays: [...weekdays].sort(), cycle });
      await setBells(tx, schoolOf(visitor), kept);
    });
    return { event };
  },
);

/** Days off that were known before: whole days, or half days until a time. */
export const keepDaysOff = act(
  "change the school's calendar",
  z.object({
    days: z
      .array(z.object({ date: PlainDate, name: Name, kind: z.enum(["off", "half"]), until: WallTime.nullable() }))
      .min(1)
      .max(400),
  }),
  async ({ db, visitor, now }, { days }) => {
    if (days.some(({ kind, until }) => (kind === "half") !== (until !== null))) throw new ActionError("sayHalfDay");
    const { event } = await changeSchool(db, by(visitor, now, "wrote down days off"), (tx) =>
      addDaysOff(tx, schoolOf(visitor), days),
    );
    return { event };
  },
);

export const takeDayBack = act(
  "change the school's calendar",
  z.object({ date: PlainDate }),
  async ({ db, visitor, now }, { date }) => {
    const { event } = await changeSchool(db, by(visitor, now, "took back a day off"), (tx) =>
      removeDayOff(tx, schoolOf(visitor), date),
    );
    return { event };
  },
);

/** A storm: the whole school loses a day, and what every class had planned moves on. One act, one undo. */
export const loseSchoolDay = act(
  "change the school's calendar",
  z.object({ date: PlainDate, name: Name }),
  async ({ db, visitor, now }, { date, name }) => {
    const school = schoolOf(visitor);
    const classes = (await classesAt(db, school)).map(({ id }) => id);
    const before = (await calendarOf(db, school)).daysOff.find((day) => day.date === date) ?? null;
    const { moves, stuck } = await withoutDay(db, classes, date, name);
    if (stuck.length > 0) throw new ActionError(problemOf("notChangedPastEnd", { count: stuck.length }));
    const event = await changePlaces(
      db,
      visitor.id,
      now,
      "the school lost a day",
      moves,
      { schoolLost: { school, date, before } },
      (tx) => addDaysOff(tx, school, [{ date, name, kind: "lost", until: null }]),
    );
    await tellOfLostDay(db, visitor, { classes, date, name, moved: moves.length }, now);
    return { event, moved: moves.length };
  },
);

const OfClass = z.object({ ofClass: z.number().int().positive() });

async function ownClass(db: Db, visitor: Visitor, id: number): Promise<void> {
  if (!(await allClassesOf(db, schoolOf(visitor))).includes(id)) throw new ActionError("classNotHere");
}

/** Who teaches a class: leads it, teaches it too, or covers it from one day to another. */
export const keepTeacher = act(
  "change the school's calendar",
  OfClass.extend({
    teacher: z.number().int().positive(),
    role: z.enum(["lead", "co-teacher", "cover"]),
    from: PlainDate.nullable(),
    to: PlainDate.nullable(),
  }),
  async ({ db, visitor, now }, input) => {
    await ownClass(db, visitor, input.ofClass);
    if (!(await adultsAt(db, schoolOf(visitor))).some(({ id }) => id === input.teacher))
      throw new ActionError("personNotHere");
    if (input.role === "cover" && (!input.from || !input.to)) throw new ActionError("coverDays");
    if (input.from && input.to && input.from > input.to) throw new ActionError("lastBeforeFirst");
    const { event } = await changeSchool(db, by(visitor, now, "said who teaches a class"), (tx) =>
      setTeacher(tx, input.ofClass, { id: input.teacher, role: input.role, from: input.from, to: input.to }),
    );
    return { event };
  },
);

export const takeTeacherOut = act(
  "change the school's calendar",
  OfClass.extend({ teacher: z.number().int().positive() }),
  async ({ db, visitor, now }, input) => {
    await ownClass(db, visitor, input.ofClass);
    const others = (await teachersOf(db, input.ofClass, now)).filter(({ id }) => id !== input.teacher);
    if (!others.some(({ role }) => role !== "cover")) throw new ActionError("classNeedsTeacher");
    const { event } = await changeSchool(db, by(visitor, now, "took a teacher out of a class"), (tx) =>
      removeTeacher(tx, input.ofClass, input.teacher),
    );
    return { event };
  },
);

/** A class of a past year is put away, or brought back. Its work and results are kept. */
export const archiveClass = act(
  "change the school's calendar",
  OfClass.extend({ archived: z.boolean() }),
  async ({ db, visitor, now }, input) => {
    await ownClass(db, visitor, input.ofClass);
    const { event } = await changeSchool(
      db,
      by(visitor, now, input.archived ? "put a class away" : "brought a class back"),
      (tx) => setClassArchived(tx, input.ofClass, input.archived ? now : null),
    );
    return { event };
  },
);

/** Whether a class is a homeroom. */
export const keepHomeroom = act(
  "change the school's calendar",
  OfClass.extend({ homeroom: z.boolean() }),
  async ({ db, visitor, now }, input) => {
    await ownClass(db, visitor, input.ofClass);
    const { event } = await changeSchool(db, by(visitor, now, "said which class is a homeroom"), (tx) =>
      setHomeroom(tx, input.ofClass, input.homeroom),
    );
    return { event };
  },
);

/** A student's name as it is written. Children and teachers cannot change it; what a child signs in with stays. */
export const keepName = act(
  "change the school's roster",
  z.object({ ofStudent: z.number().int().positive(), givenName: Name, familyName: Name }),
  async ({ db, visitor, now }, input) => {
    const { ofStudent: id, givenName, familyName } = input;
    const { event } = await changeSchool(db, by(visitor, now, "corrected a student's name"), async (tx) => {
      if (!(await renameStudent(tx, schoolOf(visitor), { id, givenName, familyName })))
        throw new ActionError("studentNotHere");
    });
    return { event };
  },
);

/** When a class meets. */
export const keepMeetings = act(
  "change the school's calendar",
  z.object({
    meetingsOf: z.number().int().positive(),
    rules: z
      .array(
        z.object({
          label: z.string().trim().max(40),
          period: z.number().int().min(1).max(20),
          weekday: z.number().int().min(1).max(7).nullable(),
          cycleDay: z.string().max(12).nullable(),
        }),
      )
      .max(60),
  }),
  async ({ db, visitor, now }, input) => {
    const known = (await classesAt(db, schoolOf(visitor))).some(({ id }) => id === input.meetingsOf);
    if (!known) throw new ActionError("classNotHere");
    if (input.rules.some(({ weekday, cycleDay }) => weekday !== null && cycleDay !== null))
      throw new ActionError("weekdayOrCycleDay");
    const { event } = await changeSchool(db, by(visitor, now, "said when a class meets"), (tx) =>
      setMeetingRules(tx, input.meetingsOf, input.rules),
    );
    return { event };
  },
);

/** Who of the school may put things on shelves beyond it. What stands there already stays. */
export const keepShelfRules = act(
  "say how far things go",
  z.object({ district: z.enum(shelfRules), commons: z.enum(shelfRules) }),
  async ({ db, visitor, now }, rules) => {
    const school = schoolOf(visitor);
    const made = { by: visitor.id, at: now, what: "shelf rules", school };
    const { event } = await changeSchool(db, made, (tx) => setShelfRules(tx, school, rules));
    return { event };
  },
);

/** Whether teachers and children may write each other short notes about a step. What was written stays with the work. */
export const keepNotesRule = act(
  "say how far things go",
  z.object({ allowed: z.boolean() }),
  async ({ db, visitor, now }, { allowed }) => {
    const school = schoolOf(visitor);
    const made = { by: visitor.id, at: now, what: "notes between teachers and children", school };
    const { event } = await changeSchool(db, made, (tx) => allowNotes(tx, school, allowed));
    return { event };
  },
);

/** Whether guests may do one piece of work by a link, without an account. Switched off, links for guests lead nowhere. */
export const keepGuestsRule = act(
  "say how far things go",
  z.object({ allowed: z.boolean() }),
  async ({ db, visitor, now }, { allowed }) => {
    const school = schoolOf(visitor);
    const made = { by: visitor.id, at: now, what: "guests", school };
    const { event } = await changeSchool(db, made, (tx) => allowGuests(tx, school, allowed));
    return { event };
  },
);
