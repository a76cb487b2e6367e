import { addAssignments, alreadyHave, dueBetween, type NewAssignment } from "../assign/assignments";
import { placesOf, setPlaces } from "../assign/places";
import { goalTagsOf } from "../assign/goal-tags";
import type { Db } from "../engine/db";
import { addEvent, eventOf, setUndone } from "../engine/events";
import { feedOf, hasFeed, setFeed } from "../classes/feeds";
import { addMessages, messagesBy, messagesTo } from "../office/outbox";
import { crowdedDays, groupsOf, kinOf, plannedIn, plannedWork, studentGoals } from "./plan";
import { addStudentGoal } from "../office/rosters";
import { usesAtSchool } from "../find/search";
import { setGroups } from "../classes/groups";
import { freshDatabase } from "../testing/database";
import { lesson, now, publishFor, smallWorld, type World } from "../testing/world";
import { setRecipient } from "../assign/work-rules";

let db: Db;
let world: World;
const zone = "Europe/London";
const at = (text: string) => new Date(`2026-12-${text}:00Z`);
let first: { id: number; revision: number };
let second: { id: number; revision: number };

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  first = await publishFor(db, world.ines, lesson("Tides", { minutes: 25 }));
  second = await publishFor(db, world.ines, lesson("Ferries", { minutes: 15 }));
}, 60_000);
afterAll(() => db.close());
beforeEach(() => db.query("delete from assignment"));

const work = (more: Partial<NewAssignment> = {}): NewAssignment => ({
  class: world.class,
  resource: first.id,
  revision: first.revision,
  students: world.students,
  madeBy: world.ines,
  made: now,
  opens: at("01T09:00"),
  due: at("01T09:45"),
  tries: 1,
  keep: "best",
  checking: "at once",
  ...more,
});
const give = (...list: Partial<NewAssignment>[]) => db.transaction((tx) => addAssignments(tx, list.map(work)));

const setOwnDue = (assignment: number, student: number, due: Date) =>
  setRecipient(db, assignment, { student, revision: first.revision, factor: 1, due, closes: null });

describe("what is planned", () => {
  test("minutes add up by lesson; a part counts its own; what is called back counts nothing", async () => {
    const meeting = { date: "2026-12-01", period: 1 };
    const ids = await give(
      { meeting, minutes: 25 },
      { meeting, resource: second.id, revision: second.revision },
      { meeting, minutes: 10, steps: ["a"], part: "1 of 2" },
      { meeting: { date: "2026-12-01", period: 2 }, minutes: 30 },
      { meeting: { date: "2026-12-09", period: 1 }, minutes: 30 },
    );
    await db.query("update assignment set called_back = now() where id = $1", [ids[3]]);
    expect(await plannedIn(db, [world.class], "2026-12-01", "2026-12-08")).toEqual([
      { class: world.class, date: "2026-12-01", period: 1, minutes: 50 },
    ]);
    expect(await plannedIn(db, [world.class + 1], "2026-12-01", "2026-12-08")).toEqual([]);
  });

  test("work of some days is what opens, is planned or is due on them, by the school's calendar", async () => {
    await give(
      { opens: at("01T09:00"), due: at("20T09:45") },
      { opens: at("09T09:00"), due: at("20T09:45"), meeting: { date: "2026-12-02", period: 1 } },
      { opens: new Date("2026-11-20T09:00:00Z"), due: at("03T23:30") },
      { opens: at("09T09:00"), due: at("20T09:45") },
    );
    const shown = await plannedWork(db, [world.class], "2026-12-01", "2026-12-03", zone);
    expect(shown).toHaveLength(3);
    expect(shown[0]).toMatchObject({ title: "Tides", minutes: 25, subjects: ["science"], meeting: null });
    // In Sydney the last one is due on the day after.
    expect(await plannedWork(db, [world.class], "2026-12-01", "2026-12-03", "Australia/Sydney")).toHaveLength(2);
  });

  test("moments come back as they were, to the millisecond; what never closes says so", async () => {
    const times = [
      { opens: new Date("2026-12-02T09:00:00.123Z"), due: new Date("2026-12-04T15:00:00.999Z"), closes: null },
      { opens: at("02T10:00"), due: at("04T15:00"), closes: new Date("2026-12-04T15:00:00.001Z") },
    ];
    const ids = await give(...times);
    const shown = await plannedWork(db, [world.class], "2026-12-02", "2026-12-02", zone);
    expect(shown.map(({ id, opens, due, closes }) => ({ id, opens, due, closes }))).toEqual(
      times.map((one, nth) => ({ id: ids[nth], ...one })),
    );
  });

  test("a child with three things due on one day is counted on that day, over all her classes", async () => {
    const due = (text: string) => ({ opens: at("01T08:00"), due: at(text) });
    await give(due("03T10:00"), due("03T15:00"), { ...due("03T16:00"), students: [world.students[0]!] });
    expect(await crowdedDays(db, [world.class], "2026-12-01", "2026-12-07", zone, 3)).toEqual([
      { date: "2026-12-03", students: [expect.objectContaining({ id: world.students[0] })] },
    ]);
    const [two] = await crowdedDays(db, [world.class], "2026-12-01", "2026-12-07", zone, 2);
    expect(two!.students.map(({ id }) => id).sort((one, other) => one - other)).toEqual(world.students);
    expect(two!.students[0]!.name).toMatch(/^\w+ \w+/);
    expect(await crowdedDays(db, [world.class], "2026-12-04", "2026-12-07", zone, 2)).toEqual([]);
  });

  test("more time given to one student moves what is due for her, and only for her", async () => {
    const [id] = await give({ opens: at("01T08:00"), due: at("03T15:00") });
    await setOwnDue(id!, world.students[1]!, at("05T15:00"));
    const counts = async (from: string, to: string) =>
      (await dueBetween(db, world.students, at(from), at(to))).map(({ student }) => student).sort((a, b) => a - b);
    expect(await counts("03T00:00", "03T23:59")).toEqual([world.students[0], world.students[2]]);
    expect(await counts("05T00:00", "05T23:59")).toEqual([world.students[1]]);
  });
});

