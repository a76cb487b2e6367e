import { LessonState } from "@/core/live/lesson";
import type { Queryable } from "../engine/db";
import { OFTEN } from "../engine/often";

/** A lesson that is led, or was. */
export interface Lesson {
  id: number;
  assignment: number;
  ledBy: number;
  /** Her given and family name. */
  leader: string;
  state: LessonState;
  /** Grows by one with every change. */
  version: number;
  opened: Date;
  ended: Date | null;
}

const columns = `l.id, l.assignment_id assignment, l.led_by "ledBy", p.given_name || ' ' || p.family_name leader, l.state, l.version, l.opened, l.ended`;
const read = (row: Lesson | undefined): Lesson | undefined => row && { ...row, state: LessonState.parse(row.state) };

/** A lesson lets go of its class when no teacher's screen was there for this long. Minutes; common practice. */
export const LETS_GO_MINUTES = 15;

/** The lesson that was opened with an assignment and not ended, for those who lead it; undefined: there is none. */
export async function openedLesson(db: Queryable, assignment: number): Promise<Lesson | undefined> {
  const [row] = await db.query<Lesson>(
    `${OFTEN} select ${columns} from lesson l join person p on p.id = l.led_by where l.assignment_id = $1 and l.ended is null`,
    [assignment],
  );
  return read(row);
}

const held = `l.ended is null and l.watched > $2::timestamptz - interval '${LETS_GO_MINUTES} minutes'`;

/** The same, for those who follow it: undefined also where no teacher has been there for a while. */
export async function runningLesson(db: Queryable, assignment: number, now: Date): Promise<Lesson | undefined> {
  const [row] = await db.query<Lesson>(
    `select ${columns} from lesson l join person p on p.id = l.led_by where l.assignment_id = $1 and ${held}`,
    [assignment, now],
  );
  return read(row);
}

/** A teacher's screen is there. True where the lesson had let go of its class: it has it again. */
export async function watchLesson(db: Queryable, assignment: number, now: Date): Promise<boolean> {
  const [row] = await db.query<{ back: boolean }>(
    `with before as (select l.id, not (${held}) back from lesson l where l.assignment_id = $1 and l.ended is null)
     update lesson set watched = $2 from before where lesson.id = before.id returning before.back`,
    [assignment, now],
  );
  return row?.back ?? false;
}

/** The last lesson led with an assignment, ended or not. */
export async function lastLesson(db: Queryable, assignment: number): Promise<Lesson | undefined> {
  const [row] = await db.query<Lesson>(
    `select ${columns} from lesson l join person p on p.id = l.led_by
      where l.assignment_id = $1 order by l.opened desc, l.id desc limit 1`,
    [assignment],
  );
  return read(row);
}

/** Opens the lobby. False where a lesson runs already. */
export async function openLesson(
  tx: Queryable,
  of: { assignment: number; by: number; state: LessonState; at: Date },
): Promise<boolean> {
  const rows = await tx.query(
    `insert into lesson (assignment_id, led_by, state, opened, watched) values ($1, $2, $3::jsonb, $4, $4)
     on conflict (assignment_id) where ended is null do nothing returning id`,
    [of.assignment, of.by, JSON.stringify(of.state), of.at],
  );
  return rows.length > 0;
}

/**
 * Writes the next state, and says so to everybody who follows, in one statement: a transaction would keep the database from
 * everybody else while it waits for this process. `by`: who leads from now on; `told`: what followers are told, where it fits.
 * Returns the version; undefined when somebody else has changed it meanwhile, and nothing is written.
 */
export async function writeLesson(
  db: Queryable,
  lesson: Pick<Lesson, "id" | "assignment" | "version">,
  of: { state: LessonState; by: number; ended: Date | null; told: string | null },
): Promise<number | undefined> {
  const [row] = await db.query<{ version: number }>(
    `${OFTEN} with written as (
       update lesson set state = $3::jsonb, led_by = $4, ended = $5, version = version + 1
        where id = $1 and version = $2 and ended is null returning version)
     select version, pg_notify('lesson', $6) from written`,
    [lesson.id, lesson.version, JSON.stringify(of.state), of.by, of.ended, of.told ?? String(lesson.assignment)],
  );
  return row?.version;
}

/** Tells everybody who follows the lesson with this work that it has changed. */
export async function announceLesson(db: Queryable, assignment: number): Promise<void> {
  await db.query("select pg_notify('lesson', $1)", [String(assignment)]);
}

/** Tells those who follow something that passes and is not kept: where the teacher points. At most 7,900 bytes. */
export async function announcePassing(db: Queryable, assignment: number, what: object): Promise<void> {
  await db.query("select pg_notify('lesson', $1)", [`${assignment} ${JSON.stringify(what)}`]);
}

/** Tells the students of a class that a lesson has begun or ended: their list of work says so. */
export async function announceToClass(db: Queryable, classId: number): Promise<void> {
  await db.query("select pg_notify('class', $1)", [String(classId)]);
}

/** Of these assignments, those with which a lesson runs now. */
export async function ledNow(db: Queryable, assignments: readonly number[], now: Date): Promise<Set<number>> {
  const rows = await db.query<{ assignment: number }>(
    `select l.assignment_id assignment from lesson l where l.assignment_id = any($1::int[]) and ${held}`,
    [assignments, now],
  );
  return new Set(rows.map(({ assignment }) => assignment));
}

/** What a student answers to a question asked on the spot; false: it is not asked any more. The last counts. */
export async function keepQuickAnswer(
  db: Queryable,
  of: { assignment: number; question: string; student: number; value: unknown; at: Date },
): Promise<boolean> {
  const rows = await db.query(
    `insert into quick_answer as q (lesson_id, question_id, student_id, value, at)
     select l.id, $2, $3, $4::jsonb, $5 from lesson l
      where l.assignment_id = $1 and l.ended is null
        and l.state -> 'quick' ->> 'id' = $2 and (l.state -> 'quick' ->> 'open')::boolean
     on conflict (lesson_id, question_id, student_id) do update set value = excluded.value, at = excluded.at
     returning q.lesson_id`,
    [of.assignment, of.question, of.student, JSON.stringify(of.value), of.at],
  );
  return rows.length > 0;
}

export const quickAnswersOf = (
  db: Queryable,
  lesson: number,
): Promise<{ question: string; student: number; value: unknown; at: Date }[]> =>
  db.query(
    "select question_id question, student_id student, value, at from quick_answer where lesson_id = $1 order by at",
    [lesson],
  );

/** Whether a student has this work. */
export async function hasAssignment(db: Queryable, assignment: number, student: number): Promise<boolean> {
  const rows = await db.query("select 1 from recipient where assignment_id = $1 and student_id = $2", [
    assignment,
    student,
  ]);
  return rows.length > 0;
}
