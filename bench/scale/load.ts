import type { Db, Queryable } from "@/data/engine/db";
import { one } from "@/data/engine/db";
import { migrate } from "@/data/engine/migrate";
import { importFramework } from "@/data/find/standards";
import { lesson, newId, publishFor } from "@/data/testing/world";
import { newStep } from "@/core/resource/edit";
import { addBulk } from "@demo/bulk/add";
import { demoFramework } from "@demo/frameworks";
import { choiceQuestion } from "../choice";

/** How much there is of everything, from the number of resources: a tenth as many students, twenty answers a resource. */
export interface Size {
  resources: number;
  students: number;
  responses: number;
}
export const sizeOf = (resources: number): Size => ({
  resources,
  students: Math.max(100, resources / 10),
  responses: Math.max(100, resources / 10) * WORKS * QUESTIONS,
});

const CLASS = 25;
const SCHOOL = 400;
const SCHOOLS_OF_A_DISTRICT = 50;
const CLASSES_OF_A_TEACHER = 4;
const WORKS = 20;
const QUESTIONS = 10;
/** How many lessons are written; the others are these again, under other numbers. */
const WRITTEN = 10_000;

/** Rows in bulk as PostgreSQL itself makes them, without triggers and references, and with the indexes made afterwards. */
async function inBulk(db: Db, tables: readonly string[], fill: (tx: Queryable) => Promise<void>): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.script("set local session_replication_role = replica; set local maintenance_work_mem = '1GB'");
    const indexes = await tx.query<{ name: string; made: string }>(
      `select i.indexrelid::regclass::text as name, pg_get_indexdef(i.indexrelid) made
         from pg_index i left join pg_constraint c on c.conindid = i.indexrelid
        where i.indrelid::regclass::text = any($1::text[]) and c.oid is null`,
      [tables],
    );
    for (const { name } of indexes) await tx.script(`drop index ${name}`);
    await fill(tx);
    for (const { made } of indexes) await tx.script(made);
  });
}

async function addResources(db: Db, count: number, now: Date): Promise<void> {
  const written = Math.min(count, WRITTEN);
  await addBulk(db, { count: written, seed: 7, now });
  const times = Math.ceil(count / written) - 1;
  if (times < 1) return;
  const [{ least, step }] = (await db.query<{ least: number; step: number }>(
    "select min(id) least, max(id) - min(id) + 1 step from resource",
  )) as [{ least: number; step: number }];
  const columnsOf = async (tx: Queryable, table: string, without: readonly string[]) =>
    (
      await tx.query<{ name: string }>(
        "select column_name as name from information_schema.columns where table_schema = 'public' and table_name = $1 and is_generated = 'NEVER' and column_name <> all($2::text[])",
        [table, without],
      )
    ).map(({ name }) => name);
  await inBulk(
    db,
    ["resource", "revision", "shelf_entry", "search_entry", "resource_facts", "resource_uses"],
    async (tx) => {
      const again = async (table: string, key: string, also: Record<string, string> = {}) => {
        const rest = (await columnsOf(tx, table, [key, ...Object.keys(also)])).map((name) => `"${name}"`);
        const [names, values] = [Object.keys(also), Object.values(also)];
        await tx.query(
          `insert into ${table} (${[key, ...names, ...rest].join(", ")}) overriding system value
         select ${[`t.${key} + nth * ${step}`, ...values, ...rest.map((name) => `t.${name}`)].join(", ")}
           from ${table} t, generate_series(1, ${times}) nth where t.${key} >= ${least} and t.${key} < ${least + step}`,
        );
      };
      await again("resource", "id", { head_revision_id: `t.head_revision_id + nth * ${step}` });
      await again("revision", "id", { resource_id: `t.resource_id + nth * ${step}` });
      for (const table of ["shelf_entry", "search_entry", "resource_facts", "resource_uses"])
        await again(table, "resource_id");
      for (const table of ["resource", "revision"])
        await tx.script(`select setval(pg_get_serial_sequence('${table}', 'id'), (select max(id) from ${table}))`);
      await tx.script(`update search_word set entries = entries * ${times + 1};
      truncate search_tally;
      insert into search_tally (district_id, school_id, shelves, facets, entries)
        select district_id, school_id, shelves, facets, count(*) from search_entry where shelves <> 0 group by 1, 2, 3, 4;
      update search_state set version = version + 1`);
    },
  );
}

/** One teacher of those there are, with a class of hers and the first of its works. */
export interface Someone {
  teacher: number;
  district: number;
  school: number;
  class: number;
  assignment: number;
}

