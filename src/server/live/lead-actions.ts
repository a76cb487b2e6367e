"use server";
import { z } from "zod";
import { plainForm } from "@/core/assign/plain-form";
import { toWallClock } from "@/core/calendar/format-moment";
import { newLesson } from "@/core/live/lesson";
import { lastLook } from "@/core/assign/last-look";
import { assignmentById, assignmentsOf } from "@/data/assign/assignments";
import { extendJoinCode, studentsOf } from "@/data/classes/classes";
import { pairsApart } from "@/data/classes/groups";
import type { Db } from "@/data/engine/db";
import * as lessons from "@/data/live/lessons";
import { setAsked } from "@/data/live/places";
import { addStepNote } from "@/data/live/step-notes";
import { groupsOf } from "@/data/plan/plan";
import { prepareAssigning } from "../assign/assigning";
import { lastResultsOf } from "../classes/last-results";
import { newJoinCode } from "../classes/new-join-code";
import { changePlaces, giveWork } from "../plan/move-work";
import { nextLesson } from "./next-lesson";
import { putPageBack as putBack } from "./shared-page";
import { act, ActionError } from "../web/act";

const Id = z.number().int().positive();

/** The longest a lesson usually takes: its code is good, and work that is only for it is open, for that long. Milliseconds. */
const LESSON_MS = 90 * 60_000;

/** Opens the lobby of a piece of work; a lesson that runs already is joined. The class gets a code when it has none. */
async function openLobby(db: Db, assignment: number, by: number, now: Date): Promise<void> {
  const assigned = (await assignmentById(db, assignment))!;
  if (assigned.calledBack) throw new ActionError("calledBack");
  // Planned for later: it opens with the lobby.
  if (assigned.opens > now) {
    if (assigned.due <= now) throw new ActionError("dueAlready");
    const { due, closes, meeting } = assigned;
    await changePlaces(db, by, now, "opened a piece of work to lead it", [
      { id: assignment, opens: now, due, closes, meeting },
    ]);
  }
  await db.transaction(async (tx) => {
    const opened = await lessons.openLesson(tx, { assignment, by, state: newLesson(), at: now });
    if (!opened) return;
    await lessons.announceLesson(tx, assignment);
    await lessons.announceToClass(tx, assigned.class);
  });
  // A code that is about to end would leave those who come later outside; those who came in by it stay in.
  const until = new Date(now.getTime() + LESSON_MS);
  if (!(await extendJoinCode(db, assigned.class, until, now)))
    await newJoinCode(db, assigned.class, LESSON_MS / 60_000, now);
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
        // A part of it, or work of some of the children, is another lesson.
        one.part === null &&
        one.recipients >= one.classSize &&
        (one.opens >= since || one.due > now),
    );
    if (has) {
      await openLobby(db, has.id, visitor.id, now);
      return { assignment: has.id };
    }
    const students = (await studentsOf(db, classId)).map(({ id }) => id);
    if (students.length === 0) throw new ActionError("emptyClass");
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
    if (stop || problem) throw new ActionError({ problem: stop?.text ?? problem! });
    const { assignments } = await giveWork(db, visitor.id, now, list);
    await openLobby(db, assignments[0]!, visitor.id, now);
    return { assignment: assignments[0]! };
  },
);

/** The teacher has helped: the child is not waiting any more. */
export const helped = act(
  "lead a lesson",
  z.object({ assignment: Id, student: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, now }, { assignment, student }) => {
    if (!(await lessons.hasAssignment(db, assignment, student))) throw new ActionError("notThere");
    await setAsked(db, { assignment, student, asked: false, at: now });
    return {};
  },
);

/** A short note to one child about one step; kept with the work. */
export const writeNote = act(
  "lead a lesson",
  z.object({ assignment: Id, student: Id, step: z.string().max(40), text: z.string().trim().min(1).max(400) }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    if (!(await addStepNote(db, { ...input, by: visitor.id, at: now }))) throw new ActionError("noteNotSent");
    return {};
  },
);

/** What was not reached goes on in the next lesson of the class. */
export const goOnNextLesson = act(
  "lead a lesson",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment }) => {
    const next = await nextLesson(db, (await assignmentById(db, assignment))!, now, visitor.zone);
    if (!next) throw new ActionError("noLessonLeft");
    return { event: await changePlaces(db, visitor.id, now, "moved work to the next lesson", [next.place]) };
  },
);

/** Puts a page that a group shares back to before one of its changes. */
export const putPageBack = act(
  "lead a lesson",
  z.object({ assignment: Id, page: Id, before: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, now }, input) => {
    if (!(await putBack(db, { ...input, now }))) throw new ActionError("notThere");
    return {};
  },
);

/** What groups are made from while a lesson runs: how everybody reads and did last, who is kept apart, groups that are there. */
export interface Grouping {
  students: { id: number; readingGrade: number | null; lastResult: number | null }[];
  apart: [number, number][];
  saved: { name: string; students: number[] }[];
}

/** Changes nothing. */
export const lookAtGrouping = act(
  "lead a lesson",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, now }, { assignment }): Promise<Grouping> => {
    const { class: classId } = (await assignmentById(db, assignment))!;
    const [students, apart, groups, results] = await Promise.all([
      studentsOf(db, classId),
      pairsApart(db, classId),
      groupsOf(db, [classId]),
      lastResultsOf(db, classId, now),
    ]);
    return {
      students: students.map(({ id, readingGrade }) => ({ id, readingGrade, lastResult: results[id] ?? null })),
      apart,
      saved: groups.map(({ name, students: members }) => ({ name, students: members })),
    };
  },
);
