import type { Got } from "@/core/results/mark-table";
import type { Db } from "@/data/engine/db";
import {
  coursesWithWork,
  noteMarkFailed,
  noteMarkSent,
  sentMarks,
  setLineItem,
  type SentMark,
} from "@/data/lti/handed-over";
import {
  courseById,
  learnSubjects,
  subjectsOf,
  systemById,
  type OtherCourse,
  type OtherSystem,
} from "@/data/lti/systems";
import { gotOf } from "@/data/results/mark-table";
import { judge } from "../results/judge";
import { log } from "../web/log";
import { NoAnswer } from "./ask";
import { lineItemsOf, membersOf, sendScore } from "./services";

const EVERY_MS = 10_000;
const FIRST_WAIT_MS = 15_000;
const LONGEST_WAIT_MS = 3_600_000;

/** Twice as long each time, an hour at most. */
export const waitAfter = (tries: number): number => Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.min(tries, 12));

/** What should stand there: marks, or nothing any more where marks went once. Null: nothing to say. */
function wanted(
  got: Got | undefined,
  before: SentMark | undefined,
): { gained: number | null; outOf: number | null } | null {
  if (got?.kind === "marks") return { gained: got.gained, outOf: got.outOf };
  return before && before.gained !== null ? { gained: null, outOf: null } : null;
}

interface Due {
  assignment: number;
  student: number;
  lineItemUrl: string;
  gained: number | null;
  outOf: number | null;
  tries: number;
}

async function sendTo(db: Db, system: OtherSystem, course: OtherCourse, due: readonly Due[], now: Date): Promise<void> {
  let subjects = await subjectsOf(db, system.id);
  if (due.some(({ student }) => !subjects.has(student))) {
    await learnSubjects(db, system, await membersOf(db, system, course));
    subjects = await subjectsOf(db, system.id);
  }
  for (const mark of due) {
    const subject = subjects.get(mark.student);
    // She is in no roster there: nobody to tell.
    if (subject === undefined) continue;
    try {
      await sendScore(db, system, mark.lineItemUrl, { subject, gained: mark.gained, outOf: mark.outOf, at: now });
      await noteMarkSent(db, course.id, { ...mark, at: now });
    } catch (error) {
      if (!(error instanceof NoAnswer)) throw error;
      const nextTry = new Date(now.getTime() + waitAfter(mark.tries));
      await noteMarkFailed(db, course.id, { ...mark, nextTry, problem: error.message });
      // The rest would wait for the same silence.
      if (error.status === 0) return;
    }
  }
}

/** Sends every mark that is not there yet, or is another by now. What cannot go is tried again, later each time. */
export async function sendMarks(db: Db, now: Date): Promise<void> {
  for (const { course: id, system: systemId, works } of await coursesWithWork(db)) {
    const [course, system] = [await courseById(db, id), await systemById(db, systemId)];
    if (!course || !system) continue;
    try {
      const urls = new Map(works.flatMap((work) => (work.lineItemUrl ? [[work.id, work.lineItemUrl] as const] : [])));
      const without = works.filter(({ lineItemUrl }) => !lineItemUrl);
      const ids = works.map((work) => work.id);
      await judge(db, ids);
      const got = await gotOf(db, ids, now);
      const before = new Map((await sentMarks(db, id)).map((mark) => [`${mark.assignment} ${mark.student}`, mark]));
      const changed = [...got].flatMap(([student, cells]) =>
        ids.flatMap((assignment) => {
          const last = before.get(`${assignment} ${student}`);
          const mark = wanted(cells[assignment], last);
          const isThere = last && last.gained === mark?.gained && last.outOf === mark?.outOf;
          if (!mark || isThere || (last?.nextTry && last.nextTry > now)) return [];
          return [{ assignment, student, ...mark, tries: last?.tries ?? 0 }];
        }),
      );
      if (changed.length === 0) continue;
      if (without.length > 0)
        for (const column of await lineItemsOf(db, system, course)) {
          const work = without.find(({ item }) => item === column.resourceId);
          if (!work) continue;
          urls.set(work.id, column.id);
          await setLineItem(db, id, work.item, column.id);
        }
      const due = changed.flatMap((mark) => {
        const lineItemUrl = urls.get(mark.assignment);
        return lineItemUrl ? [{ ...mark, lineItemUrl }] : [];
      });
      await sendTo(db, system, course, due, now);
    } catch (error) {
      // One course site that is silent keeps no other waiting.
      if (!(error instanceof NoAnswer))
        log.error({ course: id, error: (error as Error).message }, "marks were not sent");
    }
  }
}

/** Looks every ten seconds; returns what ends it. */
export function keepSendingMarks(db: Db): () => void {
  let timer: NodeJS.Timeout;
  let ended = false;
  const again = () => {
    if (ended) return;
    timer = setTimeout(() => {
      void sendMarks(db, new Date())
        .catch((error: Error) => log.error({ error: error.message }, "marks were not sent"))
        .finally(again);
    }, EVERY_MS);
    timer.unref();
  };
  again();
  return () => {
    ended = true;
    clearTimeout(timer);
  };
}
