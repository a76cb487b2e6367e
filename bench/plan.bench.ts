import { lastLook } from "@/core/assign/last-look";
import { plainForm } from "@/core/assign/plain-form";
import type { AssignForm } from "@/core/assign/form";
import { addDays, meetingsBetween, mondayOf, schoolClock, type MeetingRule } from "@/core/calendar/school-calendar";
import { pack } from "@/core/plan/pack";
import { reflow, type Planned } from "@/core/plan/move";
import { addAssignments, type NewAssignment } from "@/data/assign/assignments";
import { calendarOf, setBells, setMeetingRules, setTerms } from "@/data/plan/calendar";
import { classesOf } from "@/data/classes/classes";
import { one } from "@/data/engine/db";
import { migrate } from "@/data/engine/migrate";
import { emptyDatabase } from "./database";
import { prepareAssigning } from "@/server/assign/assigning";
import { giveWork } from "@/server/plan/move-work";
import { planOf } from "@/server/plan/plan";
import { publish } from "@/server/adapt/publish";
import type { Visitor } from "@/server/web/session";
import { bulkLesson } from "@demo/bulk/lessons";
import { SeededRandom } from "@demo/bulk/random";
import { documentOf } from "@demo/read";
import { addResource } from "@/data/adapt/resources";
import { percentile, printTable, readOptions } from "./table";

/**
 * Planning on the embedded database: 8 classes of 25, two lessons a day each, 18 weeks with something in every lesson.
 * `--n`: how many resources are given at once.
 */
const { n, json } = readOptions({ n: [1, 40] });
const CLASSES = 8;
const STUDENTS = 25;
const WEEKS = 18;
const zone = "Atlantic/Faroe";
const now = new Date();
const monday = mondayOf(schoolClock(now, zone).date);

const { db, drop } = await emptyDatabase();
await migrate(db);
const id = async (text: string, params: unknown[]) => (await one<{ id: number }>(db, text, params)).id;
const district = await id("insert into district (name) values ('D') returning id", []);
const school = await id("insert into school (district_id, name, time_zone) values ($1, 'S', $2) returning id", [
  district,
  zone,
]);
const teacher = await id(
  `insert into person (district_id, school_id, kind, given_name, family_name, email) values ($1, $2, 'adult', 'A', 'B', 'a@x.example') returning id`,
  [district, school],
);
await db.query("insert into person_role values ($1, 'teacher', 'school')", [teacher]);
await setTerms(db, school, [{ name: "T", from: addDays(monday, -7), to: addDays(monday, 200) }]);
await setBells(
  db,
  school,
  [1, 2, 3, 4, 5].flatMap((weekday) => [
    { weekday, period: 1, starts: "08:50", ends: "09:35" },
    { weekday, period: 2, starts: "13:10", ends: "14:10" },
  ]),
);
const rules: Omit<MeetingRule, "class">[] = [
  { label: "Maths", period: 1, weekday: null, cycleDay: null },
  { label: "Reading", period: 2, weekday: null, cycleDay: null },
];
const classes: { id: number; students: number[] }[] = [];
for (let nth = 0; nth < CLASSES; nth += 1) {
  const group = await id(
    "insert into class (school_id, name, subject, year, grade_from, grade_to, reading_from, reading_to) values ($1, $2, 'science', 2026, 5, 5, 3, 6) returning id",
    [school, `Class ${nth}`],
  );
  await db.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [group, teacher]);
  await setMeetingRules(db, group, rules);
  const students = await db.query<{ id: number }>(
    `insert into person (district_id, school_id, kind, given_name, family_name, sign_in_name, grade, time_factor)
     select $1, $2, 'student', 'S', g::text, $3 || g, 5, case when g % 10 = 0 then 1.5 else 1 end from generate_series(1, $4) g returning id`,
    [district, school, `c${nth}.`, STUDENTS],
  );
  await db.query("insert into enrolment (class_id, student_id) select $1, unnest($2::int[])", [
    group,
    students.map((student) => student.id),
  ]);
  classes.push({ id: group, students: students.map((student) => student.id) });
}
const random = new SeededRandom(3);
const resources: { id: number; revision: number }[] = [];
for (let nth = 0; nth < Math.max(...n, 20); nth += 1) {
  const resource = await addResource(db, { district, owner: teacher, source: null, created: now });
  const document = documentOf(`b${nth}`, { ...bulkLesson(random), by: "" });
  resources.push({ id: resource, revision: (await publish(db, { resource, document, author: teacher, now })).id });
}
const visitor: Visitor = {
  id: teacher,
  kind: "adult",
  givenName: "A",
  familyName: "B",
  district,
  school,
  schoolName: "S",
  zone,
  locale: "en",
  country: "XS",
  roles: ["teacher"],
  joinedClass: null,
  joinedAt: null,
};
const calendar = await calendarOf(db, school);
const planned: NewAssignment[] = classes.flatMap((group) =>
  meetingsBetween(
    calendar,
    rules.map((rule) => ({ ...rule, class: group.id })),
    monday,
    addDays(monday, WEEKS * 7 - 1),
  ).map((meeting, nth): NewAssignment => ({
    class: group.id,
    resource: resources[nth % resources.length]!.id,
    revision: resources[nth % resources.length]!.revision,
    students: group.students,
    madeBy: teacher,
    made: now,
    opens: meeting.starts,
    due: meeting.ends,
    meeting: { date: meeting.date, period: meeting.period },
    minutes: 30,
    tries: 1,
    keep: "best",
    checking: "at once",
  })),
);
await db.transaction((tx) => addAssignments(tx, planned));
await db.script("vacuum analyze");

