import { plainSharing } from "@/core/review/sharing";
import { schoolClock } from "@/core/calendar/school-calendar";
import { recipientsOf } from "@/data/assign/recipients";
import { lesson, publishFor, smallCalendar } from "@/data/testing/world";
import { resultTable } from "@/core/results/table";
import { ownAssignment } from "@/data/student/work";
import { workOf } from "@/data/results/work-of-class";
import { workAsItIs } from "@/data/assign/work-rules";
import { actAs, value, visitorOf } from "../testing/as";
import { check, child, db, document, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { changeRules, changeForStudent, lookAtRules, lookForStudent, rulesFor } from "./afterwards-actions";
import { addStudents, removeStudent, takeNewest } from "./assign-actions";
import { undoPlan } from "../plan/plan-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ cookies: () => Promise.resolve({ get: () => undefined }) }));

beforeAll(async () => {
  await openSchool();
  await smallCalendar(db, world, schoolClock(new Date(), "Europe/London").date, [""]);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => void actAs(teacher()));

/** Work given to the class, seen by its teacher. */
async function work(more: object = {}): Promise<number> {
  const id = await newAssignment(more);
  actAs(teacher());
  return id;
}
/** The first child checks an answer; then it is the teacher's turn again. */
async function answered(assignment: number): Promise<void> {
  actAs(child());
  await check(assignment, "a");
  actAs(teacher());
}

/** Changes and undoes; between the two, what is asked must hold. */
async function thereAndBack(assignment: number, event: number, between: () => Promise<void>, before: unknown) {
  await between();
  value(await undoPlan({ event }));
  expect(await workAsItIs(db, assignment)).toEqual(before);
}

test("tries, what counts, checking, goals, days and step work are changed in one act and undone in one", async () => {
  const id = await work({ tries: 2, goals: ["tables"] });
  const before = await workAsItIs(db, id);
  const { rules, audience } = value(await rulesFor({ assignment: id }));
  expect(rules).toMatchObject({ tries: 2, goals: ["tables"], stepWork: [] });
  const step = audience.steps[0]!.id;
  const changed = {
    tries: null,
    keep: "last" as const,
    checking: "after due" as const,
    goals: ["median"],
    openDays: ["2026-12-01"],
    stepWork: [{ step, work: "pairs" as const }],
    sharing: { ...plainSharing, look: "everything" as const },
  };
  const { event } = value(await changeRules({ assignments: [id], rules: changed }));
  await thereAndBack(
    id,
    event,
    async () => expect(value(await rulesFor({ assignment: id })).rules).toEqual(changed),
    before,
  );
});

test("several are changed at once in what is given, keep the rest, and come back together", async () => {
  const ids = [await work({ tries: 1, goals: ["tables"] }), await work({ tries: 3 })];
  const before = [await workAsItIs(db, ids[0]!), await workAsItIs(db, ids[1]!)];
  const { event } = value(await changeRules({ assignments: ids, rules: { checking: "never" } }));
  expect(await workAsItIs(db, ids[0]!)).toEqual({ ...before[0], checking: "never" });
  expect(await workAsItIs(db, ids[1]!)).toEqual({ ...before[1], checking: "never" });
  value(await undoPlan({ event }));
  expect([await workAsItIs(db, ids[0]!), await workAsItIs(db, ids[1]!)]).toEqual(before);
});

test("what it does to answers is said before, and changes nothing", async () => {
  const id = await work({ tries: 2 });
  await answered(id);
  const before = await workAsItIs(db, id);
  expect(value(await lookAtRules({ assignments: [id], rules: { checking: "never" } })).effects.join(" ")).toContain(
    "no longer sees what is right while working",
  );
  expect(await workAsItIs(db, id)).toEqual(before);
});

test("of several, only those somebody has begun are spoken of, and the others are counted", async () => {
  const ids = [await work({ tries: 2 }), await work({ tries: 2 }), await work({ tries: 2 })];
  const rules = { checking: "never" as const };
  expect(value(await lookAtRules({ assignments: ids, rules })).effects).toEqual([
    "Nobody has begun, so no answers change.",
  ]);
  await answered(ids[1]!);
  const { effects } = value(await lookAtRules({ assignments: ids, rules }));
  expect(effects).toHaveLength(2);
  expect(effects[0]).toContain("no longer sees what is right");
  expect(effects[1]).toBe("Nobody has begun 2 of them.");
});

test("a change made since is not overwritten by undoing an earlier one", async () => {
  const id = await work();
  const { event } = value(await changeRules({ assignments: [id], rules: { tries: 3 } }));
  value(await changeRules({ assignments: [id], rules: { keep: "first" } }));
  expect(await undoPlan({ event })).toMatchObject({ ok: false, problem: expect.stringContaining("changed since") });
  expect(await workAsItIs(db, id)).toMatchObject({ tries: 3, keep: "first" });
});

test("one child gets another version with more time; what was answered is kept, and counts again when undone", async () => {
  const easier = await publishFor(db, world.ines, lesson("Tides, easier", { minutes: 10 }));
  const id = await work();
  const resource = (await recipientsOf(db, id))[0]!.resource;
  const { revision } = (await recipientsOf(db, id))[0]!;
  await db.query("update resource set source_revision_id = $2 where id = $1", [easier.id, revision]);
  await answered(id);
  const student = world.students[0]!;
  const wanted = { assignment: id, student, resource: easier.id, factor: 1.5, due: "" };
  expect(value(await lookForStudent(wanted)).effects.join()).toMatch(/None of what .* one answer belongs/);
  const before = await workAsItIs(db, id);
  const marks = async () =>
    resultTable(await workOf(db, id), "best").rows.find((row) => row.student.id === student)!.marks;
  expect(await marks()).toBe(1);
  const { event } = value(await changeForStudent(wanted));
  await thereAndBack(
    id,
    event,
    async () => {
      const assigned = (await ownAssignment(db, student, id, null))!;
      expect(assigned).toMatchObject({ title: "Tides, easier", factor: 1.5 });
      expect(assigned.due > (await ownAssignment(db, world.students[1]!, id, null))!.due).toBe(true);
      expect(await marks()).toBe(0);
    },
    before,
  );
  expect(await marks()).toBe(1);
  // A thing that is no version of it is not given in its place.
  const other = await publishFor(db, world.ines, lesson("Ferries"));
  expect(await changeForStudent({ ...wanted, resource: other.id })).toMatchObject({ ok: false });
  expect(resource).not.toBe(easier.id);
});

test("a student added or taken out is undone; not when she has begun meanwhile", async () => {
  const [aisha, bo] = world.students;
  const id = await work();
  const before = await workAsItIs(db, id);
  const out = value(await removeStudent({ assignment: id, student: bo! }));
  await thereAndBack(id, out.event, async () => expect(await recipientsOf(db, id)).toHaveLength(2), before);
  value(await removeStudent({ assignment: id, student: aisha! }));
  const added = value(await addStudents({ assignment: id, students: [aisha!] }));
  await answered(id);
  expect(await undoPlan({ event: added.event })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("has begun"),
  });
  expect(await recipientsOf(db, id)).toHaveLength(3);
});

test("nobody changes the work of another's class, and what is not a rule is refused", async () => {
  const id = await work();
  actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
  expect(await changeRules({ assignments: [id], rules: { tries: 3 } })).toMatchObject({ ok: false });
  expect(await rulesFor({ assignment: id })).toMatchObject({ ok: false });
  actAs(teacher());
  expect(await changeRules({ assignments: [id], rules: { tries: 0 } })).toMatchObject({ ok: false });
  expect((await workAsItIs(db, id)).tries).toBe(1);
  expect(value(await takeNewest({ assignment: id })).changed).toBe(0);
  expect(document.title.en).toBe("Tides");
});
