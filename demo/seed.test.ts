import { resultTable } from "@/core/results/table";
import { stateOf } from "@/core/assign/assignment";
import { assignmentsOf } from "@/data/assignments";
import type { Db } from "@/data/db";
import { demoPeople } from "@/data/people";
import { pocketsOf, satchelOf } from "@/data/satchel";
import { workOf } from "@/data/work";
import { freshDatabase } from "@/data/testing/database";
import { seed } from "./seed";

let db: Db;
const now = new Date("2026-11-25T09:30:00Z");
beforeAll(async () => {
  db = await freshDatabase();
  await seed(db, { now, bulk: 40 });
}, 120_000);
afterAll(() => db.close());

describe("the demo's school", () => {
  test("has two schools, a dozen teachers, two curators, four classes of about 24", async () => {
    const [counts] = await db.query<Record<string, number>>(
      `select (select count(*) from school) schools,
              (select count(distinct person_id) from person_role where role = 'teacher') teachers,
              (select count(distinct person_id) from person_role where role = 'curator') curators,
              (select count(*) from class) classes,
              (select min(n) from (select count(*) n from enrolment group by class_id) c) smallest`,
    );
    expect(counts).toMatchObject({ schools: 2, curators: 2, classes: 4 });
    expect(counts!.teachers).toBeGreaterThanOrEqual(12);
    expect(counts!.smallest).toBeGreaterThanOrEqual(22);
  });

  test("has a mixed-grade class with both grades in it", async () => {
    const rows = await db.query<{ grade: number }>(
      "select distinct p.grade from enrolment n join person p on p.id = n.student_id join class c on c.id = n.class_id where c.name = '4/5 Puffin' order by 1",
    );
    expect(rows.map((row) => row.grade)).toEqual([4, 5]);
  });

  test("lists who can enter, and nobody of the commons", async () => {
    const people = await demoPeople(db);
    expect(people.map((person) => person.name)).toContain("Ines Halloran");
    expect(people.some((person) => person.signIn.endsWith("@commons.example"))).toBe(false);
  });
});

describe("no screen is empty", () => {
  test("the teacher of the demo has a satchel with pockets, and things without one", async () => {
    const [ines] = await db.query<{ id: number; school: number; district: number }>(
      "select id, school_id school, district_id district from person where email = 'ines.halloran@skerry.example'",
    );
    const items = await satchelOf(db, ines!);
    expect(items.length).toBeGreaterThanOrEqual(9);
    expect(items.some((item) => item.pockets.length === 0)).toBe(true);
    expect(await pocketsOf(db, ines!.id)).toHaveLength(3);
  });

  test("work is scheduled, open and finished", async () => {
    const [group] = await db.query<{ id: number }>("select id from class where name = '5 Kittiwake'");
    const states = (await assignmentsOf(db, [group!.id])).map((assignment) => stateOf(assignment, now));
    expect(new Set(states)).toEqual(new Set(["scheduled", "open", "finished"]));
  });

  test("answers are believable: not all right, not all done, never in the future", async () => {
    const assignments = await assignmentsOf(
      db,
      (await db.query<{ id: number }>("select id from class")).map((group) => group.id),
    );
    const verdicts = new Set<string>();
    let begun = 0;
    let missing = 0;
    for (const assignment of assignments.filter((one) => one.opens <= now)) {
      const works = await workOf(db, assignment.id);
      for (const response of works.flatMap((work) => work.tries.flatMap((attempt) => attempt.responses)))
        expect(response.at.getTime()).toBeLessThanOrEqual(now.getTime());
      const { rows } = resultTable(works, "best");
      begun += rows.filter((row) => row.state !== "not begun").length;
      missing += rows.filter((row) => row.state === "not begun").length;
      for (const cell of rows.flatMap((row) => Object.values(row.cells))) verdicts.add(cell.mark.verdict);
    }
    expect(verdicts).toEqual(new Set(["right", "partly", "wrong", "blank", "to read"]));
    expect(begun).toBeGreaterThan(missing);
    expect(missing).toBeGreaterThan(0);
  });

  test("the commons are there and counted", async () => {
    const [row] = await db.query<{ n: number }>("select sum(entries)::int n from search_tally where shelves & 4 <> 0");
    expect(row!.n).toBeGreaterThanOrEqual(40);
    expect(await db.query("select 1 from resource where head_revision_id is null")).toEqual([]);
  });
});

test("no search entry says anything but what its document says", async () => {
  const rows = await db.query<{ same: boolean }>(
    `select (e.minutes = (f.facts ->> 'minutes')::int) same from search_entry e join resource_facts f using (resource_id)`,
  );
  expect(rows.length).toBeGreaterThan(60);
  expect(rows.every((row) => row.same)).toBe(true);
});
