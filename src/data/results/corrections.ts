import type { Correction, Corrections } from "@/core/results/correction";
import type { Queryable } from "../engine/db";

/** A correction as it is on record. */
export interface KeptCorrection {
  id: number;
  question: string;
  correction: Correction;
  /** Given and family name. */
  by: string;
  at: Date;
}

/** Those that stand, in the order they were made. */
export const standingCorrections = (db: Queryable, assignment: number): Promise<KeptCorrection[]> =>
  db.query(
    `select c.id, c.question_id question, c.correction, p.given_name || ' ' || p.family_name "by", c.at
       from question_correction c join person p on p.id = c.made_by
      where c.assignment_id = $1 and c.taken_back is null order by c.id`,
    [assignment],
  );

/** The same by question, for marking. */
export async function correctionsOf(db: Queryable, assignment: number): Promise<Corrections> {
  const found: Record<string, Correction[]> = {};
  for (const { question, correction } of await standingCorrections(db, assignment))
    (found[question] ??= []).push(correction);
  return found;
}

/** Returns its number. Made twice, from two windows, it is one. */
export async function addCorrection(
  db: Queryable,
  of: { assignment: number; question: string; correction: Correction; by: number; at: Date },
): Promise<number> {
  const [row] = await db.query<{ id: number }>(
    `with there as (
       select id from question_correction
        where assignment_id = $1 and question_id = $2 and correction = $3::jsonb and taken_back is null
     ), made as (
       insert into question_correction (assignment_id, question_id, correction, made_by, at)
       select $1::int, $2, $3::jsonb, $4::int, $5::timestamptz where not exists (select 1 from there) returning id
     )
     select id from there union all select id from made limit 1`,
    [of.assignment, of.question, JSON.stringify(of.correction), of.by, of.at],
  );
  return row!.id;
}

/** Notes from which to which revision a correction has changed the teacher's own version. */
export async function setFixed(db: Queryable, correction: number, of: { from: number; to: number }): Promise<void> {
  await db.query("update question_correction set fixed_from = $2, fixed_to = $3 where id = $1", [
    correction,
    of.from,
    of.to,
  ]);
}

/** Undefined: there is none that stands. `fixed`: the revisions of the teacher's own version it has changed. */
export async function takeBackCorrection(
  db: Queryable,
  of: { assignment: number; correction: number; at: Date },
): Promise<{ by: number; fixed: { from: number; to: number } | null } | undefined> {
  const [row] = await db.query<{ by: number; from: number | null; to: number | null }>(
    `update question_correction set taken_back = $3 where id = $2 and assignment_id = $1 and taken_back is null
     returning made_by "by", fixed_from "from", fixed_to "to"`,
    [of.assignment, of.correction, of.at],
  );
  if (!row) return undefined;
  const { by, from, to } = row;
  return { by, fixed: from !== null && to !== null ? { from, to } : null };
}
