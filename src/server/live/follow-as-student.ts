import { hasAsked, putAt } from "@/data/live/places";
import type { Db } from "@/data/engine/db";
import { notesAllowedWith, stepNotesOf } from "@/data/live/step-notes";
import { log } from "../web/log";
import type { SendEvent } from "../web/live-stream";
import { noticeIn, watch } from "../web/watch";
import { follow } from "./follow";
import type { FollowEvent } from "./lesson-view";
import type { PageNotice } from "./shared-page";
import { screenIsThere } from "./screens";

/** Follows as one student, who is there as long as her screen is. One who comes late is where the class is. */
export async function followAsStudent(
  db: Db,
  assignment: number,
  student: number,
  send: SendEvent,
): Promise<() => void> {
  const tell = (event: FollowEvent) => void send(JSON.stringify(event));
  const tellNotes = async () =>
    tell({
      kind: "notes",
      notes: await stepNotesOf(db, assignment, student),
      allowed: await notesAllowedWith(db, assignment),
    });
  const again = (what: () => Promise<void>) => () =>
    void what().catch((error: Error) => log.warn({ error: error.message }, "a student could not be told"));
  const leave = await screenIsThere(db, assignment, student);
  const { stop, lesson } = await follow(db, assignment, send);
  if (lesson?.phase === "running" && lesson.pace === "together")
    await putAt(db, { assignment, students: [student], step: lesson.step, at: new Date() });
  const ofHers = (payload: string) => (noticeIn(payload) as { student: number }).student === student;
  const helped = (payload: string) => {
    const { students, asked } = noticeIn(payload) as { students: number[]; asked?: boolean };
    if (asked !== undefined && students.includes(student)) tell({ kind: "asked", asked });
  };
  const readAsked = async () => tell({ kind: "asked", asked: await hasAsked(db, assignment, student) });
  const sharedWith = (payload: string) => {
    const { page, members, step, student: by, change } = noticeIn(payload) as PageNotice;
    if (members?.includes(student) ?? true) tell({ kind: "page", page, step, by, change });
  };
  const toBeRead = () => tell({ kind: "page", page: null, step: null, by: null, change: null });
  const stops = await Promise.all([
    watch(db, "note", assignment, (payload) => ofHers(payload) && again(tellNotes)(), again(tellNotes)),
    watch(db, "place", assignment, helped, again(readAsked)),
    watch(db, "page", assignment, sharedWith, toBeRead),
    watch(
      db,
      "work",
      assignment,
      (payload) => (noticeIn(payload) as { student: number } | null)?.student === student && tell({ kind: "work" }),
      () => undefined,
    ),
  ]);
  await tellNotes();
  await readAsked();
  // What was written on a shared page before it was listened to is to be read.
  toBeRead();
  return () => {
    stops.forEach((one) => one());
    stop();
    leave();
  };
}
