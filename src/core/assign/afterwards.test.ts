import { plainSharing } from "../review/sharing";
import { lesson } from "@/data/testing/world";
import { allQuestions } from "../resource/document";
import type { StudentWork, Try } from "../results/table";
import { effectsOfRules, effectsOfVersion, type Rules, type World } from "./afterwards";

const document = lesson("Tides");
const { step, question } = allQuestions(document)[0]!;
const rules = (more: Partial<Rules> = {}): Rules => ({
  tries: 2,
  keep: "best",
  checking: "at once",
  goals: ["tables"],
  openDays: null,
  stepWork: [],
  sharing: plainSharing,
  ...more,
});
const right = "a";
/** The same with another question in the place of the first. */
const other = structuredClone(document);
for (const block of other.steps.flatMap(({ blocks }) => blocks)) if ("question" in block) block.question.id = "else";
const at = (minute: number) => new Date(Date.UTC(2026, 11, 1, 9, minute));
const aTry = (number: number, answer: unknown, handedIn = true): Try => ({
  number,
  startedAt: at(number),
  handedInAt: handedIn ? at(number + 1) : null,
  responses:
    answer === null
      ? []
      : [{ step: step.id, question: question.id, value: answer, at: at(number), checked: true, late: false }],
});
const child = (name: string, ...tries: Try[]): StudentWork => ({ student: { id: name.length, name }, document, tries });
const world = (...works: StudentWork[]): World => ({ works, over: false, today: "2026-12-01" });
const said = (from: Partial<Rules>, to: Partial<Rules>, where: World) => effectsOfRules(rules(from), rules(to), where);

test("where nobody has begun, no answers are touched, whatever changes", () => {
  expect(said({}, { tries: 1, keep: "last" }, world(child("Bo")))).toEqual(["Nobody has begun, so no answers change."]);
});

test("nothing is said where nothing changes", () => {
  expect(said({}, {}, world(child("Bo", aTry(1, right))))).toEqual([]);
});

test("fewer tries close it for those who have used them; more open it again", () => {
  const once = world(child("Bo", aTry(1, right)), child("Ana", aTry(1, right), aTry(2, right)), child("Cy"));
  expect(said({ tries: 2 }, { tries: 1 }, once)).toEqual(["Bo has no try left. What is handed in stays and counts."]);
  expect(said({ tries: 2 }, { tries: null }, once)).toEqual(["Ana can try again."]);
  expect(said({ tries: 1 }, { tries: 3 }, once)).toEqual(["Bo and Ana can try again."]);
});

test("an open try goes on to its end though there are fewer", () => {
  expect(said({ tries: 3 }, { tries: 1 }, world(child("Bo", aTry(1, right), aTry(2, right, false))))).toEqual([]);
});

test("whose marks change with the try that counts is named, with the marks before and after", () => {
  const worse = world(child("Bo", aTry(1, right), aTry(2, null)), child("Ana", aTry(1, right), aTry(2, right)));
  expect(said({ keep: "best" }, { keep: "last" }, worse)).toEqual([
    "Marks change for one student: Bo 1 of 1 → 0 of 1.",
  ]);
  expect(said({ keep: "best" }, { keep: "first" }, worse)).toEqual(["No marks change."]);
});

test("who sees marks now, and who no longer does", () => {
  const both = world(child("Bo", aTry(1, right)), child("Ana", aTry(1, right, false)));
  expect(said({ checking: "at once" }, { checking: "after due" }, both)).toEqual([
    "Ana, at work now, no longer sees what is right while working.",
    "Bo has handed in and no longer sees the marks.",
  ]);
  expect(said({ checking: "never" }, { checking: "at the end" }, both)).toEqual([
    "Bo has handed in and sees the marks now.",
  ]);
  expect(said({ checking: "at the end" }, { checking: "after due" }, { ...both, over: true })).toEqual([]);
});

test("results already in count for a new goal, and no longer for one taken away", () => {
  expect(said({ goals: ["tables"] }, { goals: ["median"] }, world(child("Bo", aTry(1, right))))).toEqual([
    "One result already handed in counts for “median”.",
    "One result no longer counts for “tables”.",
  ]);
});

