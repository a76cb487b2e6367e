import type { RoomEvent, Seated } from "@/core/live/room";
import type { LessonState } from "@/core/live/lesson";
import { assignmentById } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import { announceLesson, openedLesson, watchLesson } from "@/data/live/lessons";
import { stepNotesOf, type StepNote } from "@/data/live/step-notes";
import { log } from "../web/log";
import type { SendEvent } from "../web/live-stream";
import { noticeIn, watch } from "../web/watch";
import { roomOf } from "./room";

/** What the teacher's screen is told. The whole room comes first, and again when something may have been missed. */
export type WatchEvent =
  | { kind: "room"; room: Seated[]; now: number }
  | { kind: "lesson"; lesson: WatchedLesson | null; now: number }
  | { kind: "notes"; notes: StepNote[] }
  /** Something was written on a page that a group shares. */
  | { kind: "page" }
  | RoomEvent;

export interface WatchedLesson {
  state: LessonState;
  version: number;
  leader: string;
  ledBy: number;
}

export async function watchedLesson(db: Db, assignment: number): Promise<WatchedLesson | null> {
  const lesson = await openedLesson(db, assignment);
  return lesson ? { state: lesson.state, version: lesson.version, leader: lesson.leader, ledBy: lesson.ledBy } : null;
}

/** How often it is noted that a teacher's screen is there. */
const STILL_MS = 60_000;

/** Tells a teacher's screen what happens in the room. Returns what ends it. */
export async function watchRoom(db: Db, assignment: number, send: SendEvent): Promise<() => void> {
  // What is told while the room is read waits: the room is as it was before, or after it, and both are added up alike.
  let waiting: WatchEvent[] | null = [];
  const tell = (event: WatchEvent) => (waiting ? void waiting.push(event) : void send(JSON.stringify(event)));
  const problem = (error: Error) => log.warn({ error: error.message }, "a room could not be told");
  const readRoom = async () => {
    const assigned = await assignmentById(db, assignment);
    if (assigned) tell({ kind: "room", room: await roomOf(db, assigned), now: Date.now() });
  };
  const readLesson = async () => tell({ kind: "lesson", lesson: await watchedLesson(db, assignment), now: Date.now() });
  const readNotes = async () => tell({ kind: "notes", notes: await stepNotesOf(db, assignment) });
  const notes = () => void readNotes().catch(problem);
  const room = () => void readRoom().catch(problem);
  const lesson = () => void readLesson().catch(problem);
  const page = () => tell({ kind: "page" });
  const stillWatched = async () => {
    // Those who were let go meanwhile follow again.
    if (await watchLesson(db, assignment, new Date())) await announceLesson(db, assignment);
  };
  const event = (kind: "answers" | "place") => (payload: string) => {
    const notice = noticeIn(payload) as object | null;
    if (notice) tell({ kind, ...notice } as WatchEvent);
    else room();
  };
  const stops = await Promise.all([
    watch(db, "answers", assignment, event("answers"), room),
    watch(db, "place", assignment, event("place"), room),
    watch(db, "note", assignment, notes, notes),
    watch(db, "work", assignment, room, room),
    watch(db, "page", assignment, page, page),
    watch(
      db,
      "lesson",
      assignment,
      (payload) => {
        // Where she points is nothing new to her.
        if ((noticeIn(payload) as { kind: string } | null)?.kind !== "point") lesson();
      },
      lesson,
    ),
  ]);
  const beat = setInterval(() => void stillWatched().catch(problem), STILL_MS);
  beat.unref();
  try {
    await stillWatched();
    const assigned = await assignmentById(db, assignment);
    if (assigned)
      send(JSON.stringify({ kind: "room", room: await roomOf(db, assigned), now: Date.now() } satisfies WatchEvent));
    await readLesson();
    await readNotes();
  } catch (error) {
    problem(error as Error);
  }
  const waited = waiting;
  waiting = null;
  waited.forEach((one) => send(JSON.stringify(one)));
  return () => {
    clearInterval(beat);
    stops.forEach((stop) => stop());
  };
}
