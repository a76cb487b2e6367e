import type { Rubric } from "@/core/marking/rubric";
import { one, type Queryable } from "../engine/db";

export interface KeptRubric {
  id: number;
  owner: number;
  content: Rubric;
}

const kept = `r.id, r.owner_id owner, r.content`;

/** A teacher's rubrics as they are now, by name. */
export const rubricsOf = (db: Queryable, owner: number): Promise<KeptRubric[]> =>
  db.query(
    `select ${kept} from rubric r where r.owner_id = $1 and r.put_away is null
      order by lower(r.content ->> 'name'), r.id`,
    [owner],
  );

export async function rubricById(db: Queryable, id: number): Promise<KeptRubric | undefined> {
  const rows = await db.query<KeptRubric>(`select ${kept} from rubric r where r.id = $1`, [id]);
  return rows[0];
}

/** What the questions of a piece of work are marked by, where that is a rubric; by the question's id. */
export async function waysOf(db: Queryable, assignment: number): Promise<Record<string, KeptRubric>> {
  const rows = await db.query<KeptRubric & { question: string }>(
    `select m.question_id question, ${kept} from marked_by m join rubric r on r.id = m.rubric_id where m.assignment_id = $1`,
    [assignment],
  );
  return Object.fromEntries(rows.map(({ question, ...rubric }) => [question, rubric]));
}

/** From now on a question is marked by this rubric; null: by its marks. */
export async function setWay(
  tx: Queryable,
  of: { assignment: number; question: string; rubric: number | null },
): Promise<void> {
  await tx.query("delete from marked_by where assignment_id = $1 and question_id = $2", [of.assignment, of.question]);
  if (of.rubric === null) return;
  await tx.query("insert into marked_by (assignment_id, question_id, rubric_id) values ($1, $2, $3)", [
    of.assignment,
    of.question,
    of.rubric,
  ]);
}

/**
 * Keeps a rubric; where it `replaces` one, that is put away, and what was still to be marked by it is marked by this. Undefined:
 * the one it replaces is not hers, or is put away already.
 */
export async function addRubric(
  tx: Queryable,
  of: { owner: number; content: Rubric; replaces: number | null; at: Date },
): Promise<number | undefined> {
  if (of.replaces !== null && !(await putAwayRubric(tx, { owner: of.owner, rubric: of.replaces, at: of.at })))
    return undefined;
  const { id } = await one<{ id: number }>(
    tx,
    "insert into rubric (owner_id, content, replaces_id, created) values ($1, $2, $3, $4) returning id",
    [of.owner, JSON.stringify(of.content), of.replaces, of.at],
  );
  if (of.replaces !== null)
    await tx.query("update marked_by set rubric_id = $2 where rubric_id = $1", [of.replaces, id]);
  return id;
}

/** Puts a rubric away, or brings it back (`at` null). False: it is not hers, or it is so already. */
export async function putAwayRubric(
  tx: Queryable,
  of: { owner: number; rubric: number; at: Date | null },
): Promise<boolean> {
  const rows = await tx.query(
    `update rubric set put_away = $3 where id = $2 and owner_id = $1 and (put_away is null) = ($3::timestamptz is not null)
      returning id`,
    [of.owner, of.rubric, of.at],
  );
  return rows.length > 0;
}