const rows: Record<string, string | number>[] = [];
async function measure(
  name: string,
  count: number,
  rounds: number,
  wanted: number,
  work: () => Promise<unknown> | unknown,
  /** Puts things back after each round, outside the time that counts. */
  after: () => Promise<unknown> | unknown = () => undefined,
) {
  const took: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    const from = performance.now();
    await work();
    took.push(performance.now() - from);
    await after();
  }
  rows.push({ case: name, n: count, p50_ms: percentile(took, 50), p95_ms: percentile(took, 95), wanted_ms: wanted });
}

const formFor = (count: number): AssignForm =>
  plainForm({
    resources: resources.slice(0, count).map((resource) => resource.id),
    to: classes.map((group) => ({ class: group.id, students: group.students })),
  });
const hers = await classesOf(db, teacher, now);
for (const count of n) {
  const form = formFor(count);
  await measure("last look, 200 students", count, 12, 200, async () =>
    lastLook((await prepareAssigning(db, visitor, form, null, now)).looked),
  );
  const { list } = await prepareAssigning(db, visitor, form, null, now);
  let given: number[] = [];
  await measure(
    "assign to 200 students",
    count,
    8,
    500,
    async () => {
      given = (await giveWork(db, teacher, now, list)).assignments;
    },
    () => db.query("delete from assignment where id = any($1::int[])", [given]),
  );
}
await measure("plan, 8 classes", WEEKS, 20, 100, () => planOf(db, visitor, hers, monday, WEEKS, now));
await measure("plan, 8 classes", 2, 20, 100, () => planOf(db, visitor, hers, monday, 2, now));

const [group] = classes;
const column = meetingsBetween(calendar, [{ ...rules[0]!, class: group!.id }], monday, addDays(monday, WEEKS * 14));
const term: Planned[] = column.slice(0, WEEKS * 5).map((meeting, nth) => ({
  id: nth,
  meeting,
  opens: meeting.starts,
  due: new Date(meeting.ends.getTime() + 50 * 3_600_000),
  closes: null,
}));
await measure("move a term by one lesson", term.length, 20, 50, () =>
  reflow(calendar, term, column, column, column[0]!, 1),
);
await measure("lay 60 lessons over a term", 60, 20, 50, () =>
  pack(
    Array.from({ length: 60 }, (_, nth) => ({ id: nth, steps: [5, 10, 5 + (nth % 25)] })),
    column.map(({ minutes }) => ({ minutes, used: 0 })),
  ),
);
printTable(rows, json);
await drop();
