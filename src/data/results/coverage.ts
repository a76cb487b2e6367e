import type { Evidence } from "@/core/results/coverage";
import { hers } from "../assign/assignments";
import type { Queryable } from "../engine/db";

/** Where evidence is looked for: what was assigned to these classes and opens between two moments. */
export interface Asked {
  teacher: number;
  now: Date;
  classes: readonly number[];
  from: Date;
  to: Date;
}

const work = `work as (
  select a.id, a.class_id class, a.opens from assignment a join class c on c.id = a.class_id
   where a.class_id = any($3::int[]) and a.called_back is null and a.opens >= $4 and a.opens < $5 and ${hers})`;
const parametersOf = ({ teacher, now, classes, from, to }: Asked) => [teacher, now, classes, from, to];

/** The work there may be evidence in, and which of it has begun: that is judged before evidence is read. */
export async function workAskedFor(db: Queryable, asked: Asked): Promise<{ all: number[]; begun: number[] }> {
  const rows = await db.query<{ id: number; begun: boolean }>(
    `with ${work} select id, opens <= $2 begun from work order by id`,
    parametersOf(asked),
  );
  const ids = (some: typeof rows) => some.map(({ id }) => id);
  return { all: ids(rows), begun: ids(rows.filter(({ begun }) => begun)) };
}

/** Work of which only some steps were assigned, and the revision they are of. */
export const partsAskedFor = (
  db: Queryable,
  asked: Asked,
): Promise<{ assignment: number; steps: string[]; revision: number }[]> =>
  db.query(
    `with ${work}
     select w.id assignment, a.step_ids steps, r.revision_id revision
       from work w join assignment a on a.id = w.id and a.step_ids is not null
       join lateral (select revision_id from recipient where assignment_id = w.id order by id limit 1) r on true order by w.id`,
    parametersOf(asked),
  );

/** A framework's statements are named in documents by the framework's identifier or its name. */
const isOfFramework = "o.framework in (fw.uri, fw.name)";

type EvidenceRow = Pick<Evidence, "assignment" | "class" | "standard"> & {
  resource: number;
  part: string | null;
  /** Milliseconds. */
  opens: number;
  due: number;
  gained: number | null;
  outOf: number | null;
  students: number | null;
};

/**
 * Everything that is planned, was taught or was assessed of the statements of a framework in these pieces of work, which she works
 * with: that is asked once, before. Outcomes must have been judged.
 */
export async function evidenceOf(db: Queryable, works: readonly number[], framework: number): Promise<Evidence[]> {
  // As one value: over a year, reading row after row takes longer than finding them.
  const [{ rows } = { rows: [] }] = await db.query<{ rows: EvidenceRow[] }>(
    `with work as materialized (select id, class_id class, resource_id, opens, due, part from assignment where id = any($1::int[])),
     said as (
       select distinct w.id, g.standard_id standard from work w join alignment g on g.resource_id = w.resource_id
         join standard s on s.id = g.standard_id where s.framework_id = $2 and g.relation <> 'requires'),
     got as (
       select o.assignment_id id, s.id standard, o.gained::float8 gained, o.out_of::float8 out_of, o.students::int students
         from work w join outcome_sum o on o.assignment_id = w.id and o.code <> ''
         join standard s on s.framework_id = $2 and s.code = o.code join framework fw on fw.id = s.framework_id
        where ${isOfFramework})
     select coalesce(json_agg(e order by e.opens, e.assignment), '[]'::json) rows from (
     select w.id assignment, w.class, w.resource_id resource, w.part, extract(epoch from w.opens)::float8 * 1000 opens,
            extract(epoch from w.due)::float8 * 1000 due, coalesce(said.standard, got.standard) standard,
            got.gained, got.out_of "outOf", got.students
       from said full join got on got.id = said.id and got.standard = said.standard
       join work w on w.id = coalesce(said.id, got.id)) e`,
    [works, framework],
  );
  const named = await db.query<{ id: number; title: string }>(
    "select resource_id id, facts ->> 'title' title from resource_facts where resource_id = any($1::int[])",
    [[...new Set(rows.map(({ resource }) => resource))]],
  );
  const titles = new Map(named.map(({ id, title }) => [id, title]));
  return rows.map(({ gained, outOf, students, resource, part, opens, due, ...one }) => ({
    ...one,
    title: [titles.get(resource), ...(part ? [part] : [])].join(", "),
    ...{ opens: new Date(opens), due: new Date(due) },
    result: students === null ? null : { gained: gained!, outOf: outOf!, students },
  }));
}

/** Where a child stands with a statement: what was gained the last time. */
export interface Standing {
  student: number;
  name: string;
  gained: number;
  outOf: number;
}

/** The last result of each child of a class in what asks about a statement, by name. */
export async function standingsOf(db: Queryable, asked: Asked, standard: number): Promise<Standing[]> {
  return db.query<Standing>(
    `with ${work}
     select * from (
       select distinct on (o.student_id) o.student_id student, p.given_name || ' ' || p.family_name name,
              o.gained::float8 gained, o.out_of::float8 "outOf"
         from work w join outcome o on o.assignment_id = w.id and o.out_of > 0
         join standard s on s.id = $6 and s.code = o.code join framework fw on fw.id = s.framework_id
         join enrolled n on n.class_id = w.class and n.student_id = o.student_id join person p on p.id = o.student_id
        where ${isOfFramework} order by o.student_id, o.handed_in desc, w.id desc) x order by name`,
    [...parametersOf(asked), standard],
  );
}
