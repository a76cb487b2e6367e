import { plainForm } from "@/core/assign/plain-form";
import type { AssignForm } from "@/core/assign/form";
import { schoolClock, schoolDaysLater } from "@/core/calendar/school-calendar";
import { assignmentById } from "@/data/assign/assignments";
import { recipientsOf } from "@/data/assign/recipients";
import { calendarOf } from "@/data/plan/calendar";
import type { Db } from "@/data/engine/db";
import { addRevision, resourceById } from "@/data/adapt/resources";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallCalendar, smallWorld, type World } from "@/data/testing/world";
import { addResponses, handIn, openAttempt, ownAssignment, ownAssignments } from "@/data/student/work";
import { studentWork } from "../student/student-work";
import { actAs, answerFrom, visitorOf, value } from "../testing/as";
import {
  addStudents,
  assignResources,
  audienceFor,
  changeTimes,
  lookAtTimes,
  lookBeforeAssigning,
  orderWork,
  removeStudent,
  takeNewest,
} from "./assign-actions";
import { changeForStudent } from "./afterwards-actions";
import { undoPlan } from "../plan/plan-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ cookies: () => Promise.resolve({ get: () => undefined }) }));

let db: Db;
let world: World;
let main: { id: number; revision: number };
let shorter: { id: number; revision: number };
const now = new Date();
const today = schoolClock(now, "Europe/London").date;
const teacher = () =>
  visitorOf(
    { id: world.ines, district: world.district, school: world.here },
    { zone: "Europe/London", schoolName: "Here" },
  );

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  await smallCalendar(db, world, today, [""]);
  main = await publishFor(db, world.ines, lesson("Tides"));
  shorter = await publishFor(db, world.ines, lesson("Tides, shorter", { minutes: 15 }));
  await db.query("update resource set source_revision_id = $2 where id = $1", [shorter.id, main.revision]);
  await db.query("update person set time_factor = 1.5 where id = $1", [world.students[2]]);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => void actAs(teacher()));

const formFor = (more: Partial<AssignForm> = {}): AssignForm =>
  plainForm({ resources: [main.id], to: [{ class: world.class, students: world.students }] }, more);

describe("whom it can be given to", () => {
  test("her class with what is known of its students, its lessons, and the versions of it", async () => {
    const audience = value(await audienceFor({ resources: [main.id] }));
    expect(audience.classes.map(({ name }) => name)).toEqual(["5 Kittiwake"]);
    expect(audience.classes[0]!.students.map(({ factor }) => factor)).toEqual([1, 1, 1.5]);
    expect(audience.classes[0]!.meetings.length).toBeGreaterThan(20);
    expect(audience.versions.map(({ title }) => title)).toEqual(["Tides, shorter"]);
  });

  test("nothing about what she may not read", async () => {
    const theirs = await publishFor(db, world.stranger, lesson("Secret"));
    expect((await audienceFor({ resources: [theirs.id] })).ok).toBe(false);
    expect((await lookBeforeAssigning(formFor({ resources: [theirs.id] }))).ok).toBe(false);
  });
});

