import { runningLesson } from "@/data/live/lessons";
import { putAt } from "@/data/live/places";
import type { Db } from "@/data/engine/db";
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
  return () => {
    stop();
    leave();
  };
}
