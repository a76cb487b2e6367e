"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { addDays, momentAt, schoolClock, schoolDays, SEMESTER_WEEKS } from "@/core/calendar/school-calendar";
import { formatDay, formatMoment } from "@/core/calendar/format-moment";
import { fromWallClock } from "@/core/calendar/wall-clock";
import { CROWDED, waysOut } from "@/core/plan/way-out";
import { assignmentById } from "@/data/assign/assignments";
import { classesOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { crowdedDays, dueByDay, dueOn, dueThenFor } from "@/data/plan/plan";
import { recipientsOf } from "@/data/assign/recipients";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { lookAtMoved } from "./look-again";
import { changePlaces } from "../plan/move-work";
import { meetingsOf } from "../plan/plan";
import type { Visitor } from "../web/session";

const Id = z.number().int().positive();

/** Who has too much due on a day, and where each piece of her work could be due instead, over the whole term. */
export const lookAtCrowded = act(
  "see assignments",
  z.object({ date: PlainDate }),
  async ({ db, visitor, now }, { date }) => {
    const classes = await classesOf(db, visitor.id, now);
    const ids = classes.map(({ id }) => id);
    const { zone } = visitor;
    const today = schoolClock(now, zone).date;
    const last = addDays(today, SEMESTER_WEEKS * 7);
    const [crowded, works, { calendar }] = await Promise.all([
      crowdedDays(db, ids, date, date, zone, CROWDED),
      dueOn(db, ids, date, zone),
      meetingsOf(db, visitor, classes, today, today),
    ]);
    const children = crowded[0]?.students ?? [];
    const theirs = await dueThenFor(
      db,
      children.map(({ id }) => id),
      ids,
      date,
      zone,
    );
    const tooMuch = (work: { students: readonly number[] }) =>
      children.filter(({ id }) => work.students.includes(id)).length;
    // Only what one of them has helps; what most of them have comes first.
    const movable = works
      .filter((work) => work.due > now && tooMuch(work) > 0)
      .sort((one, other) => tooMuch(other) - tooMuch(one));
    // Those with more time, or who were given more, have a due moment of their own: it is moved for them alone.
    const alone = theirs.filter((one) => one.alone && one.due > now);
    const everybody = [...movable.flatMap(({ students }) => students), ...alone.map(({ student }) => student)];
    const days = schoolDays(calendar, addDays(today, 1), last)
      .filter(({ open }) => open)
      .map((day) => day.date);
    const loads = await dueByDay(db, [...new Set(everybody)], today, last, zone);
    const say = (day: string | null) => day && formatDay(momentAt(day, "12:00", zone), zone, now);
    const ways = waysOut(
      date,
      movable.map((work) => ({ ...work, opens: schoolClock(work.opens, zone).date })),
      days,
      loads,
    );
    const waysAlone = waysOut(
      date,
      alone.map(({ student, classDue }, id) => ({ id, students: [student], opens: schoolClock(classDue, zone).date })),
      days,
      loads,
    );
    return {
      children: children.map(({ id, name }) => ({
        name,
        things: theirs.filter(({ student }) => student === id).map(({ title }) => title),
      })),
      works: movable.map(({ id, title, className }, at) => {
        const { to } = ways[at]!;
        return { id, title, className, to, toSaid: say(to) };
      }),
      alone: alone.map(({ assignment, student, name, title, resource, factor, due }, at) => {
        const { to } = waysAlone[at]!;
        const { time } = schoolClock(due, zone);
        return { assignment, student, name, title, resource, factor, due: to && `${to}T${time}`, toSaid: say(to) };
      }),
    };
  },
);

const DueTogether = z.object({
  assignments: z.array(Id).min(1).max(400, "You can change up to 400 assignments at once. Nothing was changed."),
  due: z.string().max(30),
});

/** Each of them at the due moment typed, and what the last look says of that; refused where one cannot be due then. */
async function dueTogether(db: Db, visitor: Visitor, input: z.infer<typeof DueTogether>, now: Date) {
  const due = fromWallClock(input.due, visitor.zone);
  if (!due) throw new ActionError("sayWhenDue", "due");
  if (due <= now) throw new ActionError(problemOf("isPast", { when: formatMoment(due, visitor.zone, now) }), "due");
  const places = [];
  const remarks = new Set<string>();
  for (const id of input.assignments) {
    const work = (await assignmentById(db, id))!;
    if (due <= work.opens) throw new ActionError(problemOf("opensLaterThan", { title: work.title }), "due");
    const closes =
      work.closes && (work.closes.getTime() === work.due.getTime() || work.closes < due) ? due : work.closes;
    const times = { opens: work.opens, due, closes, meeting: work.meeting };
    const students = (await recipientsOf(db, id)).map(({ student }) => student);
    for (const { text } of await lookAtMoved(db, visitor, work, students, times, now)) remarks.add(text);
    places.push({ id, ...times });
  }
  return { places, remarks: [...remarks] };
}

/** What the last look says of one due moment for several. Changes nothing. */
export const lookAtDue = act(
  "change assignments",
  DueTogether,
  (input) => ({ assignments: input.assignments }),
  async ({ db, visitor, now }, input) => ({ remarks: (await dueTogether(db, visitor, input, now)).remarks }),
);

/** Several pieces of work due at one moment of the school's clock. All of them or none; one undo. */
export const changeDue = act(
  "change assignments",
  DueTogether,
  (input) => ({ assignments: input.assignments }),
  async ({ db, visitor, now }, input) => {
    const { places } = await dueTogether(db, visitor, input, now);
    return { event: await changePlaces(db, visitor.id, now, "changed when several things are due", places) };
  },
);

/** Due on another day at the same hour; the lesson it is planned for stays. Returns what undoes it. */
export const moveDue = act(
  "change assignment",
  z.object({ assignment: Id, date: PlainDate }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const work = (await assignmentById(db, input.assignment))!;
    const due = momentAt(input.date, schoolClock(work.due, visitor.zone).time, visitor.zone);
    if (due <= now) throw new ActionError("dayIsPast");
    if (due <= work.opens) throw new ActionError("dueBeforeOpens");
    const closes = work.closes && new Date(work.closes.getTime() + Math.max(0, due.getTime() - work.due.getTime()));
    const times = { opens: work.opens, due, closes, meeting: work.meeting };
    const students = (await recipientsOf(db, work.id)).map(({ student }) => student);
    const found = await lookAtMoved(db, visitor, work, students, times, now);
    const event = await changePlaces(db, visitor.id, now, "moved when work is due", [{ id: work.id, ...times }]);
    return { event, remarks: found.map(({ text }) => text) };
  },
);