describe("giving it", () => {
  test("one version for some, more time for anyone who has it: a row a student, written down", async () => {
    const form = formFor({
      versions: [{ student: world.students[1]!, of: main.id, resource: shorter.id }],
      goals: ["tables"],
    });
    const { said, findings } = value(await lookBeforeAssigning(form));
    expect(findings).toEqual([]);
    expect(said[0]).toMatch(
      /^All 3 students of 5 Kittiwake get “Tides” on .*; one of them gets the shorter version; one of them gets one and a half times as long\.$/,
    );
    const [id] = value(await assignResources(form)).assignments;
    const rows = await recipientsOf(db, id!);
    expect(rows.map(({ resource, factor }) => [resource, factor])).toEqual([
      [main.id, 1],
      [shorter.id, 1],
      [main.id, 1.5],
    ]);
    const assignment = (await assignmentById(db, id!))!;
    expect(assignment).toMatchObject({ goals: ["tables"], minutes: 25, meeting: { period: 1 } });
    const calendar = await calendarOf(db, world.here);
    const opens = schoolClock(assignment.opens, calendar.zone).date;
    const assigned = (await ownAssignment(db, world.students[2]!, id!, null))!;
    expect(schoolClock(assigned.due, calendar.zone).date).toBe(schoolDaysLater(calendar, opens, 3));
    expect((await ownAssignment(db, world.students[1]!, id!, null))!.title).toBe("Tides, shorter");
  });

  test("several, one in each lesson, each after the one before", async () => {
    const second = await publishFor(db, world.ines, lesson("Ferries"));
    const form = formFor({ resources: [main.id, second.id], spread: "one a meeting", inOrder: true });
    const ids = value(await assignResources(form)).assignments;
    const [first, then] = await Promise.all(ids.map((id) => assignmentById(db, id)));
    expect(then!.opens.getTime()).toBeGreaterThan(first!.opens.getTime());
    const student = world.students[0]!;
    expect((await ownAssignment(db, student, ids[1]!, null))!.waitsFor).toBe("Tides");
    const assigned = (await ownAssignment(db, student, ids[0]!, null))!;
    const attempt = (await openAttempt(db, assigned, now))!;
    await db.query("update attempt set handed_in = now() where id = $1", [attempt.id]);
    expect((await ownAssignment(db, student, ids[1]!, null))!.waitsFor).toBeNull();
  });

  test("in parts: each has its steps and its minutes only", async () => {
    const [step] = lesson("x").steps;
    const long = lesson("Long", { minutes: 60 });
    long.steps = ["a", "b"].map((id) => ({ ...step!, id, minutes: 30, blocks: [] }));
    const { id } = await publishFor(db, world.ines, long);
    const ids = value(
      await assignResources(formFor({ resources: [id], parts: [["a"], ["b"]], spread: "one a meeting" })),
    ).assignments;
    const parts = await Promise.all(ids.map((one) => assignmentById(db, one)));
    expect(parts.map((part) => [part!.part, part!.minutes])).toEqual([
      ["1 of 2", 30],
      ["2 of 2", 30],
    ]);
    expect((await ownAssignment(db, world.students[0]!, ids[1]!, null))!.steps).toEqual(["b"]);
  });

  test("a step may be done in pairs by this class; it is said, and students see it", async () => {
    const { steps } = value(await audienceFor({ resources: [main.id] }));
    expect(steps).toMatchObject([{ title: "A step", work: "alone" }]);
    const form = formFor({ stepWork: [{ step: steps[0]!.id, work: "pairs" }], opens: { kind: "now" } });
    expect(value(await lookBeforeAssigning(form)).said[0]).toContain("; step 1 in pairs");
    const [id] = value(await assignResources(form)).assignments;
    const aisha = visitorOf({ id: world.students[0]!, district: world.district, school: world.here });
    const work = await studentWork(db, aisha, id!, new Date());
    expect(work!.document.steps.map((one) => one.work)).toEqual(["pairs"]);
  });

  test("what stops it is refused by the server too, and nothing is given", async () => {
    const before = (await ownAssignments(db, world.students[0]!, null)).length;
    const form = formFor({ due: { kind: "at", at: "2020-01-01T15:00" } });
    expect(value(await lookBeforeAssigning(form)).findings[0]!.level).toBe("stop");
    expect((await assignResources(form)).ok).toBe(false);
    expect((await ownAssignments(db, world.students[0]!, null)).length).toBe(before);
  });
});

