"use server";
import { z } from "zod";
import type { Finding } from "@/core/assign/finding";
import { AssignForm, Closes, closingMoment } from "@/core/assign/form";
import { lastLook } from "@/core/assign/last-look";
import { withExtraTime } from "@/core/assign/extra-time";
import { formatMoment } from "@/core/calendar/format-moment";
import { fromWallClock } from "@/core/calendar/wall-clock";
import * as assignments from "@/data/assign/assignments";
import { positionsOf, setPositions } from "@/data/assign/places";
import * as recipients from "@/data/assign/recipients";
import { calendarOf } from "@/data/plan/calendar";
import { studentsOf } from "@/data/classes/classes";
import { addEvent } from "@/data/engine/events";
import { resourceById } from "@/data/adapt/resources";
import { announceWork } from "@/data/student/work";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import type { Db } from "@/data/engine/db";
import { prepareAssigning } from "./assigning";
import { audienceOf } from "./audience";
import { changeWork } from "./change-work";
import { chosenClass } from "../classes/chosen-class";
import { lookAtMoved } from "./look-again";
import { permit } from "../web/permissions";
import type { Visitor } from "../web/session";
import { changePlaces, giveWork, type PlanState } from "../plan/move-work";

const Id = z.number().int().positive();

/** What assigning is about, to be permitted. */
const aboutForm = ({ resources, to, versions, after, follows }: AssignForm) => ({
  ...{ resources, to, versions },
  after: [after, follows].filter((id) => id !== null),
});

/** Whom and when she can give these to: her classes, their meetings, versions. */
export const audienceFor = act(
  "see who to assign to",
  z.object({ resources: z.array(Id).min(1).max(60), like: Id.optional() }),
  (input) => ({ resources: input.resources }),
  async ({ db, visitor, now }, { resources, like }) => {
    const hers = like !== undefined && (await permit(db, visitor, "assign as before", { assignment: like }, now));
    const earlier = hers ? await assignments.assignmentById(db, like) : undefined;
    return audienceOf(db, visitor, resources, now, earlier ?? null);
  },
);

/** In words before it goes out: a sentence a class, and everything that is worth a look. Changes nothing. */
export const lookBeforeAssigning = act(
  "assign resources",
  AssignForm,
  aboutForm,
  async ({ db, visitor, now }, form): Promise<{ said: string[]; findings: Finding[] }> => {
    const { looked, said, problem } = await prepareAssigning(
      db,
      visitor,
      form,
      (await chosenClass(db, visitor, now)).current?.id ?? null,
      now,
    );
    const findings = lastLook(looked);
    const stopped = findings.some(({ level }) => level === "stop");
    return {
      said,
      findings:
        problem && !stopped ? [{ key: "problem", level: "stop", text: problem, remedies: [] }, ...findings] : findings,
    };
  },
);

/** Gives the newest revisions to students. Returns the assignments made, and what undoes it. */
export const assignResources = act("assign resources", AssignForm, aboutForm, async ({ db, visitor, now }, form) => {
  const { looked, list, said, problem } = await prepareAssigning(db, visitor, form, null, now);
  const stop = lastLook(looked).find(({ level }) => level === "stop");
  if (stop) throw new ActionError({ problem: stop.text });
  if (problem) throw new ActionError({ problem });
  return { ...(await giveWork(db, visitor.id, now, list)), said };
});

/** Calls work back from its students, or gives it again. What they answered is kept. */
export const callBack = act(
  "change assignments",
  z.object({
    assignments: z.array(Id).min(1).max(400, "You can change up to 400 assignments at once. Nothing was changed."),
    back: z.boolean(),
  }),
  (input) => ({ assignments: input.assignments }),
  async ({ db, now }, input) => {
    await db.transaction(async (tx) => {
      for (const id of input.assignments) {
        await assignments.setCalledBack(tx, id, input.back ? now : null);
        await announceWork(tx, id);
      }
    });
    return {};
  },
);

/** In which order students meet work that is due at one moment. */
export const orderWork = act(
  "change assignments",
  z.object({ assignments: z.array(Id).min(2).max(60) }),
  (input) => ({ assignments: input.assignments }),
  async ({ db, visitor, now }, input) => {
    const ids = input.assignments;
    if (new Set(ids).size < ids.length) throw new ActionError("thereTwice");
    const event = await db.transaction(async (tx) => {
      const before = { places: [], order: await positionsOf(tx, ids) };
      await setPositions(
        tx,
        ids.map((id, at) => ({ id, position: at + 1 })),
      );
      const after = { places: [], order: await positionsOf(tx, ids) };
      const what = "put work in another order";
      return addEvent<PlanState>(tx, { person: visitor.id, at: now, what, before, after });
    });
    return { event };
  },
);

