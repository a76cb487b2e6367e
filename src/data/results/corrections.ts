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

/** False: there is none that stands. */
export async function takeBackCorrection(
  db: Queryable,
  of: { assignment: number; correction: number; at: Date },
): Promise<boolean> {
  const rows = await db.query(
    `update question_correction set taken_back = $3 where id = $2 and assignment_id = $1 and taken_back is null returning id`,
    [of.assignment, of.correction, of.at],
  );
  return rows.length > 0;
}
