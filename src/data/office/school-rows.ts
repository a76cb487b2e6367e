import { canonical } from "@/core/resource/changes";
import type { Queryable } from "../engine/db";

/**
 * What a school's office and its rosters change, row by row, so that a change is undone as a whole: the rows that differ
 * are kept before and after. Of people and classes only what a roster or the office says is kept, never a password.
 */
interface Kept {
  table: string;
  key: readonly string[];
  columns: readonly string[];
  /** Which rows are the school's, $1. */
  where: string;
  /** Where a row that came with the change has been used since: then it stays. */
  used?: string;
  /** Its rows are changed and never removed or added here. */
  stays?: true;
}

const ofClasses = "t.class_id in (select id from class where school_id = $1)";
/** Whether any of these tables says something of a row. */
const inAny = (column: string, tables: readonly string[]) =>
  tables.map((table) => `exists (select 1 from ${table} u where u.${column} = t.id)`).join(" or ");

/** Parents first: rows go in the other order. */
const kept: readonly Kept[] = [
  {
    table: "school",
    key: ["id"],
    columns: ["id", "weekdays", "cycle", "district_rule", "commons_rule", "step_notes", "guests"],
    where: "t.id = $1",
    stays: true,
  },
  {
    table: "term",
    key: ["id"],
    columns: ["id", "school_id", "name", "from_date", "to_date"],
    where: "t.school_id = $1",
  },
  {
    table: "bell_time",
    key: ["weekday", "period"],
    columns: ["school_id", "weekday", "period", "starts", "ends"],
    where: "t.school_id = $1",
  },
  {
    table: "day_off",
    key: ["date"],
    columns: ["school_id", "date", "name", "kind", "until_time"],
    where: "t.school_id = $1",
  },
  {
    table: "class",
    key: ["id"],
    columns: [
      ...["id", "school_id", "name", "subject", "year", "grade_from", "grade_to", "roster_id", "homeroom", "archived"],
    ],
    where: "t.school_id = $1",
    // What came with it is gone by then: what is left was added since.
    used: inAny("class_id", [
      "assignment",
      "enrolment",
      "class_teacher",
      "class_meeting",
      "student_group",
      "class_day_off",
    ]),
  },
  {
    table: "person",
    key: ["id"],
    columns: [
      ...["id", "given_name", "family_name", "grade", "roster_id", "family_language", "languages", "reading_grade"],
      ...["time_factor", "active"],
    ],
    where: "t.school_id = $1 and t.kind = 'student' and t.guest_of is null",
    used: `t.password_hash is not null or ${inAny("student_id", ["recipient", "enrolment", "group_member", "student_goal"])}`,
  },
  {
    table: "class_meeting",
    key: ["id"],
    columns: ["id", "class_id", "label", "period", "weekday", "cycle_day"],
    where: ofClasses,
  },
  {
    table: "class_teacher",
    key: ["class_id", "person_id"],
    columns: ["class_id", "person_id", "role", "from_date", "to_date"],
    where: ofClasses,
  },
  {
    table: "enrolment",
    key: ["class_id", "student_id"],
    columns: ["class_id", "student_id", "from_date", "to_date"],
    where: ofClasses,
  },
  { table: "left_class", key: ["class_id", "student_id"], columns: ["class_id", "student_id", "at"], where: ofClasses },
  {
    table: "group_member",
    key: ["group_id", "student_id"],
    columns: ["group_id", "student_id"],
    where: "t.group_id in (select g.id from student_group g join class c on c.id = g.class_id where c.school_id = $1)",
  },
];

type Row = Record<string, unknown>;
/** The school's rows by table, each by its key. */
export type SchoolRows = Record<string, Map<string, Row>>;
/** Rows that a change added, took away or changed; null: there is none on that side. */
export type RowChange = { table: string; before: Row | null; after: Row | null }[];

const keyOf = (row: Row, { key }: Kept) => key.map((column) => String(row[column])).join(" ");

export async function schoolRows(db: Queryable, school: number): Promise<SchoolRows> {
  const rows: SchoolRows = {};
  for (const one of kept) {
    const pairs = one.columns.map((column) => `'${column}', t.${column}`).join(", ");
    const found = await db.query<{ row: Row }>(
      `select jsonb_build_object(${pairs}) "row" from ${one.table} t where ${one.where}`,
      [school],
    );
    rows[one.table] = new Map(found.map(({ row }) => [keyOf(row, one), row]));
  }
  return rows;
}

export function rowsThatDiffer(before: SchoolRows, after: SchoolRows): RowChange {
  return kept.flatMap(({ table }) => {
    const [was, is] = [before[table]!, after[table]!];
    return [...new Set([...was.keys(), ...is.keys()])].flatMap((key) => {
      const change = { table, before: was.get(key) ?? null, after: is.get(key) ?? null };
      return canonical(change.before) === canonical(change.after) ? [] : [change];
    });
  });
}

/** Why rows cannot be put back: "changed" since, "used" since, or about a child who goes to school "elsewhere" now. Null: they are. */
export async function putRowsBack(
  tx: Queryable,
  school: number,
  change: RowChange,
): Promise<"changed" | "used" | "elsewhere" | null> {
  const now = await schoolRows(tx, school);
  const named = change.flatMap(({ before }) => (typeof before?.student_id === "number" ? [before.student_id] : []));
  const elsewhere = await tx.query("select 1 from person where id = any($1::int[]) and school_id <> $2 limit 1", [
    [...new Set(named)],
    school,
  ]);
  if (elsewhere.length > 0) return "elsewhere";
  for (const { table, before, after } of change) {
    const one = kept.find((entry) => entry.table === table)!;
    const is = now[table]!.get(keyOf((after ?? before)!, one)) ?? null;
    if (canonical(is) !== canonical(after)) return "changed";
  }
  for (const one of [...kept].reverse()) {
    const gone = change.filter(({ table, before }) => table === one.table && before === null);
    if (gone.length === 0 || one.stays) continue;
    const rows = JSON.stringify(gone.map(({ after }) => after));
    const same = one.key.map((column) => `t.${column} = g.${column}`).join(" and ");
    const which = `jsonb_populate_recordset(null::${one.table}, $2::jsonb) g where ${one.where} and ${same}`;
    if (one.used) {
      const used = await tx.query(`select 1 from ${one.table} t, ${which} and (${one.used}) limit 1`, [school, rows]);
      if (used.length > 0) return "used";
    }
    await tx.query(`delete from ${one.table} t using ${which}`, [school, rows]);
  }
  for (const one of kept) {
    const back = change.flatMap(({ table, before }) => (table === one.table && before ? [before] : []));
    if (back.length === 0) continue;
    const rows = JSON.stringify(back);
    const others = one.columns.filter((column) => !one.key.includes(column));
    const same = one.key.map((column) => `t.${column} = g.${column}`).join(" and ");
    const set = others.map((column) => `${column} = g.${column}`).join(", ");
    // Rows that are there are changed; the others, of which everything is kept, are added.
    if (set)
      await tx.query(
        `update ${one.table} t set ${set} from jsonb_populate_recordset(null::${one.table}, $2::jsonb) g
          where ${one.where} and ${same}`,
        [school, rows],
      );
    if (one.stays || one.used) continue;
    const list = one.columns.join(", ");
    await tx.query(
      `insert into ${one.table} (${list}) select ${list} from jsonb_populate_recordset(null::${one.table}, $1::jsonb)
       on conflict do nothing`,
      [rows],
    );
  }
  return null;
}