const Times = z.object({
  assignment: Id,
  opens: z.string().max(30),
  due: z.string().max(30),
  closes: Closes,
});

/** The assignment at the times typed; refused where they cannot be read or cannot be. */
async function atTimes(db: Db, visitor: Visitor, input: z.infer<typeof Times>, now: Date) {
  const assignment = (await assignments.assignmentById(db, input.assignment))!;
  const opens = fromWallClock(input.opens, visitor.zone);
  const due = fromWallClock(input.due, visitor.zone);
  if (!opens) throw new ActionError("sayWhenOpens", "opens");
  if (!due) throw new ActionError("sayWhenDue", "due");
  if (due <= now && due.getTime() !== assignment.due.getTime())
    throw new ActionError(problemOf("pastOldKept", { when: formatMoment(due, visitor.zone, now) }), "due");
  if (due <= opens) throw new ActionError("dueBeforeOpensOldKept", "due");
  const meeting = opens.getTime() === assignment.opens.getTime() ? assignment.meeting : null;
  const closes = closingMoment(input.closes, due, visitor.zone, now);
  if (closes && "reason" in closes) throw new ActionError({ problem: closes.reason }, "closes");
  const times = { opens, due, closes, meeting };
  const students = (await recipients.recipientsOf(db, input.assignment)).map(({ student }) => student);
  // What is over already was looked at when it still could be changed.
  const found = due <= now ? [] : await lookAtMoved(db, visitor, assignment, students, times, now);
  return { times, found };
}

/** What the last look says of other times, while she chooses them. Changes nothing. */
export const lookAtTimes = act(
  "change assignment",
  Times,
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input): Promise<{ findings: Finding[] }> => ({
    findings: (await atTimes(db, visitor, input, now)).found,
  }),
);

/** Other times, on the school's clock. Students with more time keep it. Returns what undoes it. */
export const changeTimes = act(
  "change assignment",
  Times,
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const { times } = await atTimes(db, visitor, input, now);
    const event = await changePlaces(db, visitor.id, now, "changed the times of a piece of work", [
      { id: input.assignment, ...times },
    ]);
    return { event };
  },
);

/** More of the class get it: the newest revision, with the time each of them has. */
export const addStudents = act(
  "change assignment",
  z.object({ assignment: Id, students: z.array(Id).min(1).max(400) }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const assignment = (await assignments.assignmentById(db, input.assignment))!;
    const resource = await resourceById(db, assignment.resource);
    if (!resource?.head) throw new ActionError("notPublishedNow");
    const revision = resource.head;
    const roster = await studentsOf(db, assignment.class);
    const calendar = await calendarOf(db, assignment.school);
    const added = roster
      .filter(({ id }) => input.students.includes(id))
      .map(({ id, factor }) => {
        const own = factor === 1 ? null : withExtraTime(calendar, assignment, factor);
        return { student: id, revision, factor, due: own?.due ?? null, closes: own?.closes ?? null };
      });
    const made = { by: visitor.id, at: now, what: "assigned work to more students" };
    const { event } = await changeWork(db, made, [input.assignment], (tx) =>
      recipients.addRecipients(tx, input.assignment, added),
    );
    return { event };
  },
);

/** Takes it from a student who has not begun. */
export const removeStudent = act(
  "change assignment",
  z.object({ assignment: Id, student: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const made = { by: visitor.id, at: now, what: "took work from a student" };
    const { event } = await changeWork(db, made, [input.assignment], async (tx) => {
      if (!(await recipients.removeRecipient(tx, input.assignment, input.student)))
        throw new ActionError("studentHasBegun");
    });
    return { event };
  },
);

/** Those who have not begun get the newest revision; those who have go on with what they began. */
export const takeNewest = act(
  "change assignment",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const made = { by: visitor.id, at: now, what: "gave students the newest revision" };
    const { event, value: changed } = await changeWork(db, made, [input.assignment], (tx) =>
      recipients.useNewest(tx, input.assignment),
    );
    return { event, changed };
  },
);
