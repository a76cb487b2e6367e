import { plainForm } from "@/core/assign/plain-form";
import type { AssignForm } from "@/core/assign/form";
import { lastLook } from "@/core/assign/last-look";
import { schoolClock } from "@/core/calendar/school-calendar";
import { factsOf } from "@/core/resource/facts";
import { addAssignments } from "@/data/assign/assignments";
import { setMeetingRules } from "@/data/plan/calendar";
import type { Db } from "@/data/engine/db";
import { one } from "@/data/engine/db";
import { addResource } from "@/data/adapt/resources";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallCalendar, smallWorld, type World } from "@/data/testing/world";
import { prepareAssigning } from "./assigning";
import { versionNames } from "./resources-to-assign";
import { visitorOf } from "../testing/as";

let db: Db;
let world: World;
let tides: { id: number; revision: number };
let puffin: number;
const now = new Date();
const zone = "Europe/London";
const today = schoolClock(now, zone).date;
const ines = () =>
  visitorOf({ id: world.ines, district: world.district, school: world.here }, { zone, schoolName: "Here" });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  await smallCalendar(db, world, today, [""]);
  puffin = (
    await one<{ id: number }>(
      db,
      "insert into class (school_id, name, subject, year, grade_from, grade_to) values ($1, '4/5 Puffin', 'science', 2026, 4, 5) returning id",
      [world.here],
    )
  ).id;
  await db.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [puffin, world.ines]);
  await db.query("insert into enrolment (class_id, student_id) values ($1, $2)", [puffin, world.students[0]]);
  await setMeetingRules(db, puffin, [{ label: "", period: 1, weekday: null, cycleDay: null }]);
  tides = await publishFor(db, world.ines, lesson("Tides"));
}, 60_000);
afterAll(() => db.close());
beforeEach(() => db.query("delete from assignment"));

const formFor = (more: Partial<AssignForm> = {}): AssignForm =>
  plainForm(
    { resources: [tides.id], to: [{ class: world.class, students: world.students }] },
    { due: { kind: "meeting end" }, ...more },
  );
const prepare = (form: AssignForm, barClass: number | null = null) => prepareAssigning(db, ines(), form, barClass, now);
const texts = async (form: AssignForm, barClass: number | null = null) =>
  lastLook((await prepare(form, barClass)).looked).map(({ text }) => text);

describe("what is said and what is written down are one", () => {
  test("two classes at once: a sentence and an assignment each, at the next lesson of each", async () => {
    const form = formFor({
      to: [
        { class: world.class, students: world.students.slice(1) },
        { class: puffin, students: [world.students[0]!] },
      ],
    });
    const { said, list } = await prepare(form);
    expect(said).toHaveLength(2);
    expect(said[0]).toMatch(/^2 students of 5 Kittiwake get “Tides” on/);
    expect(said[1]).toMatch(/^1 student of 4\/5 Puffin gets/);
    expect(list.map((given) => [given.class, given.students.length, given.meeting?.period])).toEqual([
      [world.class, 2, 1],
      [puffin, 1, 1],
    ]);
  });

  test("a child chosen in two classes gets it once, in the first; the sentences count her once", async () => {
    const [one, two] = world.students as [number, number];
    await db.query("insert into enrolment (class_id, student_id) values ($1, $2) on conflict do nothing", [
      puffin,
      two,
    ]);
    const { said, list } = await prepare(
      formFor({
        to: [
          { class: world.class, students: [one, two] },
          { class: puffin, students: [one, two] },
        ],
      }),
    );
    expect(said).toHaveLength(1);
    expect(said[0]).toMatch(/^2 students of 5 Kittiwake get/);
    expect(list.map((given) => [given.class, given.students])).toEqual([[world.class, [one, two]]]);
  });

  test("more time chosen for this once counts more than what is kept of a student", async () => {
    const [first] = world.students;
    const { said, list } = await prepare(formFor({ factors: [{ student: first!, factor: 2 }] }));
    expect(said[0]).toContain("one of them gets twice as long");
    const [given] = list;
    const own = given!.own!.find(({ student }) => student === first)!;
    expect(own.due!.getTime() - given!.opens.getTime()).toBe(2 * 45 * 60_000);
  });

  test("what was never published is given to nobody", async () => {
    const draft = await addResource(db, { district: world.district, owner: world.ines, source: null, created: now });
    expect((await prepare(formFor({ resources: [tides.id, draft] }))).problem).toMatch(/Publish it first/);
  });

  test("a lesson further on that the calendar does not have any more stops all of it, with the reason", async () => {
    const { problem } = await prepare(
      formFor({
        resources: Array.from({ length: 60 }, () => tides.id),
        spread: "one a meeting",
        opens: { kind: "meeting", n: 80 },
      }),
    );
    expect(problem).toMatch(/18 weeks|no longer meets then/);
  });
});

