import type { Keep } from "@/core/results/table";
import type { CheckingTime } from "@/core/resource/question";
import { one, type Queryable } from "./db";

export interface Assignment {
  id: number;
  class: number;
  className: string;
  resource: number;
  title: string;
  madeBy: number;
  opens: Date;
  due: Date;
  tries: number | null;
  keep: Keep;
  checking: CheckingTime;
  calledBack: Date | null;
  recipients: number;
  begun: number;
  handedIn: number;
  classSize: number;
}

const columns = `
  a.id, a.class_id class, c.name "className", a.resource_id resource, f.facts ->> 'title' title, a.made_by "madeBy", a.opens, a.due,
  a.tries, a.keep, a.checking, a.called_back "calledBack",
  (select count(*) from recipient r where r.assignment_id = a.id) recipients,
  (select count(*) from recipient r where r.assignment_id = a.id and exists (select 1 from attempt t where t.recipient_id = r.id)) begun,
  (select count(*) from recipient r where r.assignment_id = a.id
     and exists (select 1 from attempt t where t.recipient_id = r.id and t.handed_in is not null)) "handedIn",
  (select count(*) from enrolment n where n.class_id = a.class_id) "classSize"`;

const from = `from assignment a join class c on c.id = a.class_id join resource_facts f on f.resource_id = a.resource_id`;

/** Assignments of the given classes; what was called back comes along, so that it can be given again. */
export async function assignmentsOf(db: Queryable, classes: readonly number[]): Promise<Assignment[]> {
  return db.query<Assignment>(
    `select ${columns} ${from} where a.class_id = any($1::int[]) order by a.opens desc, a.id desc`,
    [classes],
  );
}

/** Names of the classes to which somebody has given a resource that is still to be done. */
export async function classesWith(db: Queryable, madeBy: number, resource: number, now: Date): Promise<string[]> {
  const rows = await db.query<{ name: string }>(
    `select distinct c.name from assignment a join class c on c.id = a.class_id
      where a.resource_id = $1 and a.made_by = $2 and a.called_back is null and a.due > $3 order by c.name`,
    [resource, madeBy, now],
  );
  return rows.map(({ name }) => name);
}

export async function assignmentById(db: Queryable, id: number): Promise<Assignment | undefined> {
  return (await db.query<Assignment>(`select ${columns} ${from} where a.id = $1`, [id]))[0];
}

export interface NewAssignment {
  class: number;
  resource: number;
  revision: number;
  students: readonly number[];
  madeBy: number;
  made: Date;
  opens: Date;
  due: Date;
  tries: number | null;
  keep: Keep;
  checking: CheckingTime;
}

export async function addAssignment(tx: Queryable, assignment: NewAssignment): Promise<number> {
  const { id } = await one<{ id: number }>(
    tx,
    `insert into assignment (class_id, resource_id, made_by, made, opens, due, tries, keep, checking)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9) returning id`,
    [
      assignment.class,
      assignment.resource,
      assignment.madeBy,
      assignment.made,
      assignment.opens,
      assignment.due,
      assignment.tries,
      assignment.keep,
      assignment.checking,
    ],
  );
  await tx.query(
    `insert into recipient (assignment_id, student_id, revision_id)
     select $1, n.student_id, $3 from enrolment n where n.class_id = $4 and n.student_id = any($2::int[])`,
    [id, assignment.students, assignment.revision, assignment.class],
  );
  await tx.query("update search_entry set uses = uses + 1 where resource_id = $1", [assignment.resource]);
  return id;
}

/** Calls an assignment back from its students, or, with null, gives it again. Answers already given are kept. */
export async function setCalledBack(db: Queryable, id: number, at: Date | null): Promise<void> {
  await db.query("update assignment set called_back = $2 where id = $1", [id, at]);
}

export async function setDue(db: Queryable, id: number, due: Date): Promise<void> {
  await db.query("update assignment set due = $2 where id = $1", [id, due]);
}
