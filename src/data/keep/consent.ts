import { one, type Queryable } from "../engine/db";

/** What a family has said of a child's voice and pictures of her; null: nothing yet. */
export interface Consent {
  voice: boolean | null;
  picture: boolean | null;
}

/** What a school keeps of children, and for how long. */
export interface ChildRules {
  /** Months after a child has left; null: until the office deletes her. */
  months: number | null;
  /** Whether voice and pictures are kept only of children whose family has said yes. */
  asksConsent: boolean;
}

export const childRulesOf = (db: Queryable, school: number): Promise<ChildRules> =>
  one<ChildRules>(db, 'select keep_months months, asks_consent "asksConsent" from school where id = $1', [school]);

export async function setChildRules(db: Queryable, school: number, { months, asksConsent }: ChildRules): Promise<void> {
  await db.query("update school set keep_months = $2, asks_consent = $3 where id = $1", [school, months, asksConsent]);
}

export async function consentOf(db: Queryable, student: number): Promise<Consent> {
  const rows = await db.query<Consent>("select voice, picture from child_consent where student_id = $1", [student]);
  return rows[0] ?? { voice: null, picture: null };
}

export async function setConsent(
  db: Queryable,
  said: Consent & { student: number; by: number; at: Date },
): Promise<void> {
  await db.query(
    `insert into child_consent (student_id, voice, picture, by_id, at) values ($1, $2, $3, $4, $5)
     on conflict (student_id) do update set voice = $2, picture = $3, by_id = $4, at = $5`,
    [said.student, said.voice, said.picture, said.by, said.at],
  );
}

/** What may be kept of a child: everything, or, where her school asks families first, what hers has said yes to. */
export async function keptOf(db: Queryable, student: number): Promise<{ voice: boolean; picture: boolean }> {
  const rows = await db.query<{ voice: boolean; picture: boolean }>(
    `select not s.asks_consent or coalesce(c.voice, false) voice, not s.asks_consent or coalesce(c.picture, false) picture
       from person p join school s on s.id = p.school_id left join child_consent c on c.student_id = p.id where p.id = $1`,
    [student],
  );
  return rows[0] ?? { voice: true, picture: true };
}

/** Children of a class of whom something asked for may not be kept, by name. */
export const withoutConsent = (
  db: Queryable,
  students: readonly number[],
  kind: "voice" | "picture",
): Promise<{ id: number; name: string }[]> =>
  db.query(
    `select p.id, p.given_name || ' ' || p.family_name as name
       from person p join school s on s.id = p.school_id left join child_consent c on c.student_id = p.id
      where p.id = any($1::int[]) and s.asks_consent and not coalesce(c.${kind}, false) order by name, p.id`,
    [students],
  );
