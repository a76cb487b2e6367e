"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { daysFrom } from "@/core/calendar/school-calendar";
import { addDaysOff, calendarOf, removeDayOff, setBells, setMeetingRules, setTerms, setWeek } from "@/data/calendar";
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
} from "@/data/classes";
import { shelfRules } from "@/core/sharing/how-far";
import type { Db } from "@/data/db";
import { setShelfRules } from "@/data/sharing";
import { act, Refused } from "../act";
import { changeSchool } from "../change-school";
import { changePlaces } from "../move-work";
import { tellOfLostDay } from "../tell-teachers";
import { withoutDay } from "../reflow";
import type { Visitor } from "../session";
import { schoolOf } from "../school-of";

/** Who makes a change of the school, for it to be undone. */
const by = (visitor: Visitor, at: Date, what: string) => ({ by: visitor.id, at, what, school: schoolOf(visitor) });

const Name = z.string().trim().min(1, "Give it a name.").max(60);
const WallTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "A time is written like 08:50.");

export const keepTerms = act(
  "change the school's calendar",
  z.object({
    terms: z
      .array(
        z
          .object({ name: Name, from: PlainDate, to: PlainDate })
          .refine((term) => term.from <= term.to, "A term ends after it begins.")
          .refine((term) => daysFrom(term.from, term.to) <= 400, "A term is shorter than a year."),
      )
      .max(20),
  }),
  async ({ db, visitor, now }, { terms }) => {
    const sorted = [...terms].sort((one, other) => one.from.localeCompare(other.from));
    for (const [at, term] of sorted.entries())
      if (sorted[at - 1] && term.from <= sorted[at - 1]!.to)
        throw new Refused(`${sorted[at - 1]!.name} and ${term.name} overlap. Nothing was changed.`);
    const { event } = await changeSchool(db, by(visitor, now, "changed the terms"), (tx) =>
      setTerms(tx, schoolOf(visitor), sorted),
    );
    return { event };
  },
);

export const keepWeek = act(
  "change the school's calendar",
  z.object({
    weekdays: z.array(z.number().int().min(1).max(7)).min(1, "A week has a day of school.").max(7),
    cycle: z.array(z.string().trim().min(1).max(12)).max(10),
    bells: z
      .array(
        z
          .object({
            weekday: z.number().int().min(1).max(7),
            period: z.number().int().min(1).max(20),
            starts: WallTime,
            ends: WallTime,
          })
          .refine((bell) => bell.starts < bell.ends, "A lesson ends after it begins."),
      )
      .max(140),
  }),
  async ({ db, visitor, now }, { weekdays, cycle, bells }) => {
    if (new Set(cycle).size < cycle.length)
      throw new Refused("Two days of the cycle have one name. Nothing was changed.");
    const kept = bells.filter(({ weekday }) => weekdays.includes(weekday));
    for (const one of kept)
      for (const other of kept)
        if (one.weekday === other.weekday && one.period < other.period && one.ends > other.starts)
          throw new Refused(
            `Lesson ${other.period} would begin before lesson ${one.period} ends. Nothing was changed.`,
          );
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
    if (days.some(({ kind, until }) => (kind === "half") !== (until !== null)))
      throw new Refused("A half day says until when there are lessons.");
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
    if (stuck.length > 0)
      throw new Refused(`${stuck.length} would fall after the last lesson of the calendar. Nothing was changed.`);
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
  if (!(await allClassesOf(db, schoolOf(visitor))).includes(id)) throw new Refused("This class is not of your school.");
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
  async ({ db, visitor, now }, given) => {
    await ownClass(db, visitor, given.ofClass);
    if (!(await adultsAt(db, schoolOf(visitor))).some(({ id }) => id === given.teacher))
      throw new Refused("This person is not of your school.");
    if (given.role === "cover" && (!given.from || !given.to)) throw new Refused("Cover has a first and a last day.");
    if (given.from && given.to && given.from > given.to) throw new Refused("The last day is before the first.");
    const { event } = await changeSchool(db, by(visitor, now, "said who teaches a class"), (tx) =>
      setTeacher(tx, given.ofClass, { id: given.teacher, role: given.role, from: given.from, to: given.to }),
    );
    return { event };
  },
);

export const takeTeacherOut = act(
  "change the school's calendar",
  OfClass.extend({ teacher: z.number().int().positive() }),
  async ({ db, visitor, now }, given) => {
    await ownClass(db, visitor, given.ofClass);
    const others = (await teachersOf(db, given.ofClass, now)).filter(({ id }) => id !== given.teacher);
    if (!others.some(({ role }) => role !== "cover")) throw new Refused("A class keeps one teacher at least.");
    const { event } = await changeSchool(db, by(visitor, now, "took a teacher out of a class"), (tx) =>
      removeTeacher(tx, given.ofClass, given.teacher),
    );
    return { event };
  },
);

/** A class of a past year is put away, or brought back. Its work and results are kept. */
export const archiveClass = act(
  "change the school's calendar",
  OfClass.extend({ archived: z.boolean() }),
  async ({ db, visitor, now }, given) => {
    await ownClass(db, visitor, given.ofClass);
    const { event } = await changeSchool(
      db,
      by(visitor, now, given.archived ? "put a class away" : "brought a class back"),
      (tx) => setClassArchived(tx, given.ofClass, given.archived ? now : null),
    );
    return { event };
  },
);

/** Whether a class is a homeroom. */
export const keepHomeroom = act(
  "change the school's calendar",
  OfClass.extend({ homeroom: z.boolean() }),
  async ({ db, visitor, now }, given) => {
    await ownClass(db, visitor, given.ofClass);
    const { event } = await changeSchool(db, by(visitor, now, "said which class is a homeroom"), (tx) =>
      setHomeroom(tx, given.ofClass, given.homeroom),
    );
    return { event };
  },
);

/** A student's name as it is written. Children and teachers cannot change it; what a child signs in with stays. */
export const keepName = act(
  "change the school's roster",
  z.object({ ofStudent: z.number().int().positive(), givenName: Name, familyName: Name }),
  async ({ db, visitor, now }, given) => {
    const { ofStudent: id, givenName, familyName } = given;
    const { event } = await changeSchool(db, by(visitor, now, "corrected a student's name"), async (tx) => {
      if (!(await renameStudent(tx, schoolOf(visitor), { id, givenName, familyName })))
        throw new Refused("This student is not of your school.");
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
  async ({ db, visitor, now }, given) => {
    const known = (await classesAt(db, schoolOf(visitor))).some(({ id }) => id === given.meetingsOf);
    if (!known) throw new Refused("This class is not of your school.");
    if (given.rules.some(({ weekday, cycleDay }) => weekday !== null && cycleDay !== null))
      throw new Refused("A lesson is on a weekday or on a day of the cycle.");
    const { event } = await changeSchool(db, by(visitor, now, "said when a class meets"), (tx) =>
      setMeetingRules(tx, given.meetingsOf, given.rules),
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
