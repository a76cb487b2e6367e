"use server";
import { z } from "zod";
import { AssignmentForm, readWhen } from "@/core/assign/assignment";
import { fromWallClock, sayMoment } from "@/core/calendar/wall-clock";
import * as assignments from "@/data/assignments";
import { resourceById } from "@/data/resources";
import { announceWork } from "@/data/work";
import { act, Refused } from "../act";

const Id = z.number().int().positive();

/** Gives a resource's newest revision to students of a class. Returns the assignment's id. */
export const assignResource = act("assign resource", AssignmentForm, async ({ db, visitor, now }, form) => {
  const when = readWhen(form, visitor.zone, now);
  if ("reason" in when) throw new Refused(when.reason, when.field);
  const resource = await resourceById(db, form.resource);
  if (!resource?.head) throw new Refused("Publish it first: students get what is published.");
  const revision = resource.head;
  const assignment = await db.transaction((tx) =>
    assignments.addAssignment(tx, {
      class: form.class,
      resource: form.resource,
      revision,
      students: form.students,
      madeBy: visitor.id,
      made: now,
      ...when,
      tries: form.tries,
      keep: form.keep,
      checking: form.checking,
    }),
  );
  return { assignment };
});

/** Calls work back from its students, or gives it again. What they answered is kept. */
export const callBack = act(
  "change assignment",
  z.object({ assignment: Id, back: z.boolean() }),
  async ({ db, now }, given) => {
    await assignments.setCalledBack(db, given.assignment, given.back ? now : null);
    await announceWork(db, given.assignment);
    return {};
  },
);

/** Another due date, on the school's clock. */
export const changeDue = act(
  "change assignment",
  z.object({ assignment: Id, due: z.string().max(30) }),
  async ({ db, visitor, now }, given) => {
    const due = fromWallClock(given.due, visitor.zone);
    if (!due) throw new Refused("Say when it is due.", "due");
    if (due <= now)
      throw new Refused(`${sayMoment(due, visitor.zone, now)} is already past. The old date is kept.`, "due");
    const assignment = (await assignments.assignmentById(db, given.assignment))!;
    if (due <= assignment.opens) throw new Refused("It would be due before it opens. The old date is kept.", "due");
    await assignments.setDue(db, given.assignment, due);
    await announceWork(db, given.assignment);
    return {};
  },
);
