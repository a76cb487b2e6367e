import type { FrameworkFile } from "@/formats/case/case";
import { resultTable } from "@/core/results/table";
import { assignmentById, assignmentsOf } from "@/data/assign/assignments";
import { workWithLastAnswers } from "@/data/results/work-of-class";
import { classesOf } from "@/data/classes/classes";
import { importFramework } from "@/data/find/standards";
import { migrate } from "@/data/engine/migrate";
import { lesson, publishFor, smallWorld } from "@/data/testing/world";
import { coverageData } from "@/server/results/coverage";
import { markTableData } from "@/server/results/mark-table";
import { studentData } from "@/server/results/student";
import type { Visitor } from "@/server/web/session";
import { emptyDatabase } from "./database";
import { percentile, printTable, readOptions } from "./table";

/** What is read over weeks: 8 classes of 22, 180 statements, `--n` pieces of work a class in a year, everybody's outcome in each. */
const { n, json } = readOptions({ n: [150] });
const CLASSES = 8;
const STUDENTS = 22;
const STATEMENTS = 180;
const RESPONSES = 1_000_000;
const now = new Date();

const framework: FrameworkFile = {
  ...{ uri: "urn:bench", name: "Bench", publisher: "", source: "", associations: [], leftOut: [] },
  statements: Array.from({ length: STATEMENTS + 1 }, (_, at) => ({
    ...{ uri: `urn:${at}`, code: at === 0 ? "B" : `B.${at}`, statement: `Statement ${at}` },
    ...{ parent: at === 0 ? null : "urn:0", grades: { from: 4, to: 5 } },
  })),
};

const rows: Record<string, string | number>[] = [];
for (const works of n) {
  const { db, drop } = await emptyDatabase();
  await migrate(db);
  const world = await smallWorld(db);
  await db.transaction((tx) => importFramework(tx, framework, { district: world.district, now }));
  const ids: { id: number; revision: number }[] = [];
  for (let at = 0; at < works; at += 1) {
    const code = `B.${1 + ((at * 7) % STATEMENTS)}`;
    const standards = [{ framework: "urn:bench", code, relation: "assesses" as const }];
    ids.push(await publishFor(db, world.ines, lesson(`Work ${at}`, { standards })));
  }
  await db.query(
    `insert into class (school_id, name, subject, year, grade_from, grade_to)
     select $1, 'Class ' || n, 'science', 2026, 5, 5 from generate_series(1, $2::int) n`,
    [world.here, CLASSES - 1],
  );
  await db.query(
    "insert into class_teacher (class_id, person_id, role) select id, $1, 'lead' from class where id <> $2 and school_id = $3",
    [world.ines, world.class, world.here],
  );
  await db.query(
    `insert into person (district_id, school_id, kind, given_name, family_name, sign_in_name, grade)
     select $1, $2, 'student', 'Child ' || c.id || '-' || n, 'Bench', 'c' || c.id || '.' || n, 5
       from class c, generate_series(1, $3::int) n where c.school_id = $2`,
    [world.district, world.here, STUDENTS],
  );
  await db.query(
    `insert into enrolment (class_id, student_id)
     select split_part(substr(p.sign_in_name, 2), '.', 1)::int, p.id from person p where p.family_name = 'Bench'`,
  );
  await db.query(
    `insert into assignment (class_id, resource_id, made_by, made, opens, due, tries, keep, checking)
     select c.id, w.id, $1, w.moment, w.moment, w.moment + interval '2 days', 1, 'best', 'at once'
       from class c, (select u.id, $2::timestamptz - (interval '350 days' * u.nth / $4::int) moment
                        from unnest($3::int[]) with ordinality u(id, nth)) w
      where c.school_id = $5`,
    [world.ines, now, ids.map(({ id }) => id), works, world.here],
  );
  await db.query(
    `insert into recipient (assignment_id, student_id, revision_id)
     select a.id, e.student_id, r.head_revision_id from assignment a join enrolment e on e.class_id = a.class_id
       join person p on p.id = e.student_id and p.family_name = 'Bench' join resource r on r.id = a.resource_id`,
  );
  await db.query(
    `insert into outcome (assignment_id, student_id, framework, code, gained, out_of, questions, minutes, handed_in)
     select r.assignment_id, r.student_id, o.framework, o.code, (r.id * 7 + o.nth) % 11, 10, 5, 12, a.due
       from recipient r join assignment a on a.id = r.assignment_id
       join lateral (select '' framework, '' code, 0 nth
                     union all select 'urn:bench', s.code, 1 from alignment g join standard s on s.id = g.standard_id where g.resource_id = a.resource_id) o on true`,
  );
  await db.query(
    `insert into outcome_sum (assignment_id, framework, code, gained, out_of, students)
     select assignment_id, framework, code, sum(gained), sum(out_of), count(*) from outcome group by 1, 2, 3`,
  );
  await db.script("vacuum analyze");
  const visitor = { id: world.ines, district: world.district, school: world.here, zone: "Europe/London" } as Visitor;
  const classes = await classesOf(db, world.ines, now);
  const [child] = await db.query<{ id: number }>("select min(id) id from person where family_name = 'Bench'");
  const time = async (work: () => Promise<unknown>) => {
    const took: number[] = [];
    for (let turn = 0; turn < 22; turn += 1) {
      const at = performance.now();
      await work();
      took.push(performance.now() - at);
    }
    return percentile(took.slice(2), 95);
  };
  const asked = { framework: undefined, stretch: "the last year", open: null };
  const year = `${works} pieces of work in a year`;
  const measure = async (more: string, factor: number) =>
    rows.push(
      {
        case: `coverage of ${classes.length} classes x ${STATEMENTS} statements, ${year}${more}`,
        p95_ms: await time(() => coverageData(db, visitor, classes, asked, now)),
        wanted_ms: 200 * factor,
      },
      {
        case: `a student, ${year}${more}`,
        p95_ms: await time(() => studentData(db, visitor, child!.id, now)),
        wanted_ms: 100 * factor,
      },
      {
        case: `marks table of ${STUDENTS} students, ${year}${more}`,
        p95_ms: await time(() => markTableData(db, visitor, classes[0]!, { ...asked, goal: undefined }, now)),
        wanted_ms: 200 * factor,
      },
    );
  await measure("", 1);
  await db.query(
    `insert into attempt (recipient_id, number, started, handed_in)
     select r.id, 1, a.opens, a.due from recipient r join assignment a on a.id = r.assignment_id`,
  );
  const [counted] = await db.query<{ attempts: number }>("select count(*)::int attempts from attempt");
  await db.query(
    `insert into response (attempt_id, step_id, question_id, value, checked, late, given, client_key)
     select t.id, 's', 'q' || n % 12, to_jsonb(n), false, false, t.started, 'k' || n
       from attempt t, generate_series(1, $1::int) n`,
    [Math.ceil(RESPONSES / counted!.attempts)],
  );
  await db.script("vacuum analyze");
  await measure(`, ${RESPONSES.toLocaleString("en")} responses in the database`, 2);
  const assignment = await assignmentById(db, (await assignmentsOf(db, world.ines, [classes[0]!.id], now))[0]!.id);
  rows.push({
    case: `results of one piece of work, ${STUDENTS} students, ${RESPONSES.toLocaleString("en")} responses in the database`,
    p95_ms: await time(async () => resultTable(await workWithLastAnswers(db, assignment!.id), assignment!.keep)),
    wanted_ms: 300,
  });
  await drop();
}
printTable(rows, json);
