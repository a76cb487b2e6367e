import type { Queryable } from "../engine/db";

/** Rows about a child by table, as they are stored, but for what only lets somebody in. */
export type AboutChild = Record<string, unknown[]>;

/** Work reaches her through what was given: given → tries → answers and marks. */
const throughWork = [
  ["recipient", "t.student_id = $1"],
  ["attempt", "t.recipient_id in (select id from recipient where student_id = $1)"],
  ...["response", "mark_entry", "question_begun"].map((table) => [
    table,
    "t.attempt_id in (select a.id from attempt a join recipient r on r.id = a.recipient_id where r.student_id = $1)",
  ]),
  ["piece", "t.recipient_id in (select id from recipient where student_id = $1)"],
  ["portfolio_link_piece", "t.piece_id in (select id from portfolio_piece where student_id = $1)"],
] as [table: string, where: string][];

/** What lets somebody in is nobody's to read. */
const secret = /hash|token|secret|password/;

const withoutSecrets = (row: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(row).filter(([name]) => !secret.test(name)));

/**
 * Everything that is stored about a child: her own row, every row of every table that names her, and what she did in the work she was given. A table that
 * is added later and names people is in it by itself.
 */
export async function aboutChild(db: Queryable, student: number): Promise<AboutChild> {
  const named = await db.query<{ table: string; columns: string[] }>(
    `select conrelid::regclass::text as "table", array_agg(attname::text) columns
       from pg_constraint join pg_attribute on attrelid = conrelid and attnum = conkey[1]
      where contype = 'f' and confrelid = 'person'::regclass and connamespace = 'public'::regnamespace
        and conrelid::regclass::text not in ('session', 'second_step', 'recovery_code', 'invitation')
      group by 1`,
  );
  const wanted = new Map<string, string>([
    ["person", "t.id = $1"],
    ...named.map(({ table, columns }) => [table, columns.map((column) => `t."${column}" = $1`).join(" or ")] as const),
    ...throughWork,
  ]);
  const found: AboutChild = {};
  for (const [table, where] of [...wanted].sort(([one], [other]) => (one < other ? -1 : 1))) {
    const rows = await db.query<{ row: Record<string, unknown> }>(
      `select to_jsonb(t) as row from ${table} t where ${where} order by to_jsonb(t)`,
      [student],
    );
    if (rows.length > 0) found[table] = rows.map(({ row }) => withoutSecrets(row));
  }
  return found;
}

/** What the work she was given is called, by the number of its assignment. */
export const workTitles = (db: Queryable, student: number): Promise<{ assignment: number; title: string }[]> =>
  db.query(
    `select r.assignment_id assignment, v.document -> 'title' ->> (v.document -> 'languages' ->> 0) title
       from recipient r join revision v on v.id = r.revision_id where r.student_id = $1 order by 1`,
    [student],
  );

/** Somebody looked at what is known of a child; the same again within an hour is one look. */
export async function noteLook(
  db: Queryable,
  look: { student: number; by: number; what: string; at: Date },
): Promise<void> {
  await db.query(
    `insert into child_look (student_id, by_id, what, at) select $1, $2, $3, $4
      where not exists (select 1 from child_look where student_id = $1 and by_id = $2 and what = $3 and at > $4::timestamptz - interval '1 hour')`,
    [look.student, look.by, look.what, look.at],
  );
}

export interface ChildLook {
  name: string;
  what: string;
  at: Date;
}

/** Who looked, the newest first. */
export const looksAt = (db: Queryable, student: number): Promise<ChildLook[]> =>
  db.query<ChildLook>(
    `select p.given_name || ' ' || p.family_name as name, l.what, l.at from child_look l join person p on p.id = l.by_id
      where l.student_id = $1 order by l.at desc limit 500`,
    [student],
  );

/** Whether a student is of a school, and what she is called. */
export async function studentAt(db: Queryable, school: number, student: number): Promise<string | undefined> {
  const rows = await db.query<{ name: string }>(
    `select given_name || ' ' || family_name as name from person
      where id = $1 and school_id = $2 and kind = 'student' and guest_of is null`,
    [student, school],
  );
  return rows[0]?.name;
}
