import readXlsxFile from "read-excel-file/node";
import { goalTagsOf } from "@/data/assign/goal-tags";
import { classesOf } from "@/data/classes/classes";
import { lesson } from "@/data/testing/world";
import { addResponses, handIn, openAttempt, ownAssignment } from "@/data/student/work";
import { allQuestions, type Document } from "@/core/resource/document";
import { actAs, value, visitorOf } from "../testing/as";
import { db, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { GET as csv } from "@/app/(teacher)/results/marks/[class]/csv/route";
import { GET as xlsx } from "@/app/(teacher)/results/marks/[class]/xlsx/route";
import { endGoal, lookAtGoals, renameGoalTag, renameGoalTagBack } from "./goal-tag-actions";
import { changeMarkRules, changeWeight, excuse } from "./mark-table-actions";
import { markTableData } from "./mark-table";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

const [tidesLesson, kelpLesson] = [lesson("Tides"), lesson("Kelp")];

beforeAll(() => openSchool(), 60_000);
afterAll(() => db.close());
beforeEach(async () => {
  await db.query("delete from assignment");
  await db.query("delete from mark_rules");
});

/** The n-th child hands in an answer to the one question: right or wrong. */
async function does(assignment: number, at: number, right: boolean, document: Document) {
  const assigned = (await ownAssignment(db, world.students[at]!, assignment, null))!;
  const attempt = (await openAttempt(db, assigned, new Date()))!;
  const { step, question } = allQuestions(document)[0]!;
  const response = {
    key: `k${at}`,
    step: step.id,
    question: question.id,
    value: right ? "a" : "b",
    checked: false,
    late: false,
  };
  await addResponses(db, attempt.id, [response], new Date());
  await handIn(db, attempt.id, new Date());
}
async function table(goal?: string, now = new Date(Date.now() + 60_000)) {
  actAs(teacher());
  const [group] = await classesOf(db, world.ines, now);
  return markTableData(db, teacher(), group!, { stretch: undefined, goal }, now);
}
const totals = async () => (await table()).table.rows.map(({ total }) => total);

test("each child's marks in each piece of work, with a total; weights, the lowest and what is missing count as the rules say", async () => {
  const tides = await newAssignment({}, tidesLesson);
  const kelp = await newAssignment({ goals: ["sea words"] }, kelpLesson);
  await does(tides, 0, true, tidesLesson);
  await does(kelp, 0, false, kelpLesson);
  await does(tides, 1, true, tidesLesson);
  actAs(teacher());
  expect(await totals()).toEqual(["50.0", "100.0", null]);
  value(await changeWeight({ assignment: tides, weight: 300 }));
  expect((await totals())[0]).toBe("75.0");
  expect(
    value(await changeMarkRules({ class: world.class, rules: { lowest: 1, missing: "nothing", by: "work" } })).before,
  ).toEqual({
    ...{ lowest: 0, missing: "left out", by: "work" },
  });
  expect((await totals())[0]).toBe("100.0");
  // Due in two days: nobody is missing yet. Then they are, and it is among the lowest.
  const later = await table(undefined, new Date(Date.now() + 72 * 3_600_000));
  expect(later.table.rows.map(({ cells }) => cells[kelp]?.kind)).toEqual(["marks", "missing", "missing"]);
  expect(later.table.rows[1]).toMatchObject({ total: "100.0", dropped: [kelp] });
  const goal = await table("sea words");
  expect(goal.table.columns.map(({ work }) => work.title)).toEqual(["Kelp"]);
  expect(goal.goals).toEqual(["sea words"]);
});

test("two rules changed one after the other both hold, though the second knew nothing of the first", async () => {
  await newAssignment({}, tidesLesson);
  actAs(teacher());
  value(await changeMarkRules({ class: world.class, rules: { lowest: 2 } }));
  value(await changeMarkRules({ class: world.class, rules: { by: "marks" } }));
  expect((await table()).rules).toEqual({ lowest: 2, by: "marks", missing: "left out" });
  expect(value(await changeMarkRules({ class: world.class, rules: { lowest: 0 } })).before.lowest).toBe(2);
});

test("who is excused has no mark there, until she is not any more", async () => {
  const tides = await newAssignment({}, tidesLesson);
  await does(tides, 0, false, tidesLesson);
  actAs(teacher());
  expect((await totals())[0]).toBe("0.0");
  value(await excuse({ assignment: tides, student: world.students[0]!, excused: true }));
  const [row] = (await table()).table.rows;
  expect(row).toMatchObject({ total: null, cells: { [tides]: { kind: "excused" } } });
  value(await excuse({ assignment: tides, student: world.students[0]!, excused: false }));
  expect((await totals())[0]).toBe("0.0");
  expect((await excuse({ assignment: tides, student: world.ines, excused: true })).ok).toBe(false);
});

test("the same as CSV and as a spreadsheet, with or without names", async () => {
  const tides = await newAssignment({}, tidesLesson);
  await does(tides, 0, true, tidesLesson);
  actAs(teacher());
  const asked = (kind: string, more = "") =>
    [
      new Request(`http://satchel.example/results/marks/${world.class}/${kind}?${more}`),
      { params: Promise.resolve({ class: String(world.class) }) },
    ] as const;
  const text = await (await csv(...asked("csv"))).text();
  expect(text).toContain("Student,Total %,Tides");
  expect(text).toMatch(/\r\n[^,]+,100,100\r\n/);
  const book = Buffer.from(await (await xlsx(...asked("xlsx", "names=none"))).arrayBuffer());
  const { data } = (await readXlsxFile(book))[0]!;
  expect(data[1]!.slice(0, 3)).toEqual(["Student", "Total %", "Tides"]);
  expect(data[3]!.slice(0, 3)).toEqual(["Student 1", 100, 100]);
  expect(data[0]![2]).toBeInstanceOf(Date);
});

test("others' classes are not there, whether they exist or not", async () => {
  const tides = await newAssignment({}, tidesLesson);
  actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
  const rules = { lowest: 1, missing: "nothing", by: "work" } as const;
  expect(await changeMarkRules({ class: world.class, rules })).toEqual(
    await changeMarkRules({ class: 999_999, rules }),
  );
  expect((await changeWeight({ assignment: tides, weight: 0 })).ok).toBe(false);
  expect((await excuse({ assignment: tides, student: world.students[0]!, excused: true })).ok).toBe(false);
  actAs(teacher());
  expect((await table()).rules.lowest).toBe(0);
  expect((await changeMarkRules({ class: world.class, rules: { ...rules, lowest: 6 } })).ok).toBe(false);
});

describe("goals", () => {
  const tagged = async () =>
    (
      await db.query<{ tags: string }>(
        `select string_agg(tag, ', ' order by tag) tags from assignment_goal group by assignment_id order by assignment_id`,
      )
    ).map(({ tags }) => tags);

  test("one is renamed in all her work, one that has that name takes it in, and both can be taken back", async () => {
    await newAssignment({ goals: ["sea words", "tides"] }, tidesLesson);
    await newAssignment({ goals: ["sea words"] }, kelpLesson);
    actAs(teacher());
    const first = value(await renameGoalTag({ from: "sea words", to: "tides" }));
    expect(await tagged()).toEqual(["tides", "tides"]);
    value(await renameGoalTagBack({ from: "sea words", to: "tides", ...first }));
    expect(await tagged()).toEqual(["sea words, tides", "sea words"]);
    expect((await renameGoalTag({ from: "not there", to: "tides" })).ok).toBe(false);
    expect((await renameGoalTag({ from: "tides", to: " " })).ok).toBe(false);
  });

  test("one that is ended is offered no more, and its results stay", async () => {
    await newAssignment({ goals: ["sea words"] }, tidesLesson);
    actAs(teacher());
    expect(await goalTagsOf(db, world.ines)).toEqual(["sea words"]);
    value(await endGoal({ tag: "sea words", ended: true }));
    expect(await goalTagsOf(db, world.ines)).toEqual([]);
    expect(value(await lookAtGoals({})).goals).toEqual([{ tag: "sea words", works: 1, ended: true }]);
    expect((await table("sea words")).table.columns).toHaveLength(1);
    value(await endGoal({ tag: "sea words", ended: false }));
    expect(await goalTagsOf(db, world.ines)).toEqual(["sea words"]);
  });

  test("others' work is not renamed, and not renamed back", async () => {
    const tides = await newAssignment({ goals: ["sea words"] }, tidesLesson);
    actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
    expect((await renameGoalTag({ from: "sea words", to: "mine" })).ok).toBe(false);
    const back = { from: "mine", to: "sea words", renamed: [tides], merged: [] };
    expect((await renameGoalTagBack(back)).ok).toBe(false);
    expect(await tagged()).toEqual(["sea words"]);
  });
});