test("of several things each has its own version for somebody, and its own steps done otherwise", async () => {
  const ferries = await publishFor(db, world.ines, lesson("Ferries"));
  const easier = await publishFor(db, world.ines, lesson("Ferries, shorter", { minutes: 10 }));
  await db.query("update resource set source_revision_id = $2 where id = $1", [easier.id, ferries.revision]);
  const { steps, versions } = value(await audienceFor({ resources: [main.id, ferries.id] }));
  expect(versions.map(({ of, title }) => [of, title])).toEqual([
    [main.id, "Tides, shorter"],
    [ferries.id, "Ferries, shorter"],
  ]);
  const [aisha, bo] = world.students;
  const form = formFor({
    resources: [main.id, ferries.id],
    versions: [
      { student: bo!, of: main.id, resource: shorter.id },
      { student: bo!, of: ferries.id, resource: easier.id },
      { student: aisha!, of: ferries.id, resource: easier.id },
    ],
    stepWork: [{ step: steps.find(({ of }) => of === ferries.id)!.id, work: "pairs" }],
  });
  const { said, findings } = value(await lookBeforeAssigning(form));
  expect(findings.filter(({ level }) => level === "stop")).toEqual([]);
  expect(said[0]).toContain("one of them gets the shorter version of “Tides” and the shorter version of “Ferries”");
  expect(said[0]).toContain("one of them gets the shorter version of “Ferries”");
  expect(said[0]).toContain("step 1 of “Ferries” in pairs");
  const [tides, boats] = value(await assignResources(form)).assignments;
  const gets = async (id: number) => (await recipientsOf(db, id)).map(({ title }) => title);
  expect(await gets(tides!)).toEqual(["Tides", "Tides, shorter", "Tides"]);
  expect(await gets(boats!)).toEqual(["Ferries, shorter", "Ferries, shorter", "Ferries"]);
  expect((await assignmentById(db, tides!))!.stepWork).toBeNull();
  expect((await assignmentById(db, boats!))!.stepWork).toEqual({ [form.stepWork[0]!.step]: "pairs" });
  // A version of the one is none of the other.
  const wrong = formFor({ resources: [main.id], versions: [{ student: bo!, of: main.id, resource: easier.id }] });
  expect(await assignResources(wrong)).toMatchObject({ ok: false });
});

test("it opens for a child once earlier work of the class is handed in, and never waits for another teacher's", async () => {
  const [first] = value(
    await assignResources(formFor({ opens: { kind: "now" }, due: { kind: "days", days: 5, time: "15:00" } })),
  ).assignments;
  const { earlier } = value(await audienceFor({ resources: [main.id] }));
  expect(earlier.map(({ id }) => id)).toContain(first);
  const ferries = await publishFor(db, world.ines, lesson("Ferries after tides"));
  const form = formFor({
    resources: [ferries.id],
    opens: { kind: "now" },
    due: { kind: "days", days: 6, time: "15:00" },
    after: first!,
  });
  const { said } = value(await lookBeforeAssigning(form));
  expect(said[0]).toContain("once “Tides” is handed in");
  const [second] = value(await assignResources(form)).assignments;
  const aisha = world.students[0]!;
  expect((await ownAssignment(db, aisha, second!, null))!.waitsFor).toBe("Tides");
  const attempt = (await openAttempt(db, (await ownAssignment(db, aisha, first!, null))!, now))!;
  await handIn(db, attempt.id, now);
  expect((await ownAssignment(db, aisha, second!, null))!.waitsFor).toBeNull();
  await db.query("update class_teacher set person_id = $1 where class_id = $2", [world.teodor, world.class]);
  expect(await assignResources(form)).toMatchObject({ ok: false });
  await db.query("update class_teacher set person_id = $1 where class_id = $2", [world.ines, world.class]);
});