test("days on which it is not open stop those at work, and keep what they answered", () => {
  const working = world(child("Ana", aTry(1, right, false)));
  expect(said({}, { openDays: ["2026-12-02"] }, working)).toEqual([
    "Ana is at work and cannot go on today; what is answered is kept.",
  ]);
  expect(said({}, { openDays: ["2026-12-01"] }, working)).toEqual([]);
});

test("steps done otherwise are for those who have begun too", () => {
  expect(said({}, { stepWork: [{ step: step.id, work: "pairs" }] }, world(child("Bo", aTry(1, right))))).toEqual([
    "Bo has begun: the steps say it from now on; answers stay.",
  ]);
});

test("another version keeps the answers to questions it shares, and says what becomes of the others", () => {
  const bo = child("Bo", aTry(1, right));
  expect(effectsOfVersion(bo, document)).toEqual(["Bo keeps all that is answered."]);
  expect(effectsOfVersion(bo, other)).toEqual([
    "None of what Bo answered is in this version; one answer belongs to questions it does not have. It is kept and counts again if you change it back.",
  ]);
  expect(effectsOfVersion(child("Cy"), other)).toEqual(["Cy has not begun, so no answers change."]);
});

test("of several answers those that stay and those that are kept aside are counted", () => {
  const answers = (...questions: string[]): Try => ({
    ...aTry(1, null),
    responses: questions.map((id) => ({
      ...{ step: step.id, question: id, value: right, at: at(1), checked: true, late: false },
    })),
  });
  const bo = (...questions: string[]) => effectsOfVersion(child("Bo", answers(...questions)), document);
  expect(bo()).toEqual(["Bo has begun and answered nothing yet."]);
  expect(bo(question.id, question.id)).toEqual(["Bo keeps all that is answered."]);
  expect(bo(question.id, "x")).toEqual([
    "Bo keeps one answer; one answer belongs to questions it does not have. It is kept and counts again if you change it back.",
  ]);
  expect(bo("x", "y")).toEqual([
    "None of what Bo answered is in this version; 2 answers belong to questions it does not have. They are kept and count again if you change it back.",
  ]);
  const two = { ...document, steps: [...document.steps, ...other.steps] };
  const ids = allQuestions(two).map((one) => one.question.id);
  expect(effectsOfVersion(child("Bo", answers(...ids)), two)).toEqual([`Bo keeps all ${ids.length} answered.`]);
  expect(effectsOfVersion(child("Bo", answers(...ids, "x")), two)).toEqual([
    `Bo keeps ${ids.length} answers; one answer belongs to questions it does not have. It is kept and counts again if you change it back.`,
  ]);
});

test("several are spoken of as several", () => {
  const both = world(child("Bo", aTry(1, right)), child("Ana", aTry(1, right)));
  const open = world(child("Bo", aTry(1, right, false)), child("Ana", aTry(1, right, false)));
  expect(said({}, { sharing: { ...plainSharing, putAway: true } }, both)).toEqual([
    "Bo and Ana have handed in and no longer see it.",
  ]);
  expect(said({ sharing: { ...plainSharing, putAway: true } }, {}, both)).toEqual([
    "Bo and Ana have handed in and see it again.",
  ]);
  expect(said({ checking: "at once" }, { checking: "at the end" }, open)).toEqual([
    "Bo and Ana, at work now, no longer see what is right while working.",
  ]);
  expect(
    said(
      { sharing: { ...plainSharing, look: "everything" } },
      { sharing: { ...plainSharing, look: "until good" } },
      both,
    ),
  ).toEqual([]);
});

test("what classmates see, and what is put away", () => {
  const shares = (more: object) => ({ sharing: { ...plainSharing, ...more } });
  const bo = world(child("Bo", aTry(1, right)));
  expect(said({}, shares({ classmates: "any time" }), bo)).toEqual([
    "Classmates can now see the work you have already approved.",
  ]);
  expect(said(shares({ classmates: "any time" }), {}, bo)).toEqual([
    "Classmates no longer see each other's work. All of it is kept.",
  ]);
  expect(said(shares({ look: "everything" }), {}, bo)).toEqual([
    "Work that is already waiting for you stays there; new work no longer waits.",
  ]);
  expect(said({}, shares({ putAway: true }), bo)).toEqual(["Bo has handed in and no longer sees it."]);
  expect(said(shares({ putAway: true }), {}, bo)).toEqual(["Bo has handed in and sees it again."]);
});