describe("many things given at once", () => {
  test("keep their order, wait for one another, and leave out anyone who is not in the class", async () => {
    const ids = await give(
      { students: [...world.students, world.stranger] },
      { after: "previous", position: 1, openDays: ["2026-12-02", "2026-12-04"], goals: ["tables", "tables", "tides"] },
      { after: "previous", position: 2 },
    );
    const rows = await db.query<{ id: number; after: number | null; days: string[] | null }>(
      `select id, after_id after, open_days::text[] days from assignment order by id`,
    );
    expect(rows).toEqual([
      { id: ids[0], after: null, days: null },
      { id: ids[1], after: ids[0], days: ["2026-12-02", "2026-12-04"] },
      { id: ids[2], after: ids[1], days: null },
    ]);
    expect(await db.query("select count(*)::int n from recipient")).toEqual([{ n: 9 }]);
    expect(await goalTagsOf(db, world.ines)).toEqual(["tables", "tides"]);
  });

  test("anyone who has it already is known, in any version and class", async () => {
    await give({
      students: [world.students[0]!, world.students[1]!],
      own: [{ student: world.students[1]!, revision: second.revision }],
    });
    const [one, two] = world.students as [number, number];
    const have = async (id: number) =>
      (await alreadyHave(db, [id], world.students)).sort((a, b) => a.student - b.student);
    expect(await have(first.id)).toEqual([{ student: one, did: false }]);
    expect(await have(second.id)).toEqual([{ student: two, did: false }]);
    // Adapted from the first, the second is the same thing: having one is having the other. Handed in, it is done.
    await db.query("update resource set source_revision_id = $2 where id = $1", [second.id, first.revision]);
    await db.query(
      `insert into attempt (recipient_id, number, started, handed_in)
       select id, 1, now(), now() from recipient where student_id = $1 and revision_id = $2`,
      [two, second.revision],
    );
    const both = [
      { student: one, did: false },
      { student: two, did: true },
    ];
    expect([await have(first.id), await have(second.id)]).toEqual([both, both]);
    await db.query("update resource set source_revision_id = null where id = $1", [second.id]);
  });

  test("use of what was given is counted, as often as it was", async () => {
    const uses = async () =>
      (await db.query<{ uses: number }>("select uses from resource_uses where resource_id = $1", [first.id]))[0]!.uses;
    const before = await uses();
    await give({}, {});
    expect(await uses()).toBe(before + 2);
  });
});