async function addSchools(db: Db, size: Size, now: Date): Promise<void> {
  const classes = Math.ceil(size.students / CLASS);
  const schools = Math.ceil(size.students / SCHOOL);
  const districts = Math.ceil(schools / SCHOOLS_OF_A_DISTRICT);
  const teachers = Math.ceil(classes / CLASSES_OF_A_TEACHER);
  await db.script(`
    create table scale_school as select s nth, 0 id, 1 + (s - 1) / ${SCHOOLS_OF_A_DISTRICT} district from generate_series(1, ${schools}) s;
    insert into district (id, name) overriding system value select 100000 + d, 'District ' || d from generate_series(1, ${districts}) d;
    insert into school (id, district_id, name, time_zone) overriding system value
      select 100000 + nth, 100000 + district, 'School ' || nth, 'UTC' from scale_school;
    insert into person (id, district_id, school_id, kind, given_name, family_name, email) overriding system value
      select 1000000 + t, s.district_id, s.id, 'adult', 'Teacher', t::text, 't' || t || '@scale.example'
        from generate_series(1, ${teachers}) t join school s on s.id = 100001 + (t - 1) * ${CLASSES_OF_A_TEACHER * CLASS} / ${SCHOOL};
    insert into person_role select 1000000 + t, 'teacher', 'school' from generate_series(1, ${teachers}) t;
    insert into class (id, school_id, name, subject, year, grade_from, grade_to) overriding system value
      select 1000000 + c, p.school_id, 'Class ' || c, 'science', ${now.getUTCFullYear()}, 5, 5
        from generate_series(1, ${classes}) c join person p on p.id = 1000001 + (c - 1) / ${CLASSES_OF_A_TEACHER};
    insert into class_teacher (class_id, person_id, role)
      select 1000000 + c, 1000001 + (c - 1) / ${CLASSES_OF_A_TEACHER}, 'lead' from generate_series(1, ${classes}) c;
    insert into person (id, district_id, school_id, kind, given_name, family_name, sign_in_name, grade) overriding system value
      select 10000000 + n, s.district_id, s.id, 'student', 'Child', n::text, 'child.' || n, 5
        from generate_series(1, ${size.students}) n join class c on c.id = 1000001 + (n - 1) / ${CLASS} join school s on s.id = c.school_id;
    insert into enrolment (class_id, student_id)
      select 1000001 + (n - 1) / ${CLASS}, 10000000 + n from generate_series(1, ${size.students}) n;
    drop table scale_school`);
}

async function addWork(db: Db, size: Size, now: Date): Promise<void> {
  const owner = 1_000_001;
  const blocks = Array.from({ length: QUESTIONS }, (_, nth) => ({
    ...{ id: newId(), type: "question" as const },
    question: choiceQuestion(nth),
  }));
  const step = { ...newStep("en", "Questions", newId, blocks), id: "step" };
  const { id: resource, revision } = await publishFor(db, owner, lesson("Ten questions", { steps: [step] }));
  const moment = (days: number) => `timestamptz '${new Date(now.getTime() - days * 86_400_000).toISOString()}'`;
  await inBulk(db, ["assignment", "recipient", "attempt", "response"], async (tx) => {
    const classes = Math.ceil(size.students / CLASS);
    await tx.script(`
      insert into assignment (id, class_id, resource_id, made_by, made, opens, due, tries, keep, checking) overriding system value
        select (c - 1) * ${WORKS} + w, 1000000 + c, ${resource}, 1000001 + (c - 1) / ${CLASSES_OF_A_TEACHER}, ${moment(120)},
               ${moment(120)} + w * interval '5 days', ${moment(117)} + w * interval '5 days', 1, 'best', 'at once'
          from generate_series(1, ${classes}) c, generate_series(1, ${WORKS}) w;
      insert into recipient (id, assignment_id, student_id, revision_id) overriding system value
        select (n - 1) * ${WORKS} + w, ((n - 1) / ${CLASS}) * ${WORKS} + w, 10000000 + n, ${revision}
          from generate_series(1, ${size.students}) n, generate_series(1, ${WORKS}) w;
      insert into attempt (id, recipient_id, number, started, handed_in) overriding system value
        select id, id, 1, ${moment(110)}, ${moment(109)} from recipient;
      insert into response (attempt_id, step_id, question_id, value, given, client_key)
        select a, 'step', 'q' || q, (array['"a"', '"b"', '"b"', '"d"'])[1 + (a * 7 + q * 13) % 4]::jsonb, ${moment(110)} + q * interval '40 seconds', 'k' || q
          from generate_series(1, ${size.students * WORKS}) a, generate_series(0, ${QUESTIONS - 1}) q`);
    for (const table of ["assignment", "recipient", "attempt"])
      await tx.script(`select setval(pg_get_serial_sequence('${table}', 'id'), (select max(id) from ${table}))`);
  });
}

/** Fills an empty database. Takes minutes for a million. */
export async function load(db: Db, size: Size, now: Date): Promise<void> {
  await migrate(db);
  await db.query("insert into district (name) values ('Bench')");
  await importFramework(db, demoFramework("skerry-isles"), { district: null, now });
  await addResources(db, size.resources, now);
  await addSchools(db, size, now);
  await addWork(db, size, now);
  await db.script("vacuum analyze");
}

/** Teachers spread over all there are, each with one of her classes. */
export const someTeachers = async (db: Db, count: number): Promise<Someone[]> => {
  const { teachers } = await one<{ teachers: number }>(
    db,
    "select count(*)::int teachers from person where kind = 'adult' and id > 1000000",
  );
  return db.query<Someone>(
    `select p.id teacher, p.district_id district, p.school_id school, t.class_id "class", a.id assignment
       from generate_series(0, $1::int - 1) nth
       join person p on p.id = 1000001 + (nth * 7919) % $2::int
       join lateral (select class_id from class_teacher where person_id = p.id order by class_id limit 1) t on true
       join lateral (select id from assignment where class_id = t.class_id order by id limit 1) a on true`,
    [count, teachers],
  );
};
