import type { Queryable } from "../engine/db";

export interface Recipient {
  student: number;
  name: string;
  revision: number;
  resource: number;
  title: string;
  factor: number;
  ownDue: Date | null;
  begun: boolean;
  /** The picture the student is known by; null: none was chosen. */
  badge: number | null;
}

/** Who gets an assignment, in which version and with how much time, by name. */
export async function recipientsOf(db: Queryable, assignment: number): Promise<Recipient[]> {
  return db.query<Recipient>(
    `select r.student_id student, p.given_name || ' ' || p.family_name as name, r.revision_id revision, v.resource_id resource,
            coalesce(v.document -> 'title' ->> (v.document -> 'languages' ->> 0), '') title,
            r.time_factor::float8 factor, r.own_due "ownDue", p.badge,
            exists (select 1 from attempt t where t.recipient_id = r.id) begun
       from recipient r join person p on p.id = r.student_id join revision v on v.id = r.revision_id
      where r.assignment_id = $1 order by p.given_name, p.family_name`,
    [assignment],
  );
}

/** Adds students of the assignment's class; those who have it stay as they are. */
export async function addRecipients(
  tx: Queryable,
  assignment: number,
  students: readonly {
    student: number;
    revision: number;
    factor: number;
    due: Date | null;
    closes: Date | null;
  }[],
): Promise<void> {
  await tx.query(
    `insert into recipient (assignment_id, student_id, revision_id, time_factor, own_due, own_closes)
     select a.id, r.student, r.revision, r.factor, r.due, r.closes
       from jsonb_to_recordset($2::jsonb) as r(student int, revision int, factor numeric, due timestamptz, closes timestamptz)
       join assignment a on a.id = $1 join enrolled n on n.class_id = a.class_id and n.student_id = r.student
     on conflict (assignment_id, student_id) do nothing`,
    [assignment, JSON.stringify(students)],
  );
}

/** Takes it from a student who has not begun; one who has keeps it, and false is returned. */
export async function removeRecipient(tx: Queryable, assignment: number, student: number): Promise<boolean> {
  const gone = await tx.query(
    `delete from recipient r where r.assignment_id = $1 and r.student_id = $2
       and not exists (select 1 from attempt t where t.recipient_id = r.id) returning 1`,
    [assignment, student],
  );
  return gone.length > 0;
}

/** Gives the newest revision of what each of them has to those who have not begun. Returns how many got another. */
export async function useNewest(tx: Queryable, assignment: number): Promise<number> {
  const changed = await tx.query(
    `update recipient r set revision_id = w.head_revision_id
       from revision v join resource w on w.id = v.resource_id
      where r.assignment_id = $1 and v.id = r.revision_id and w.head_revision_id is not null and w.head_revision_id <> r.revision_id
        and not exists (select 1 from attempt t where t.recipient_id = r.id) returning 1`,
    [assignment],
  );
  return changed.length;
}
