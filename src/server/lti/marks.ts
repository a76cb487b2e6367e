import type { Db } from "@/data/engine/db";
import {
  coursesWithWork,
  marksToSend,
  noteMarkFailed,
  noteMarkSent,
  setLineItem,
  type MarkToSend,
} from "@/data/lti/handed-over";
import {
  courseById,
  learnSubjects,
  subjectsOf,
  systemById,
  type OtherCourse,
  type OtherSystem,
} from "@/data/lti/systems";
import { judge } from "../results/judge";
import { keepDoing } from "../web/jobs";
import { log } from "../web/log";
import { NoAnswer } from "../web/ask-elsewhere";
import { lineItemsOf, membersOf, sendScore } from "./services";

const EVERY_MS = 10_000;
const LONGEST_MS = 5 * 60_000;
const FIRST_WAIT_MS = 15_000;
const LONGEST_WAIT_MS = 3_600_000;

/** Twice as long each time, an hour at most. */
export const waitAfter = (tries: number): number => Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.min(tries, 12));

/**
 * Sends what is to go to one course. What cannot go is noted with its reason and tried again later: a child who is in no course there, a
 * column that was deleted there, a course site that does not answer.
 */
async function sendTo(
  db: Db,
  system: OtherSystem,
  course: OtherCourse,
  marks: readonly MarkToSend[],
  now: Date,
): Promise<void> {
  const failed = (mark: MarkToSend, problem: string) =>
    noteMarkFailed(db, course.id, { ...mark, nextTry: new Date(now.getTime() + waitAfter(mark.tries)), problem });
  try {
    let subjects = await subjectsOf(db, system.id);
    if (marks.some(({ student }) => !subjects.has(student))) {
      await learnSubjects(db, system, await membersOf(db, system, course));
      subjects = await subjectsOf(db, system.id);
    }
    const urls = new Map<string, string>();
    if (marks.some(({ lineItemUrl }) => !lineItemUrl))
      for (const { id, resourceId } of await lineItemsOf(db, system, course)) if (resourceId) urls.set(resourceId, id);
    for (const mark of marks) {
      const lineItemUrl = mark.lineItemUrl ?? urls.get(mark.item);
      const subject = subjects.get(mark.student);
      if (!lineItemUrl || !subject) {
        await failed(
          mark,
          subject ? "There is no column for it in the course." : "Somebody is not in the course there.",
        );
        continue;
      }
      if (!mark.lineItemUrl) await setLineItem(db, course.id, mark.item, lineItemUrl);
      try {
        await sendScore(db, system, lineItemUrl, { subject, gained: mark.gained, outOf: mark.outOf, at: now });
        await noteMarkSent(db, course.id, { ...mark, at: now });
      } catch (error) {
        // Only this one is refused: the others may go.
        if (!(error instanceof NoAnswer) || error.status === 0 || error.status >= 500) throw error;
        await failed(mark, error.message);
      }
    }
  } catch (error) {
    if (!(error instanceof NoAnswer)) throw error;
    for (const mark of await marksToSend(db, course.id, now)) await failed(mark, error.message);
  }
}

/** Sends every mark that is not there yet, or is another by now. */
export async function sendMarks(db: Db, now: Date): Promise<void> {
  for (const { course: id, system: systemId, works } of await coursesWithWork(db)) {
    try {
      await judge(db, works);
      const marks = await marksToSend(db, id, now);
      if (marks.length === 0) continue;
      const [course, system] = [await courseById(db, id), await systemById(db, systemId)];
      if (course && system) await sendTo(db, system, course, marks, now);
    } catch (error) {
      // One course that goes wrong keeps no other waiting.
      log.error({ course: id, error: (error as Error).message }, "marks were not sent");
    }
  }
}

/** Looks every ten seconds; returns what ends it. */
export const keepSendingMarks = (db: Db): (() => void) =>
  keepDoing(
    db,
    {
      ...{ name: "send marks back", everyMs: EVERY_MS - 1_000, longestMs: LONGEST_MS },
      work: (now) => sendMarks(db, now),
    },
    EVERY_MS,
  );
