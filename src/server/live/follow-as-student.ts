import { runningLesson } from "@/data/live/lessons";
import { putAt } from "@/data/live/places";
import type { Db } from "@/data/engine/db";
import { notesAllowed, stepNotesOf } from "@/data/live/step-notes";
import { schoolOf } from "@/data/assign/assignments";
import { log } from "../web/log";
import { noticeIn, watch } from "../web/watch";
import type { FollowEvent } from "./lesson-view";
import type { SendEvent } from "../web/live-stream";
import { follow } from "./follow";
import { screenIsThere } from "./screens";

/** Follows as one student, who is there as long as her screen is. One who comes late is where the class is. */
export async function followAsStudent(
  db: Db,
  assignment: number,
  student: number,
  send: SendEvent,
): Promise<() => void> {
  const leave = await screenIsThere(db, assignment, student);
  const stop = await follow(db, assignment, send);
  const lesson = await runningLesson(db, assignment);
  if (lesson?.state.phase === "running" && lesson.state.pace === "together")
    await putAt(db, { assignment, students: [student], step: lesson.state.step, at: new Date() });
  const tellNotes = async () => {
    const notes = await stepNotesOf(db, assignment, student);
    const event: FollowEvent = {
      kind: "notes",
      notes,
      allowed: await notesAllowed(db, await schoolOf(db, assignment)),
    };
    send(JSON.stringify(event));
  };
  const again = () =>
    void tellNotes().catch((error: Error) => log.warn({ error: error.message }, "notes could not be told"));
  const stopNotes = await watch(
    db,
    "note",
    assignment,
    (payload) => (noticeIn(payload) as { student: number }).student === student && again(),
    again,
  );
  await tellNotes();
  return () => {
    stopNotes();
    stop();
    leave();
  };
}