describe("where work stands", () => {
  test("is read and put back to the millisecond, with everyone's own times", async () => {
    const ids = await give(
      { meeting: { date: "2026-12-01", period: 1 } },
      { opens: at("02T09:00"), due: at("02T10:00") },
    );
    await setOwnDue(ids[0]!, world.students[0]!, at("02T09:45"));
    const before = await placesOf(db, ids);
    await setPlaces(
      db,
      before.map((place) => ({ ...place, opens: at("08T09:00"), due: at("08T10:00"), meeting: null, own: [] })),
    );
    expect((await placesOf(db, ids)).map(({ meeting, own }) => [meeting, own])).toEqual([
      [null, []],
      [null, []],
    ]);
    await setPlaces(db, before);
    expect(await placesOf(db, ids)).toEqual(before);
  });
});

test("versions of a thing are its family, its source and what was adapted from it", async () => {
  const child = await publishFor(db, world.teodor, lesson("Tides, in Spanish"), ["staffroom"]);
  await db.query("update resource set source_revision_id = $2 where id = $1", [child.id, first.revision]);
  expect(await kinOf(db, [child.id, first.id, second.id])).toEqual([
    { of: child.id, id: first.id },
    { of: first.id, id: child.id },
  ]);
});

test("groups and goals of students come in their order", async () => {
  const [one, two] = world.students as [number, number];
  await setGroups(db, world.class, [
    { name: "White boats", students: [two] },
    { name: "Red boats", students: [one, two] },
  ]);
  expect((await groupsOf(db, [world.class])).map(({ name, students }) => [name, students.length])).toEqual([
    ["White boats", 1],
    ["Red boats", 2],
  ]);
  await addStudentGoal(db, one, 2025, "Counts on");
  await addStudentGoal(db, one, 2026, "Reads tables");
  await addStudentGoal(db, one, 2026, "Reads tables");
  expect((await studentGoals(db, [one, two])).map(({ year, goal }) => [year, goal])).toEqual([
    [2026, "Reads tables"],
    [2025, "Counts on"],
  ]);
});

test("an event is its doer's own, and is undone once", async () => {
  const id = await addEvent(db, { person: world.ines, at: now, what: "x", before: { a: [1] }, after: { a: [2] } });
  expect(await eventOf(db, world.teodor, id)).toBeUndefined();
  expect(await eventOf(db, world.ines, id)).toMatchObject({ before: { a: [1] }, after: { a: [2] }, undone: null });
  await setUndone(db, id, now);
  expect((await eventOf(db, world.ines, id))!.undone).toEqual(now);
});

test("a calendar has one address at a time, known by its hash only", async () => {
  const of = { class: world.class, person: world.ines };
  await setFeed(db, of, "hash one", now);
  await setFeed(db, of, "hash two", now);
  expect(await feedOf(db, "hash one")).toBeUndefined();
  expect(await feedOf(db, "hash two")).toEqual(of);
  await setFeed(db, of, null, now);
  expect([await feedOf(db, "hash two"), await hasFeed(db, of)]).toEqual([undefined, false]);
});

test("messages are read by the sender and those they are for, and by nobody else", async () => {
  await addMessages(db, { school: world.here, person: world.ines, at: now }, [
    { toName: "Teodor", toAddress: "teodor@skerry.example", subject: "Storm", body: "No lessons." },
  ]);
  expect(await messagesBy(db, world.ines)).toMatchObject([{ subject: "Storm", from: "ines Test" }]);
  expect(await messagesTo(db, world.teodor)).toMatchObject([{ subject: "Storm" }]);
  expect([await messagesTo(db, world.judit), await messagesBy(db, world.teodor)]).toEqual([[], []]);
});

test("who used a thing at a school: each class once, with who assigned it last", async () => {
  await give({}, { opens: at("02T09:00"), due: at("02T10:00"), madeBy: world.teodor });
  const [used, ...others] = await usesAtSchool(db, world.here, first.id);
  expect(used).toMatchObject({ class: "5 Kittiwake", gradeFrom: 5, gradeTo: 5, at: at("02T09:00") });
  expect(others).toEqual([]);
  expect(await usesAtSchool(db, world.there, first.id)).toEqual([]);
  expect(await usesAtSchool(db, null, first.id)).toEqual([]);
});
