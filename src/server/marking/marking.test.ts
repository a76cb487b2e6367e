import { newQuestion } from "@/core/question/new-question";
import { allQuestions } from "@/core/resource/document";
import { plainRubric, skillRubric, type Rubric } from "@/core/marking/rubric";
import { outcomesOfStudent } from "@/data/results/student";
import { addResponses, handIn, openAttempt, ownAssignment } from "@/data/student/work";
import { workOf } from "@/data/results/work-of-class";
import { resultTable } from "@/core/results/table";
import { actAs, value, visitorOf } from "../testing/as";
import { child, db, document, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { judge } from "../results/judge";
import { studentWork } from "../student/student-work";
import { markingOf } from "./marking";
import { chooseWay, giveMark, keepRubric, putRubricAway, settleMark, withdrawMark } from "./marking-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

const writing = { ...newQuestion("longText", "en", () => "w"), id: "w", marks: 4 };
const lesson = {
  ...document,
  steps: document.steps.map((step) => ({
    ...step,
    blocks: [...step.blocks, { id: "wb", type: "question", question: writing }],
  })),
} as typeof document;
const rubric: Rubric = {
  name: "A letter",
  criteria: [
    { id: "r", name: "Reasons", levels: [0, 2].map((marks) => ({ name: marks ? "yes" : "no", marks, words: "" })) },
    { id: "s", name: "Spelling", levels: [0, 1].map((marks) => ({ name: marks ? "yes" : "no", marks, words: "" })) },
  ],
};
/** Who teaches the class as well. */
const colleague = () => visitorOf({ id: world.teodor, district: world.district, school: world.here });

let assignment: number;
let answer: { assignment: number; student: number; number: number; question: string };
const nothing = { rubric: null, levels: {}, marks: null, comment: "", onlyWords: false };

beforeAll(async () => {
  await openSchool();
  await db.query(
    "insert into class_teacher (class_id, person_id, role) values ($1, $2, 'co-teacher') on conflict do nothing",
    [world.class, world.teodor],
  );
}, 60_000);
afterAll(() => db.close());
beforeEach(async () => {
  assignment = await newAssignment({ checking: "at the end" }, lesson);
  answer = { assignment, student: world.students[0]!, number: 1, question: "w" };
  const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
  const attempt = (await openAttempt(db, assigned, new Date()))!;
  const { step } = allQuestions(lesson).find(({ question }) => question.id === "w")!;
  const response = { key: "k", step: step.id, question: "w", value: "Dear keeper", checked: false, late: false };
  await addResponses(db, attempt.id, [response], new Date());
  await handIn(db, attempt.id, new Date());
  actAs(teacher());
});

const row = async () =>
  resultTable(await workOf(db, assignment), "best").rows.find((one) => one.student.id === answer.student)!;
const seenByChild = async () => (await studentWork(db, child(), assignment, new Date()))!.marks!.w!;

test("a mark counts in the table, over weeks, and on the child's page, with what was said", async () => {
  expect(await row()).toMatchObject({ marks: 0, outOf: 1, toRead: 1 });
  expect((await seenByChild()).verdict).toBe("to read");
  value(await giveMark({ ...answer, ...nothing, marks: 2.5, comment: "Tell me more." }));
  expect(await row()).toMatchObject({ marks: 2.5, outOf: 5, toRead: 0 });
  expect(await seenByChild()).toMatchObject({ marks: 2.5, outOf: 4, person: { comment: "Tell me more.", levels: "" } });
  await judge(db, [assignment]);
  const outcomes = await outcomesOfStudent(db, world.ines, answer.student, new Date(Date.now() + 60_000));
  expect(outcomes.find((one) => one.assignment === assignment)).toMatchObject({ gained: 2.5, outOf: 5 });
  // Taken back, everything is as before.
  value(await withdrawMark(answer));
  expect(await row()).toMatchObject({ marks: 0, outOf: 1, toRead: 1 });
  await judge(db, [assignment]);
  const after = await outcomesOfStudent(db, world.ines, answer.student, new Date(Date.now() + 60_000));
  expect(after.find((one) => one.assignment === assignment)).toMatchObject({ gained: 0, outOf: 1 });
});

test("by a rubric there are marks once every criterion has a level; words can be said before", async () => {
  const { rubric: id } = value(await keepRubric({ content: rubric, replaces: null }));
  expect(value(await chooseWay({ assignment, question: "w", rubric: id }))).toEqual({ before: null });
  value(await giveMark({ ...answer, ...nothing, rubric: id, levels: { r: 1 }, comment: "Good so far." }));
  expect(await row()).toMatchObject({ toRead: 1 });
  expect(await seenByChild()).toMatchObject({ verdict: "to read", person: { comment: "Good so far.", levels: "" } });
  value(await giveMark({ ...answer, ...nothing, rubric: id, levels: { r: 1, s: 0 } }));
  expect(await row()).toMatchObject({ marks: 2, outOf: 4 });
  expect((await seenByChild()).person!.levels).toBe("Reasons: yes · Spelling: no");
});

test("a rubric that is changed leaves the marks that were given, and only words said afterwards leave them too", async () => {
  const { rubric: id } = value(await keepRubric({ content: rubric, replaces: null }));
  value(await chooseWay({ assignment, question: "w", rubric: id }));
  value(await giveMark({ ...answer, ...nothing, rubric: id, levels: { r: 1, s: 1 } }));
  const { rubric: changed } = value(await keepRubric({ content: skillRubric("Letters", "l"), replaces: id }));
  expect((await markingOf(db, teacher(), assignment)).ways.w!.id).toBe(changed);
  expect(await row()).toMatchObject({ marks: 3, outOf: 4 });
  value(await giveMark({ ...answer, ...nothing, rubric: changed, comment: "Well done.", onlyWords: true }));
  expect(await row()).toMatchObject({ marks: 3, outOf: 4 });
  expect(await seenByChild()).toMatchObject({
    person: { comment: "Well done.", levels: "Reasons: yes · Spelling: yes" },
  });
  // What another window still shows marks nothing by a rubric that is gone.
  expect((await giveMark({ ...answer, ...nothing, rubric: id, levels: { r: 0, s: 0 } })).ok).toBe(false);
  expect((await keepRubric({ content: rubric, replaces: id })).ok).toBe(false);
});

test("two mark without seeing each other's; the first counts until they settle on the other", async () => {
  value(await giveMark({ ...answer, ...nothing, marks: 2 }));
  actAs(colleague());
  const before = (await markingOf(db, colleague(), assignment)).standing[0]!;
  expect(before).toMatchObject({ all: [], counts: null, hidden: ["ines Test"] });
  value(await giveMark({ ...answer, ...nothing, marks: 4 }));
  const after = (await markingOf(db, colleague(), assignment)).standing[0]!;
  expect(after.all.map(({ marks }) => marks)).toEqual([2, 4]);
  expect(await row()).toMatchObject({ marks: 2 });
  value(await settleMark({ ...answer, marker: world.teodor }));
  expect(await row()).toMatchObject({ marks: 4 });
  expect((await settleMark({ ...answer, marker: world.judit })).ok).toBe(false);
});

test.each([
  ["more marks than it is worth", { marks: 4.5 }],
  ["thirds of a mark", { marks: 1 / 3 }],
  ["less than nothing", { marks: -1 }],
])("%s are refused, and nothing is kept", async (_, more) => {
  expect((await giveMark({ ...answer, ...nothing, ...more })).ok).toBe(false);
  expect(await row()).toMatchObject({ toRead: 1 });
});

test("what a rule marks, what was not handed in, and others' classes are not there to be marked", async () => {
  const rule = allQuestions(lesson).find(({ question }) => question.id !== "w")!.question.id;
  const other = { ...answer, student: world.students[1]! };
  for (const one of [{ ...answer, question: rule }, other, { ...answer, number: 2 }])
    expect(await giveMark({ ...one, ...nothing, marks: 1 })).toMatchObject({ ok: false });
  actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
  const refused = await giveMark({ ...answer, ...nothing, marks: 1 });
  expect(refused).toEqual(await giveMark({ ...answer, assignment: 999_999, ...nothing, marks: 1 }));
  expect(await row()).toMatchObject({ toRead: 1 });
});

test("rubrics are the teacher's own: put away and brought back, not used or changed by others", async () => {
  const { rubric: id } = value(await keepRubric({ content: rubric, replaces: null }));
  const mine = async () => (await markingOf(db, teacher(), assignment)).rubrics.some((one) => one.id === id);
  expect(await mine()).toBe(true);
  value(await putRubricAway({ rubric: id, away: true }));
  expect(await mine()).toBe(false);
  expect((await chooseWay({ assignment, question: "w", rubric: id })).ok).toBe(false);
  value(await putRubricAway({ rubric: id, away: false }));
  actAs(colleague());
  expect((await putRubricAway({ rubric: id, away: true })).ok).toBe(false);
  expect((await keepRubric({ content: rubric, replaces: id })).ok).toBe(false);
  expect((await chooseWay({ assignment, question: "w", rubric: id })).ok).toBe(false);
  expect((await keepRubric({ content: plainRubric("x"), replaces: null })).ok).toBe(false);
});
