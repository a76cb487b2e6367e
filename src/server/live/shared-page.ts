import { fromBase64, toBase64 } from "lib0/buffer";
import * as Y from "yjs";
import { viewOf } from "@/core/live/lesson";
import { sharedBy, type Sharing } from "@/core/live/shared";
import { contentsOf, contributionsOf, devicesOf, pageOf, type Contribution } from "@/core/together/contributions";
import { isSharable } from "@/core/together/keeping";
import { makeLike } from "@/core/together/shared-page";
import type { Question } from "@/core/question/question";
import { questionsOf } from "@/core/resource/document";
import { studentDocument } from "@/core/resource/student-view";
import { assignmentById } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import { lastLesson, runningLesson } from "@/data/live/lessons";
import * as pages from "@/data/live/shared-pages";
import { disguiseFor } from "../student/student-work";
import { pageLog } from "./page-log";
import { ledDocument } from "./room";

/** What is told of a change to everybody who follows; those it does not concern are not told on. */
export interface PageNotice {
  page: number;
  step: string;
  members: number[] | null;
  student: number | null;
  /** Null: too long for a notice; it is to be read. */
  change: string | null;
}

/** A page as a child's screen opens it. */
export interface OpenedPage {
  /** Its number: what is done here belongs to it, whatever is shared a moment later. */
  id: number;
  /** A Yjs update with all there is, in base64. */
  state: string;
  /** False: it is over. Whether writing is paused, the lesson says. */
  open: boolean;
  /** What is answered on it. Options have names of the page's own, the same for all who share it. */
  questions: Question[];
}

/** A page as the teacher sees it. */
export interface WatchedPage {
  id: number;
  members: number[] | null;
  state: string;
  questions: Question[];
  /** Whose each device was, to tell who wrote which words. */
  devices: [client: number, student: number | null][];
  contributions: Contribution[];
}

/** One change, in characters of base64; a drawn line of 400 points has some 8,000. */
export const LONGEST_CHANGE = 100_000;
/** What fits in a notice of PostgreSQL beside the rest. */
const LONGEST_TOLD = 7_000;

/** What is answered on a page of a step: as most of the class have it, without what runs by a clock of each child's own. */
async function questionsOfPage(db: Db, of: { assignment: number; lesson: number; step: string }): Promise<Question[]> {
  const assigned = await assignmentById(db, of.assignment);
  const document = assigned && (await ledDocument(db, assigned));
  const step = document && studentDocument(document).steps.find(({ id }) => id === of.step);
  if (!step) return [];
  const disguised = await disguiseFor(db, `page ${of.lesson} ${of.step}`);
  return questionsOf(step)
    .filter(({ type, seconds }) => isSharable(type) && seconds === undefined)
    .map((question) => disguised.question(question));
}

interface Of {
  assignment: number;
  step: string;
  student: number;
  now: Date;
}

async function sharing(db: Db, { assignment, step, student, now }: Of): Promise<(Sharing & { lesson: number }) | null> {
  const lesson = await runningLesson(db, assignment, now);
  const shared = lesson && sharedBy(viewOf(lesson.state), step, student);
  return shared ? { ...shared, lesson: lesson.id } : null;
}
const open = (db: Db, { lesson, members }: { lesson: number; members: number[] | null }, { step, now }: Of) =>
  pages.openSharedPage(db, { lesson, step, members, at: now });

/** The page a child works on with others now, or worked on in the last lesson; null: there is none. */
export async function openPage(db: Db, of: Of): Promise<OpenedPage | null> {
  const shared = await sharing(db, of);
  const lesson = shared?.lesson ?? (await lastLesson(db, of.assignment))?.id;
  if (lesson === undefined) return null;
  const hers = shared
    ? await open(db, shared, of)
    : (await pages.pagesOf(db, lesson, of.step)).filter(({ members }) => members?.includes(of.student) ?? true).at(-1)
        ?.id;
  if (hers === undefined) return null;
  return {
    id: hers,
    state: toBase64((await pageLog(db, hers)).state),
    open: shared !== null,
    questions: await questionsOfPage(db, { ...of, lesson }),
  };
}

/** Why a child's change was not kept. */
export type NotWritten = "not shared" | "frozen" | "unreadable" | "no room";

const notice = (assignment: number, of: PageNotice): string =>
  `${assignment} ${JSON.stringify(of.change && of.change.length > LONGEST_TOLD ? { ...of, change: null } : of)}`;

/** Keeps what a child did to the page she shares, and tells the others. Null: it is kept. */
export async function changePage(db: Db, of: Of & { change: string; page: number | null }): Promise<NotWritten | null> {
  const { assignment, step, student, change } = of;
  const clients = read(change);
  if (!clients) return "unreadable";
  const shared = await sharing(db, of);
  if (!shared) return "not shared";
  if (shared.frozen) return "frozen";
  const current = await open(db, shared, of);
  // Typed a moment before another page was shared: it stays on the page it was typed on, if that is one of hers.
  const earlier = of.page === null || of.page === current ? undefined : await pages.pageIn(db, assignment, of.page);
  const before = earlier?.step === step && earlier.lesson === shared.lesson ? earlier : undefined;
  if (of.page !== null && of.page !== current && !(before && (before.members?.includes(student) ?? true)))
    return "not shared";
  const page = before?.id ?? current;
  const told = notice(assignment, { page, step, members: before ? before.members : shared.members, student, change });
  return (await pages.addChange(db, { page, student, at: of.now, clients, change, told })) ? null : "no room";
}

/** The devices that wrote a change; null: it is not one. It is tried on an empty page, so that nothing broken is ever kept. */
function read(change: string): number[] | null {
  try {
    const update = fromBase64(change);
    Y.applyUpdate(new Y.Doc(), update);
    return contentsOf(update).clients;
  } catch {
    return null;
  }
}

/** What groups, or the whole class, have written on a step in the last lesson with an assignment. */
export async function watchedPages(db: Db, assignment: number, step: string): Promise<WatchedPage[]> {
  const lesson = await lastLesson(db, assignment);
  if (!lesson) return [];
  const found = await pages.pagesOf(db, lesson.id, step);
  if (found.length === 0) return [];
  const questions = await questionsOfPage(db, { assignment, lesson: lesson.id, step });
  return Promise.all(
    found.map(async ({ id, members }): Promise<WatchedPage> => {
      const { changes, state } = await pageLog(db, id);
      return {
        ...{ id, members, questions, state: toBase64(state) },
        devices: [...devicesOf(changes)],
        contributions: contributionsOf(changes),
      };
    }),
  );
}

/** Makes a page as it was before one of its changes; what came after is kept in the record. False: there is no such page. */
export async function putPageBack(
  db: Db,
  of: { assignment: number; page: number; before: number; now: Date },
): Promise<boolean> {
  const page = await pages.pageIn(db, of.assignment, of.page);
  if (!page) return false;
  const { changes } = await pageLog(db, page.id);
  const as = pageOf(changes);
  const since = Y.encodeStateVector(as);
  makeLike(as, pageOf(changes, of.before));
  const update = Y.encodeStateAsUpdate(as, since);
  const { clients, letters, things, removed } = contentsOf(update);
  // Pressed twice, it is as it was already.
  if (letters + things + removed === 0) return true;
  const change = toBase64(update);
  const told = notice(of.assignment, { page: page.id, step: page.step, members: page.members, student: null, change });
  return pages.addChange(db, {
    ...{ page: page.id, student: null, at: of.now, change, told },
    clients,
  });
}
