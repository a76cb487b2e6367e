import { partOf } from "@/core/plan/parts";
import type { StudentWork, Try, Written } from "@/core/results/table";
import type { Queryable } from "../engine/db";
import { readRevision } from "../engine/read-once";
import { countingMarks } from "../marking/marks";
import { lastResponsesOf, responsesOf, type Attempt } from "../student/work";
import { correctionsOf } from "./corrections";

/** When everything in these tries was written, and to what; a line a try, because there may be thousands of answers in a class. */
async function trailsOf(db: Queryable, attempts: readonly number[]): Promise<Map<number, Written[]>> {
  const rows = await db.query<{ attempt: number; trail: [question: string, at: number, checked: boolean][] }>(
    `select r.attempt_id attempt,
            json_agg(json_build_array(r.question_id, floor(extract(epoch from coalesce(r.written, r.given)) * 1000), r.checked)
                     order by coalesce(r.written, r.given), r.id) trail
       from response r where r.attempt_id = any($1::int[]) group by r.attempt_id`,
    [attempts],
  );
  return new Map(
    rows.map(({ attempt, trail }) => [
      attempt,
      trail.map(([question, at, checked]) => ({ question, at: new Date(at), checked })),
    ]),
  );
}

/** Everything that came back for one assignment, with every answer as it was written, a student a row, by name. */
export const workOf = (db: Queryable, assignment: number): Promise<StudentWork[]> => readWork(db, assignment, "all");

/** The same for one student; undefined: it was not assigned to her. */
export const workOfStudent = async (
  db: Queryable,
  assignment: number,
  student: number,
): Promise<StudentWork | undefined> => (await readWork(db, assignment, "all", student))[0];

/** The same with only the last answer to each question: all that marks, times and tables are made of. */
export const workWithLastAnswers = (db: Queryable, assignment: number): Promise<StudentWork[]> =>
  readWork(db, assignment, "last");

async function readWork(
  db: Queryable,
  assignment: number,
  answers: "all" | "last",
  student: number | null = null,
): Promise<StudentWork[]> {
  const [part] = await db.query<{ steps: string[] | null }>("select step_ids steps from assignment where id = $1", [
    assignment,
  ]);
  const recipients = await db.query<{ id: number; student: number; name: string; revision: number; factor: number }>(
    `select r.id, p.id student, p.given_name || ' ' || p.family_name as name, r.revision_id revision,
            r.time_factor::float8 factor
       from recipient r join person p on p.id = r.student_id where r.assignment_id = $1 and ($2::int is null or r.student_id = $2)
        and (p.guest_of is null or exists (select 1 from attempt t where t.recipient_id = r.id))
      order by p.given_name, p.family_name`,
    [assignment, student],
  );
  const attempts = await db.query<Attempt & { recipient: number }>(
    `select t.id, t.number, t.started, t.handed_in "handedIn", t.recipient_id recipient
       from attempt t join recipient r on r.id = t.recipient_id where r.assignment_id = $1 and ($2::int is null or r.student_id = $2)
      order by t.number`,
    [assignment, student],
  );
  const ids = attempts.map((attempt) => attempt.id);
  const [responses, trails] = await (answers === "all"
    ? Promise.all([responsesOf(db, ids), null])
    : Promise.all([lastResponsesOf(db, ids), trailsOf(db, ids)]));
  const byAttempt = new Map<number, Try["responses"]>(attempts.map((attempt) => [attempt.id, []]));
  for (const { attempt, ...response } of responses) byAttempt.get(attempt)!.push(response);

  const documents = new Map<number, StudentWork["document"]>();
  for (const revision of new Set(recipients.map((recipient) => recipient.revision))) {
    documents.set(revision, partOf((await readRevision(db, revision))!.document, part?.steps ?? null));
  }
  const [corrections, marks] = await Promise.all([correctionsOf(db, assignment), countingMarks(db, assignment)]);
  return recipients.map((recipient) => ({
    student: { id: recipient.student, name: recipient.name },
    factor: recipient.factor,
    corrections,
    document: documents.get(recipient.revision)!,
    tries: attempts
      .filter((attempt) => attempt.recipient === recipient.id)
      .map((attempt) => ({
        number: attempt.number,
        startedAt: attempt.started,
        handedInAt: attempt.handedIn,
        responses: byAttempt.get(attempt.id)!,
        trail: trails?.get(attempt.id),
        given: marks.get(`${recipient.student} ${attempt.number}`),
      })),
  }));
}
