"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { addDays, momentAt, schoolClock, schoolDays, SEMESTER_WEEKS } from "@/core/calendar/school-calendar";
import { sayDay, sayMoment } from "@/core/calendar/say-moment";
import { fromWallClock } from "@/core/calendar/wall-clock";
import { CROWDED, waysOut } from "@/core/plan/way-out";
import { assignmentById } from "@/data/assignments";
import { classesOf } from "@/data/classes";
import { crowdedDays, dueByDay, dueOn } from "@/data/plan";
import { recipientsOf } from "@/data/recipients";
import { act, Refused } from "../act";
import { lookAtMoved } from "../look-again";
import { changePlaces } from "../move-work";
import { meetingsOf } from "../plan";

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
    const movable = works.filter(({ due }) => due > now);
    const everybody = [...new Set(movable.flatMap(({ students }) => students))];
    const days = schoolDays(calendar, addDays(today, 1), last)
      .filter(({ open }) => open)
      .map((day) => day.date);
    const ways = waysOut(
      date,
      movable.map((work) => ({ ...work, opens: schoolClock(work.opens, zone).date })),
      days,
      await dueByDay(db, everybody, today, last, zone),
    );
    return {
      children: (crowded[0]?.students ?? []).map(({ id, name }) => ({
        name,
        things: works.filter(({ students }) => students.includes(id)).map(({ title }) => title),
      })),
      works: movable.map((work) => {
        const to = ways.find(({ id }) => id === work.id)!.to;
        const { id, title, className } = work;
        return { id, title, className, to, toSaid: to && sayDay(momentAt(to, "12:00", zone), zone, now) };
      }),
    };
  },
);

/** Several pieces of work due at one moment of the school's clock. All of them or none; one undo. */
export const changeDue = act(
  "change assignments",
  z.object({ assignments: z.array(Id).min(1).max(200), due: z.string().max(30) }),
  (given) => ({ assignments: given.assignments }),
  async ({ db, visitor, now }, given) => {
    const due = fromWallClock(given.due, visitor.zone);
    if (!due) throw new Refused("Say when it is due.", "due");
    if (due <= now) throw new Refused(`${sayMoment(due, visitor.zone, now)} is already past.`, "due");
    const places = [];
    for (const id of given.assignments) {
      const work = (await assignmentById(db, id))!;
      if (due <= work.opens) throw new Refused(`“${work.title}” opens later than that. Nothing was changed.`, "due");
      const closes =
        work.closes && (work.closes.getTime() === work.due.getTime() || work.closes < due) ? due : work.closes;
      places.push({ id, opens: work.opens, due, closes, meeting: work.meeting });
    }
    return { event: await changePlaces(db, visitor.id, now, "changed when several things are due", places) };
  },
);

/** Due on another day at the same hour; the lesson it is planned for stays. Returns what undoes it. */
export const moveDue = act(
  "change assignment",
  z.object({ assignment: Id, date: PlainDate }),
  (given) => ({ assignment: given.assignment }),
  async ({ db, visitor, now }, given) => {
    const work = (await assignmentById(db, given.assignment))!;
    const due = momentAt(given.date, schoolClock(work.due, visitor.zone).time, visitor.zone);
    if (due <= now) throw new Refused("That day is past. Nothing was changed.");
    if (due <= work.opens) throw new Refused("It would be due before it opens. Nothing was changed.");
    const closes = work.closes && new Date(work.closes.getTime() + Math.max(0, due.getTime() - work.due.getTime()));
    const times = { opens: work.opens, due, closes, meeting: work.meeting };
    const students = (await recipientsOf(db, work.id)).map(({ student }) => student);
    const found = await lookAtMoved(db, visitor, work, students, times, now);
    const event = await changePlaces(db, visitor.id, now, "moved when work is due", [{ id: work.id, ...times }]);
    return { event, remarks: found.map(({ text }) => text) };
  },
);
