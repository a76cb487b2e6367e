import { plainRules, type Got, type MarkedWork, type MarkRules } from "@/core/results/mark-table";
import { hers } from "../assign/assignments";
import type { Queryable } from "../engine/db";

/** What of a class is in its marks table: work that opened between two moments. */
export interface MarksAsked {
  teacher: number;
  now: Date;
  class: number;
  from: Date;
  to: Date;
}

/** The columns, by the moment they were due. */
export const markedWorks = (db: Queryable, { teacher, now, ...asked }: MarksAsked): Promise<MarkedWork[]> =>
  db.query<MarkedWork>(
    `select a.id, a.due, f.facts ->> 'title' || coalesce(', ' || a.part, '') title, coalesce(w.weight, 100)::int weight,
            array(select g.tag from assignment_goal g where g.assignment_id = a.id order by g.tag) goals
       from assignment a join class c on c.id = a.class_id join resource_facts f on f.resource_id = a.resource_id
       left join mark_weight w on w.assignment_id = a.id
      where a.class_id = $3 and a.called_back is null and a.opens >= $4 and a.opens < $5 and a.opens <= $2 and ${hers}
      order by a.due, a.id`,
    [teacher, now, asked.class, asked.from, asked.to],
  );

interface GotRow {
  id: number;
  student: number;
  gained: number | null;
  outOf: number | null;
  excused: boolean;
  isOver: boolean;
}

/** What each student has of these pieces of work, by student and then by work. Outcomes must have been judged. */
export async function gotOf(
  db: Queryable,
  works: readonly number[],
  now: Date,
): Promise<Map<number, Record<number, Got>>> {
  // As one value: over a year, reading row after row takes longer than finding them.
  const [{ rows } = { rows: [] }] = await db.query<{ rows: GotRow[] }>(
    `select coalesce(json_agg(g), '[]'::json) rows from (
     select r.assignment_id id, r.student_id student, o.gained::float8 gained, o.out_of::float8 "outOf",
            e.student_id is not null excused, coalesce(r.own_due, a.due) <= $2 as "isOver"
       from recipient r join assignment a on a.id = r.assignment_id
       left join outcome o on o.assignment_id = r.assignment_id and o.student_id = r.student_id and o.framework = '' and o.code = ''
       left join excused e on e.assignment_id = r.assignment_id and e.student_id = r.student_id
      where r.assignment_id = any($1::int[])) g`,
    [works, now],
  );
  const found = new Map<number, Record<number, Got>>();
  for (const { id, student, gained, outOf, excused, isOver } of rows) {
    const got: Got = excused
      ? { kind: "excused" }
      : outOf === null || gained === null
        ? { kind: isOver ? "missing" : "to come" }
        : outOf === 0
          ? { kind: "not read" }
          : { kind: "marks", gained, outOf };
    if (!found.has(student)) found.set(student, {});
    found.get(student)![id] = got;
  }
  return found;
}

export async function markRulesOf(db: Queryable, classId: number): Promise<MarkRules> {
  const rows = await db.query<MarkRules>(
    'select lowest::int lowest, missing, counted_by "by" from mark_rules where class_id = $1',
    [classId],
  );
  return rows[0] ?? plainRules;
}

export async function setMarkRules(tx: Queryable, classId: number, { lowest, missing, by }: MarkRules): Promise<void> {
  await tx.query(
    `insert into mark_rules (class_id, lowest, missing, counted_by) values ($1, $2, $3, $4)
     on conflict (class_id) do update set lowest = excluded.lowest, missing = excluded.missing, counted_by = excluded.counted_by`,
    [classId, lowest, missing, by],
  );
}

export async function setWeight(tx: Queryable, assignment: number, weight: number): Promise<void> {
  await tx.query(
    `insert into mark_weight (assignment_id, weight) values ($1, $2)
     on conflict (assignment_id) do update set weight = excluded.weight`,
    [assignment, weight],
  );
}

/** Excuses a child from work, or no longer. False: she does not have it. */
export async function setExcused(
  tx: Queryable,
  of: { assignment: number; student: number; by: number; at: Date; excused: boolean },
): Promise<boolean> {
  const has = await tx.query("select 1 from recipient where assignment_id = $1 and student_id = $2", [
    of.assignment,
    of.student,
  ]);
  if (has.length === 0) return false;
  if (of.excused)
    await tx.query(
      "insert into excused (assignment_id, student_id, by_id, at) values ($1, $2, $3, $4) on conflict do nothing",
      [of.assignment, of.student, of.by, of.at],
    );
  else await tx.query("delete from excused where assignment_id = $1 and student_id = $2", [of.assignment, of.student]);
  return true;
}
