import { underGoal } from "@/core/results/goal-tag";
import { progressOf, standingOf } from "@/core/results/progress";
import { allQuestions } from "@/core/resource/document";
import { setCalledBack } from "@/data/assign/assignments";
import { addStudentGoal } from "@/data/office/rosters";
import { classesOf, studentsOf } from "@/data/classes/classes";
import { studentGoals } from "@/data/plan/plan";
import { lesson } from "@/data/testing/world";
import { addResponses, handIn, openAttempt, ownAssignment } from "@/data/student/work";
import { actAs, value, visitorOf } from "../testing/as";
import { child, db, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { setGoalCriterion } from "./goal-actions";
import { noteDown, setNote } from "./note-actions";
import { familyLetters } from "./family-letters";
import { studentData } from "./student";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

const later = () => new Date(Date.now() + 60_000);
const of = (student = world.students[0]!) => studentData(db, teacher(), student, later());

/** The first child does a piece of work, right ("a") or wrong ("b"). */
async function done(answer: "a" | "b", more: object = {}, title = `Work ${Math.random()}`): Promise<number> {
  const document = lesson(title);
  const assignment = await newAssignment(more, document);
  const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
  const attempt = (await openAttempt(db, assigned, new Date()))!;
  const { step, question } = allQuestions(document)[0]!;
  const response = { key: "k", step: step.id, question: question.id, value: answer, checked: false, late: false };
  await addResponses(db, attempt.id, [response], new Date());
  await handIn(db, attempt.id, new Date());
  return assignment;
}

test("every piece of work a child handed in is a point, and what was called back is none", async () => {
  const first = await done("b", {}, "First");
  await done("a", {}, "Second");
  const { points } = await of();
  expect(points.map(({ title, gained, outOf }) => [title, gained, outOf])).toEqual([
    ["First", 0, 1],
    ["Second", 1, 1],
  ]);
  expect(progressOf(points).level).toBe(0.5);
  await setCalledBack(db, first, new Date());
  expect((await of()).points.map(({ title }) => title)).toEqual(["Second"]);
  expect((await of(world.students[1]!)).points).toEqual([]);
});

test("results count for a goal once work is tracked under it, also when that is said later", async () => {
  await addStudentGoal(db, world.students[0]!, 2026, "Reads tables");
  const early = await done("a");
  const { goals } = await of();
  expect(goals).toMatchObject([{ goal: "Reads tables", year: 2026, criterion: null }]);
  expect(underGoal((await of()).points, goals[0]!)).toEqual([]);
  await db.query("insert into assignment_goal (assignment_id, tag) values ($1, 'Reads tables (2026)')", [early]);
  await done("a", { goals: ["Reads tables (2026)"] });
  const tracked = underGoal((await of()).points, goals[0]!);
  expect(tracked).toHaveLength(2);
  expect(standingOf(tracked, { share: 0.8, times: 2 })).toMatchObject({ running: 2 });
  expect(standingOf(tracked, { share: 0.8, times: 3 })).toMatchObject({ met: null, running: 2 });
});

test("a goal's criterion is said by who keeps the class, taken back, and never by somebody else", async () => {
  const [goal] = await studentGoals(db, [world.students[0]!]);
  const input = { class: world.class, student: world.students[0]!, goal: goal!.id };
  const criterion = { share: 0.8, times: 3 };
  actAs(teacher());
  value(await setGoalCriterion({ ...input, criterion }));
  expect((await of()).goals[0]!.criterion).toEqual(criterion);
  // Of another child of the class, or of nobody: as if there were no such goal.
  expect(await setGoalCriterion({ ...input, student: world.students[1]!, criterion: null })).toMatchObject({
    ok: false,
  });
  expect(await setGoalCriterion({ ...input, goal: 999_999, criterion: null })).toMatchObject({ ok: false });
  for (const wrong of [
    { share: 1.2, times: 3 },
    { share: 0.8, times: 0 },
    { share: 0, times: 2 },
  ])
    expect(await setGoalCriterion({ ...input, criterion: wrong })).toMatchObject({ ok: false });
  expect((await of()).goals[0]!.criterion).toEqual(criterion);
  actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
  expect(await setGoalCriterion({ ...input, criterion: null })).toMatchObject({ ok: false });
  actAs(child());
  expect(await setGoalCriterion({ ...input, criterion: null })).toMatchObject({ ok: false });
  actAs(teacher());
  value(await setGoalCriterion({ ...input, criterion: null }));
  expect((await of()).goals[0]!.criterion).toBeNull();
});

test("a teacher sees what she works with, and nothing of another class of the child", async () => {
  const [own] = (await of()).points;
  expect(own!.className).toBe("5 Kittiwake");
  const other = visitorOf({ id: world.teodor, district: world.district, school: world.here });
  expect((await studentData(db, other, world.students[0]!, later())).points).toEqual([]);
});

test("letters home say what was handed in this term in this class, for each child of it", async () => {
  const [group] = await classesOf(db, world.ines, later());
  const students = await studentsOf(db, world.class);
  const letters = await familyLetters(db, teacher(), group!, students, later());
  expect(letters.map(({ results }) => results.student)).toEqual(students.map(({ givenName }) => givenName));
  const own = letters.find(({ student }) => student === world.students[0])!;
  expect(own.results.points.length).toBeGreaterThan(1);
  expect(own.results.goals).toMatchObject([{ goal: "Reads tables", closed: false }]);
  expect(letters.find(({ student }) => student === world.students[1])!.results.points).toEqual([]);
  // Of a letter nothing goes to somebody else's family: every point is this child's.
  const others = new Set(letters.flatMap(({ student, results }) => results.points.map(() => student)));
  expect([...others]).toEqual([world.students[0]]);
});

test("teachers of a child note things down for each other; only she who wrote a note removes it, and a child reads none", async () => {
  actAs(teacher());
  const about = { class: world.class, student: world.students[0]! };
  const { note } = value(await noteDown({ ...about, text: "  Reads with a finger on the row. " }));
  expect((await of()).notes).toMatchObject([{ id: note, text: "Reads with a finger on the row.", byId: world.ines }]);
  expect(await noteDown({ ...about, text: "   " })).toMatchObject({ ok: false, field: "text" });
  // A colleague who does not teach the child finds nothing there.
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  expect(await noteDown({ ...about, text: "Hello" })).toMatchObject({ ok: false, code: "notThere" });
  expect(await setNote({ ...about, note, there: false })).toMatchObject({ ok: false });
  actAs(child());
  expect(await setNote({ ...about, note, there: false })).toMatchObject({ ok: false });
  actAs(teacher());
  value(await setNote({ ...about, note, there: false }));
  expect((await of()).notes).toEqual([]);
  value(await setNote({ ...about, note, there: true }));
  expect((await of()).notes).toHaveLength(1);
  expect((await of(world.students[1]!)).notes).toEqual([]);
});
