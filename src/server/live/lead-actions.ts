"use server";
import { z } from "zod";
import { plainForm } from "@/core/assign/plain-form";
import { toWallClock } from "@/core/calendar/format-moment";
import { LessonCommand, lessonAfter, newLesson, type NotNow } from "@/core/live/lesson";
import { JOIN_CODE_MINUTES } from "@/core/student/join-code";
import { lastLook } from "@/core/assign/last-look";
import { GONE_AFTER_MS } from "@/core/live/room";
import { assignmentById, assignmentsOf } from "@/data/assign/assignments";
import { joinCodeOf, studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import * as lessons from "@/data/live/lessons";
import { putAt, setAsked, thereSince } from "@/data/live/places";
import { prepareAssigning } from "../assign/assigning";
import { newJoinCode } from "../classes/new-join-code";
import { changePlaces, giveWork } from "../plan/move-work";
import { act, ActionError, notThere } from "../web/act";

const Id = z.number().int().positive();

/** Opens the lobby of a piece of work; a lesson that runs already is joined. The class gets a code when it has none. */
async function openLobby(db: Db, assignment: number, by: number, now: Date): Promise<void> {
  const given = (await assignmentById(db, assignment))!;
  if (given.calledBack) throw new ActionError("This has been called back. Assign it again before you lead it.");
  // Planned for later: it opens with the lobby.
  if (given.opens > now) {
    if (given.due <= now) throw new ActionError("This was due already. Change its times before you lead it.");
    const { due, closes, meeting } = given;
    await changePlaces(db, by, now, "opened a piece of work to lead it", [
      { id: assignment, opens: now, due, closes, meeting },
    ]);
  }
  await db.transaction(async (tx) => {
    const opened = await lessons.openLesson(tx, { assignment, by, state: newLesson(), at: now });
    if (!opened) return;
    await lessons.announceLesson(tx, assignment);
    await lessons.announceToClass(tx, given.class);
  });
  if (!(await joinCodeOf(db, given.class, now))) await newJoinCode(db, given.class, JOIN_CODE_MINUTES, now);
}

/** Leads work the class has. */
export const leadAssignment = act(
  "lead a lesson",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment }) => {
    await openLobby(db, assignment, visitor.id, now);
    return { assignment };
  },
);

/** How long work that is only for this lesson is open, where no meeting says. Milliseconds. */
const LESSON_MS = 90 * 60_000;
const SAME_DAY_MS = 12 * 3_600_000;

/** Leads a lesson with something from the light table: the class gets it now, unless it has it since this morning. */
export const leadResource = act(
  "lead with a resource",
  z.object({ resource: Id, class: Id }),
  (input) => ({ resource: input.resource, class: input.class }),
  async ({ db, visitor, now }, { resource, class: classId }) => {
    const since = new Date(now.getTime() - SAME_DAY_MS);
    const has = (await assignmentsOf(db, visitor.id, [classId], now)).find(
      (one) =>
        // Where somebody has handed it in already, a lesson with it begins anew for everybody.
        one.resource === resource &&
        !one.calledBack &&
        one.opens <= now &&
        one.handedIn === 0 &&
        (one.opens >= since || one.due > now),
    );
    if (has) {
      await openLobby(db, has.id, visitor.id, now);
      return { assignment: has.id };
    }
    const students = (await studentsOf(db, classId)).map(({ id }) => id);
    if (students.length === 0) throw new ActionError("There is nobody in this class yet.");
    const form = plainForm(
      { resources: [resource], to: [{ class: classId, students }] },
      {
        opens: { kind: "now" },
        due: { kind: "at", at: toWallClock(new Date(now.getTime() + LESSON_MS), visitor.zone) },
        tries: null,
        keep: "last",
      },
    );
    const { looked, list, problem } = await prepareAssigning(db, visitor, form, classId, now);
    const stop = lastLook(looked).find(({ level }) => level === "stop");
    if (stop || problem) throw new ActionError(stop?.text ?? problem!);
    const { assignments } = await giveWork(db, visitor.id, now, list);
    await openLobby(db, assignments[0]!, visitor.id, now);
    return { assignment: assignments[0]! };
  },
);

const whyNot: Record<NotNow, string> = {
  "not begun": "The lesson has not begun yet. Press Begin first.",
  ended: "This lesson has ended. What students answered is kept.",
  "no timer": "There is no timer any more.",
  "pen full": "There is no room for more lines. Wipe some away first.",
  choices: "Give at least two answers to choose from.",
};

/** Changes what all screens share. Anybody who teaches the class may: who did it last leads. */
export const command = act(
  "lead a lesson",
  z.object({ assignment: Id, command: LessonCommand }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment, command: asked }) => {
    const changed = await db.transaction(async (tx) => {
      const lesson = await lessons.lessonToChange(tx, assignment);
      if (!lesson) throw new ActionError("This lesson has ended. What students answered is kept.");
      const state = lessonAfter(lesson.state, asked, now.getTime());
      if (typeof state === "string") throw new ActionError(whyNot[state]);
      const ended = state.phase === "ended" ? now : null;
      const version = await lessons.writeLesson(tx, lesson, { state, by: visitor.id, ended });
      return { state, version };
    });
    const { state } = changed;
    // Screens that follow are where she is: they need not say so themselves.
    if ((asked.do === "go" || asked.do === "begin" || asked.do === "pace") && state.pace === "together") {
      const there = await thereSince(db, assignment, new Date(now.getTime() - GONE_AFTER_MS));
      await putAt(db, { assignment, students: there, step: state.step, at: now });
    }
    if (state.phase === "ended") await lessons.announceToClass(db, (await assignmentById(db, assignment))!.class);
    return changed;
  },
);

/** Where she points, for a moment. */
export const point = act(
  "lead a lesson",
  z.object({
    assignment: Id,
    on: z.string().max(40).nullable(),
    x: z.number().min(-500).max(4000),
    y: z.number().min(-500).max(4000),
  }),
  (input) => ({ assignment: input.assignment }),
  async ({ db }, { assignment, on, x, y }) => {
    await lessons.announcePassing(db, assignment, { kind: "point", on, x: Math.round(x), y: Math.round(y) });
    return {};
  },
);

/** The teacher has helped: the child is not waiting any more. */
export const helped = act(
  "lead a lesson",
  z.object({ assignment: Id, student: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, now }, { assignment, student }) => {
    if (!(await lessons.hasAssignment(db, assignment, student))) throw new ActionError(notThere);
    await setAsked(db, { assignment, student, asked: false, at: now });
    return {};
  },
);