describe("what is looked up for the last look", () => {
  test("nothing, when nothing is odd", async () => {
    expect(await texts(formFor(), world.class)).toEqual([]);
  });

  test("who has it already, also from another class", async () => {
    const { list } = await prepare(formFor({ to: [{ class: puffin, students: [world.students[0]!] }] }));
    await db.transaction((tx) => addAssignments(tx, list));
    expect(await texts(formFor())).toContain("aisha Test has it already.");
  });

  test("how full the lesson is, and the next with room", async () => {
    const other = await publishFor(db, world.ines, lesson("Ferries", { minutes: 30 }));
    const { list } = await prepare(formFor({ resources: [other.id] }));
    await db.transaction((tx) => addAssignments(tx, list));
    const { looked } = await prepare(formFor());
    expect(looked.classes[0]!.planned).toBe(30);
    const full = lastLook(looked).find(({ key }) => key.startsWith("full"))!;
    expect(full.text).toContain("55 of 45");
    const [remedy] = full.remedies;
    const mended = { ...formFor(), ...(remedy as { change: Partial<AssignForm> }).change };
    expect((await texts(mended)).filter((text) => text.includes("of 45"))).toEqual([]);
  });

  test("how much is due for a child on that day, over all classes", async () => {
    for (const title of ["One", "Two"]) {
      const { id } = await publishFor(db, world.ines, lesson(title, { minutes: 5 }));
      const { list } = await prepare(
        formFor({ resources: [id], to: [{ class: puffin, students: [world.students[0]!] }] }),
      );
      await db.transaction((tx) => addAssignments(tx, list));
    }
    expect(await texts(formFor())).toEqual(["One student has 2 other things or more due on that day."]);
  });

  test("the class in the bar on top, when it is another", async () => {
    expect(await texts(formFor(), puffin)).toEqual([
      "You are assigning it to 5 Kittiwake; the bar above says 4/5 Puffin.",
    ]);
  });

  test("every one of forty things is looked at, and named", async () => {
    const many = await Promise.all(
      Array.from({ length: 40 }, async (_, at) =>
        publishFor(db, world.ines, lesson(`L${at}`, { minutes: 1, grades: { from: 9, to: 9 } })),
      ),
    );
    const found = await texts(formFor({ resources: many.map(({ id }) => id) }));
    expect(found.filter((text) => text.includes("made for grade 9"))).toHaveLength(40);
  });
});

describe("what versions are called", () => {
  const main = { ...factsOf(lesson("Tides")), minutes: 25, readingGrade: 5 };
  const names = (...versions: { ownerName?: string; [fact: string]: unknown }[]) => [
    ...versionNames(
      versions.map(({ ownerName = "Ines Halloran", ...facts }, id) => ({
        id,
        ownerName,
        facts: { ...main, title: "Other", ...facts },
      })),
      main,
    ).values(),
  ];

  test("a version is called by what sets it apart", () => {
    expect(names({ languages: ["es"] })).toEqual(["the Spanish version"]);
    expect(names({ minutes: 15 })).toEqual(["the shorter version"]);
    expect(names({ readingGrade: 3 })).toEqual(["the easier version"]);
    expect(names({})).toEqual(["“Other”"]);
  });

  test("two that are both shorter are not counted as one: each is called by its title, or by whose it is", () => {
    expect(names({ minutes: 15, title: "Tides, short" }, { minutes: 20, title: "Tides in pairs" })).toEqual([
      "“Tides, short”",
      "“Tides in pairs”",
    ]);
    expect(names({ minutes: 15 }, { minutes: 20, ownerName: "Rona Sundin" })).toEqual([
      "Ines Halloran’s “Other”",
      "Rona Sundin’s “Other”",
    ]);
    expect(names({ minutes: 15 }, { minutes: 20 })).toEqual([
      "Ines Halloran’s “Other” (15 min)",
      "Ines Halloran’s “Other” (20 min)",
    ]);
  });
});