describe("afterwards", () => {
  const give = async (more: Partial<AssignForm> = {}) => value(await assignResources(formFor(more))).assignments[0]!;
  const [aisha, bo] = [0, 1] as const;

  test("a student added later has the times of somebody with more time, closing among them", async () => {
    const id = await give({ to: [{ class: world.class, students: [world.students[aisha]!] }], closes: "due" });
    value(await addStudents({ assignment: id, students: [world.students[2]!] }));
    const [all, later] = [
      (await ownAssignment(db, world.students[aisha]!, id, null))!,
      (await ownAssignment(db, world.students[2]!, id, null))!,
    ];
    expect(all.closes).toEqual(all.due);
    expect(later.due > all.due).toBe(true);
    expect(later.closes).toEqual(later.due);
  });

  test("a student is added, with the more time she has; one who has begun is not taken out", async () => {
    const id = await give({ to: [{ class: world.class, students: [world.students[aisha]!] }] });
    value(await addStudents({ assignment: id, students: [world.students[2]!, world.stranger] }));
    expect((await recipientsOf(db, id)).map(({ factor }) => factor)).toEqual([1, 1.5]);
    value(await removeStudent({ assignment: id, student: world.students[2]! }));
    const assigned = (await ownAssignment(db, world.students[aisha]!, id, null))!;
    const attempt = (await openAttempt(db, assigned, now))!;
    await addResponses(
      db,
      attempt.id,
      [{ key: "k", step: "s", question: "q", value: "a", checked: false, late: false }],
      now,
    );
    expect(await removeStudent({ assignment: id, student: world.students[aisha]! })).toMatchObject({ ok: false });
    expect(await recipientsOf(db, id)).toHaveLength(1);
  });

  test("moved, anyone who has more time keeps it, and anyone who was given more keeps as much more", async () => {
    const id = await give();
    const assignment = (await assignmentById(db, id))!;
    const wall = (moment: Date) => {
      const { date, time } = schoolClock(moment, "Europe/London");
      return `${date}T${time}`;
    };
    const later = new Date(assignment.due.getTime() + 24 * 3_600_000);
    const forBo = { assignment: id, student: world.students[bo]!, resource: main.id, factor: 1 };
    value(await changeForStudent({ ...forBo, due: wall(later) }));
    const moved = new Date(assignment.due.getTime() + 7 * 24 * 3_600_000);
    // While she chooses them, other times go through the last look; one in the past is refused.
    const night = wall(moved).replace(/T.*/, "T23:00");
    const looked = value(
      await lookAtTimes({ assignment: id, opens: wall(assignment.opens), due: night, closes: "never" }),
    );
    expect(looked.findings.map(({ text }) => text).join()).toContain("not in the morning");
    expect(
      await lookAtTimes({ assignment: id, opens: wall(assignment.opens), due: "2024-01-01T10:00", closes: "never" }),
    ).toMatchObject({ ok: false, field: "due" });
    value(await changeTimes({ assignment: id, opens: wall(assignment.opens), due: wall(moved), closes: "never" }));
    const due = async (at: number) => (await ownAssignment(db, world.students[at]!, id, null))!.due.getTime();
    expect(await due(aisha)).toBe(moved.getTime());
    expect((await due(bo)) - moved.getTime()).toBe(24 * 3_600_000);
    expect(await due(2)).toBeGreaterThan(moved.getTime());
    expect(await changeForStudent({ ...forBo, due: "2020-01-01T08:00" })).toMatchObject({
      ok: false,
      field: "due",
    });
  });

  test("a newer revision is for those who have not begun", async () => {
    const id = await give();
    const assigned = (await ownAssignment(db, world.students[aisha]!, id, null))!;
    await openAttempt(db, assigned, now);
    const document = lesson("Tides, improved");
    const newer = await addRevision(db, { resource: main.id, document, hash: "n", author: world.ines, created: now });
    expect((await resourceById(db, main.id))!.head).toBe(newer.id);
    expect(value(await takeNewest({ assignment: id }))).toMatchObject({ changed: 2 });
    expect((await recipientsOf(db, id)).map(({ revision }) => revision)).toEqual([
      assigned.revision,
      newer.id,
      newer.id,
    ]);
  });

  const give2 = async () => {
    const resources = [main.id, shorter.id];
    return value(await assignResources(formFor({ resources })));
  };

  test("given by mistake: gone as if it never had been, but for what somebody has begun in the meantime", async () => {
    const uses = async () =>
      (await db.query<{ uses: number }>("select uses from resource_uses where resource_id = $1", [main.id]))[0]?.uses ??
      0;
    const before = await uses();
    const first = await give2();
    expect(await uses()).toBe(before + 1);
    expect(value(await undoPlan({ event: first.event }))).toEqual({ said: "Taken back." });
    expect(await assignmentById(db, first.assignments[0]!)).toBeUndefined();
    expect(await uses()).toBe(before);
    const second = await give2();
    const [id, begun] = second.assignments;
    await openAttempt(db, (await ownAssignment(db, world.students[bo]!, begun!, null))!, now);
    expect(value(await undoPlan({ event: second.event })).said).toContain("somebody had begun");
    expect(await assignmentById(db, id!)).toBeUndefined();
    expect((await assignmentById(db, begun!))!.calledBack).not.toBeNull();
  });

  test("what somebody has changed since it was given is not taken back, and says so", async () => {
    const { assignments, event } = await give2();
    const assignment = (await assignmentById(db, assignments[0]!))!;
    const later = schoolClock(new Date(assignment.due.getTime() + 7 * 24 * 3_600_000), "Europe/London");
    await db.query("update assignment set due = due + interval '7 days' where id = $1", [assignment.id]);
    expect(await undoPlan({ event })).toMatchObject({ ok: false, problem: expect.stringContaining("changed since") });
    expect(schoolClock((await assignmentById(db, assignment.id))!.due, "Europe/London").date).toBe(later.date);
  });

  test("what is due together is met in the order she puts it in; undone, in the one before", async () => {
    const ids = [await give(), await give(), await give()];
    const met = async () =>
      (await ownAssignments(db, world.students[aisha]!, null))
        .map((assigned) => assigned.assignment)
        .filter((id) => ids.includes(id));
    expect(await met()).toEqual(ids);
    const other = [ids[2]!, ids[0]!, ids[1]!];
    const { event } = value(await orderWork({ assignments: other }));
    expect(await met()).toEqual(other);
    const again = value(await orderWork({ assignments: ids.toReversed() }));
    // Only the newest order can be taken back: the older one is not what stands there any more.
    expect((await undoPlan({ event })).ok).toBe(false);
    value(await undoPlan({ event: again.event }));
    expect(await met()).toEqual(other);
    value(await undoPlan({ event }));
    expect(await met()).toEqual(ids);
    expect((await orderWork({ assignments: [ids[0]!, ids[0]!] })).ok).toBe(false);
  });

  test("given again to others, its settings come along, steps in pairs too", async () => {
    const { steps } = value(await audienceFor({ resources: [main.id] }));
    const stepWork = [{ step: steps[0]!.id, work: "pairs" as const }];
    const like = await give({ stepWork, tries: 3 });
    expect(value(await audienceFor({ resources: [main.id], like })).like).toMatchObject({ stepWork, tries: 3 });
  });

  test("in parts and with versions: assigned again, so are the parts, who had which version, and how far apart it is due", async () => {
    const long = lesson("Long tides");
    const [step] = long.steps;
    const steps = ["one", "two", "three"].map((id) => ({ ...step!, id, blocks: [] }));
    const { id: resource } = await publishFor(db, world.ines, { ...long, steps });
    const parts = [["one", "two"], ["three"]];
    const form = formFor({ resources: [resource], parts, spread: "one a meeting", due: { kind: "meeting end" } });
    const again = async (like: number, of: number) => value(await audienceFor({ resources: [of], like })).like!;
    const [first, second] = value(await assignResources(form)).assignments;
    for (const like of [first!, second!])
      expect(await again(like, resource)).toMatchObject({
        parts,
        spread: "one a meeting",
        due: { kind: "meeting end" },
      });
    const versions = [{ student: world.students[bo]!, of: main.id, resource: shorter.id }];
    const other = await give({ versions, due: { kind: "days", days: 4, time: "14:30" } });
    expect(await again(other, main.id)).toMatchObject({
      versions,
      parts: null,
      spread: "together",
      due: { kind: "days", days: 4, time: "14:30" },
    });
  });

  test("none of it is anybody else's", async () => {
    const { assignments, event } = await give2();
    const [id] = assignments as [number];
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    expect((await addStudents({ assignment: id, students: world.students })).ok).toBe(false);
    expect((await takeNewest({ assignment: id })).ok).toBe(false);
    expect((await undoPlan({ event })).ok).toBe(false);
    expect((await orderWork({ assignments })).ok).toBe(false);
    expect((await assignResources(formFor())).ok).toBe(false);
  });
});
