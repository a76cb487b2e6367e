import { lessonAfter, newLesson, type LessonState } from "@/core/live/lesson";
import { factsOf } from "@/core/resource/facts";
import { stepMinutes } from "@/core/plan/parts";
import type { Queryable } from "@/data/engine/db";
import type { Lesson } from "./town";

/** A lesson that was led when the work opened: every step a little longer or shorter than planned, the last one cut short. */
export async function addLedLesson(
  tx: Queryable,
  of: { assignment: number; lesson: Lesson; by: number; opens: Date; students: readonly number[] },
): Promise<void> {
  const steps = of.lesson.document.steps.filter(({ audience }) => audience !== "teacher");
  const planned = stepMinutes({ ...of.lesson.document, steps }, factsOf(of.lesson.document));
  let at = of.opens.getTime() + 3 * 60_000;
  let state: LessonState = newLesson();
  for (const [nth, { id }] of steps.entries()) {
    state = lessonAfter(state, { do: nth === 0 ? "begin" : "go", step: id, nth }, at) as LessonState;
    await tx.query(
      `insert into step_visit (assignment_id, student_id, step_id, came)
       select $1, student, $3, $4 from unnest($2::int[]) student on conflict do nothing`,
      [of.assignment, of.students, id, new Date(at)],
    );
    const share = nth === steps.length - 1 ? 0.5 : nth % 2 === 0 ? 1.3 : 0.9;
    at += Math.round(planned[nth]! * share) * 60_000;
  }
  state = lessonAfter(state, { do: "end" }, at) as LessonState;
  await tx.query(
    "insert into lesson (assignment_id, led_by, state, opened, watched, ended) values ($1, $2, $3::jsonb, $4, $5, $5)",
    [of.assignment, of.by, JSON.stringify(state), of.opens, new Date(at)],
  );
}
