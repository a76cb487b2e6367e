import type { Outcome } from "@/core/results/outcomes";
import type { Keep } from "@/core/results/table";
import type { Queryable } from "../engine/db";

/** Work of which something has changed since its outcomes were worked out, and the number of that change. */
export interface Stale {
  assignment: number;
  keep: Keep;
  change: number;
}

export const staleAmong = (db: Queryable, assignments: readonly number[]): Promise<Stale[]> =>
  db.query<Stale>(
    `select a.id assignment, a.keep, c.number change from assignment a join result_change c on c.assignment_id = a.id
       left join judged j on j.assignment_id = a.id
      where a.id = any($1::int[]) and j.change is distinct from c.number order by a.id`,
    [assignments],
  );

/** That many pieces of work whose outcomes are out of date, in whatever class; the latest first. */
export async function anyStale(db: Queryable, limit: number): Promise<number[]> {
  const rows = await db.query<{ id: number }>(
    `select c.assignment_id id from result_change c left join judged j on j.assignment_id = c.assignment_id
      where j.change is distinct from c.number order by c.assignment_id desc limit $1`,
    [limit],
  );
  return rows.map(({ id }) => id);
}

/**
 * Keeps what was worked out of a piece of work as it was at a change. What another has worked out of a later one meanwhile stays.
 * `change` is read before the answers are: what changes in between makes it stale again.
 */
export async function keepOutcomes(
  tx: Queryable,
  { assignment, change }: Pick<Stale, "assignment" | "change">,
  outcomes: readonly Outcome[],
): Promise<void> {
  await tx.query("insert into judged (assignment_id, change) values ($1, 0) on conflict do nothing", [assignment]);
  const [row] = await tx.query<{ change: number }>("select change from judged where assignment_id = $1 for update", [
    assignment,
  ]);
  if (!row || row.change > change) return;
  await tx.query("delete from outcome where assignment_id = $1", [assignment]);
  await tx.query(
    `insert into outcome (assignment_id, student_id, framework, code, gained, out_of, questions, minutes, handed_in)
     select $1, o.student, coalesce(o.standard ->> 'framework', ''), coalesce(o.standard ->> 'code', ''), o.gained, o."outOf",
            o.questions, o.minutes, o."handedIn"
       from jsonb_to_recordset($2::jsonb)
         as o(student int, standard jsonb, gained numeric, "outOf" numeric, questions int, minutes numeric, "handedIn" timestamptz)
       join person p on p.id = o.student`,
    [assignment, JSON.stringify(outcomes)],
  );
  await tx.query("delete from outcome_sum where assignment_id = $1", [assignment]);
  await tx.query(
    `insert into outcome_sum (assignment_id, framework, code, gained, out_of, students)
     select assignment_id, framework, code, sum(gained), sum(out_of), count(*) from outcome
      where assignment_id = $1 and out_of > 0 group by assignment_id, framework, code`,
    [assignment],
  );
  await tx.query("update judged set change = $2 where assignment_id = $1", [assignment, change]);
}

/** Work whose outcomes are up to date. */
export const judgedWork = (db: Queryable): Promise<Pick<Stale, "assignment" | "keep">[]> =>
  db.query(
    `select a.id assignment, a.keep from assignment a join result_change c on c.assignment_id = a.id
       join judged j on j.assignment_id = a.id and j.change = c.number order by a.id`,
  );

/** What is kept of a piece of work. */
export async function keptOutcomes(db: Queryable, assignment: number): Promise<Outcome[]> {
  const rows = await db.query<Omit<Outcome, "standard"> & { framework: string; code: string }>(
    `select student_id student, framework, code, gained::float8 gained, out_of::float8 "outOf", questions, minutes::float8 minutes,
            handed_in "handedIn" from outcome where assignment_id = $1`,
    [assignment],
  );
  return rows.map(({ framework, code, ...rest }) => ({
    ...rest,
    standard: code === "" && framework === "" ? null : { framework, code },
  }));
}
