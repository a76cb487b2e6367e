import type { Rules } from "@/core/assign/afterwards";
import { canonical } from "@/core/resource/changes";
import { plainSharing, type Sharing } from "@/core/review/sharing";
import type { StepWork } from "@/core/resource/work";
import type { Queryable } from "../engine/db";

/** One student's row of a piece of work, as it is restored. */
interface RecipientWas {
  student: number;
  revision: number;
  factor: number;
  due: Date | null;
  closes: Date | null;
}

/** Everything about a piece of work that is changed afterwards, beside when it is: what undoing needs. Guests come and go by themselves. */
export interface WorkWas extends Omit<Rules, "stepWork"> {
  id: number;
  stepWork: StepWork | null;
  recipients: RecipientWas[];
}

const isNoGuest = "not exists (select 1 from person g where g.id = student_id and g.guest_of is not null)";

export async function workAsItIs(db: Queryable, id: number): Promise<WorkWas> {
  const [rules] = await db.query<Omit<WorkWas, "recipients">>(
    `select a.id, a.tries, a.keep, a.checking, a.open_days "openDays", a.step_work "stepWork",
            coalesce(a.sharing, $2::jsonb) sharing,
            array(select g.tag from assignment_goal g where g.assignment_id = a.id order by g.tag) goals
       from assignment a where a.id = $1`,
    [id, JSON.stringify(plainSharing)],
  );
  const recipients = await db.query<RecipientWas>(
    `select student_id student, revision_id revision, time_factor::float8 factor, own_due due, own_closes closes
       from recipient where assignment_id = $1 and ${isNoGuest} order by student_id`,
    [id],
  );
  return { ...rules!, recipients };
}

/** Step work as it is kept: by step, null where nothing differs from what the document says. */
export const keptStepWork = (list: Rules["stepWork"]): StepWork | null =>
  list.length === 0 ? null : Object.fromEntries(list.map(({ step, work }) => [step, work]));

/** Sharing as it is kept: null where it is plain. */
export const keptSharing = (sharing: Sharing): Sharing | null =>
  canonical(sharing) === canonical(plainSharing) ? null : sharing;

export async function setRules(
  tx: Queryable,
  id: number,
  rules: Omit<Rules, "stepWork"> & { stepWork: StepWork | null },
): Promise<void> {
  await tx.query(
    `update assignment set tries = $2, keep = $3, checking = $4, open_days = $5::date[], step_work = $6::jsonb,
            sharing = $7::jsonb where id = $1`,
    [
      id,
      rules.tries,
      rules.keep,
      rules.checking,
      rules.openDays,
      rules.stepWork && JSON.stringify(rules.stepWork),
      keptSharing(rules.sharing) && JSON.stringify(rules.sharing),
    ],
  );
  await tx.query("delete from assignment_goal where assignment_id = $1 and tag <> all($2::text[])", [id, rules.goals]);
  await tx.query(
    "insert into assignment_goal (assignment_id, tag) select $1, unnest($2::text[]) on conflict do nothing",
    [id, rules.goals],
  );
}

/** One student's version, time and own moments. */
export async function setRecipient(tx: Queryable, assignment: number, was: RecipientWas): Promise<void> {
  await tx.query(
    `update recipient set revision_id = $3, time_factor = $4, own_due = $5, own_closes = $6
      where assignment_id = $1 and student_id = $2`,
    [assignment, was.student, was.revision, was.factor, was.due, was.closes],
  );
}

/** Puts a piece of work back as it was. False, and nothing is changed, where somebody who would lose it has begun. */
export async function setWork(tx: Queryable, was: WorkWas): Promise<boolean> {
  const rows = JSON.stringify(was.recipients);
  const begun = await tx.query(
    `select 1 from recipient r join attempt t on t.recipient_id = r.id
      where r.assignment_id = $1 and r.student_id <> all($2::int[]) and ${isNoGuest} limit 1`,
    [was.id, was.recipients.map(({ student }) => student)],
  );
  if (begun.length > 0) return false;
  await setRules(tx, was.id, was);
  await tx.query(`delete from recipient where assignment_id = $1 and student_id <> all($2::int[]) and ${isNoGuest}`, [
    was.id,
    was.recipients.map(({ student }) => student),
  ]);
  await tx.query(
    `insert into recipient (assignment_id, student_id, revision_id, time_factor, own_due, own_closes)
     select $1, w.student, w.revision, w.factor, w.due, w.closes
       from jsonb_to_recordset($2::jsonb) as w(student int, revision int, factor numeric, due timestamptz, closes timestamptz)
     on conflict (assignment_id, student_id) do update set revision_id = excluded.revision_id, time_factor = excluded.time_factor,
       own_due = excluded.own_due, own_closes = excluded.own_closes`,
    [was.id, rows],
  );
  return true;
}
