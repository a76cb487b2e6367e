import { plainForm } from "@/core/assign/plain-form";
import type { AssignForm } from "@/core/assign/form";
import { allQuestions, withQuestions } from "@/core/resource/document";
import { richText } from "@/core/resource/rich-text";
import { resultTable } from "@/core/results/table";
import { POST as sendResponses } from "@/app/student/[assignment]/responses/route";
import type { Db } from "@/data/db";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { taskOf, workOf } from "@/data/work";
import { keepAnswers } from "../keep-answers";
import { studentWork } from "../student-work";
import { actAs, answerFrom, visitorOf } from "../testing/as";
import { assignResources, callBack, changeTimes } from "./assign";
import { countLateAnswers } from "./results";
import { beginQuestion, checkAnswer, handIn, tryAgain } from "./student";

jest.mock("../session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

let db: Db;
let world: World;
const teacher = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const child = (at = 0) =>
  visitorOf({ id: world.students[at]!, district: world.district, school: world.here }, { kind: "student", roles: [] });
const value = <Value>(outcome: { ok: true; value: Value } | { ok: false; problem: string }): Value => {
  if (!outcome.ok) throw new Error(outcome.problem);
  return outcome.value;
};
const later = (hours: number) => new Date(Date.now() + hours * 3_600_000).toISOString().slice(0, 16);

const document = lesson("Tides");
const { question } = allQuestions(document)[0]!;

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());

const formFor = (resource: number, students = world.students): AssignForm =>
  plainForm(
    { resources: [resource], to: [{ class: world.class, students }] },
    { opens: { kind: "now" }, due: { kind: "at", at: later(48) } },
  );

async function given(more: object = {}, lessonGiven = document): Promise<number> {
  actAs(teacher());
  const { id } = await publishFor(db, world.ines, lessonGiven);
  const { assignments } = value(await assignResources({ ...formFor(id), ...more }));
  actAs(child());
  return assignments[0]!;
}
const check = (assignment: number, answer: unknown, key = `key-${Math.random()}`) =>
  checkAnswer({ assignment, question: question.id, key, value: answer });

describe("giving work", () => {
  test("a date that is past is refused, with its field, and nothing is given", async () => {
    await expect(given({ due: { kind: "at", at: "2020-01-01T15:00" } })).rejects.toThrow(/already past/);
    const before = await db.query("select count(*) n from assignment");
    actAs(teacher());
    const { id } = await publishFor(db, world.ines, document);
    const outcome = await assignResources(formFor(id, []));
    expect(outcome).toMatchObject({ ok: false, problem: "Choose at least one student.", field: "to.0.students" });
    expect(await db.query("select count(*) n from assignment")).toEqual(before);
  });

  test("not to a class that is not hers, nor to a child who is not in it", async () => {
    await expect(given({ to: [{ class: world.class + 100, students: world.students }] })).rejects.toThrow(
      /not yours to see/,
    );
    await expect(given({ to: [{ class: world.class, students: [world.stranger] }] })).rejects.toThrow(
      /not yours to see/,
    );
  });

  test("the due date moves forward, never into the past", async () => {
    const assignment = await given();
    actAs(teacher());
    const change = (due: string) => changeTimes({ assignment, opens: later(-1), due, closes: "never" });
    value(await change(later(72)));
    expect(await change("2020-01-01T08:00")).toMatchObject({ ok: false, field: "due" });
    expect(await change("whenever")).toMatchObject({
      ok: false,
      problem: "Say when it is due.",
    });
    actAs(child());
    expect((await change(later(72))).ok).toBe(false);
  });
});

describe("a child's work", () => {
  test("is seen without any answer, and checked on the server", async () => {
    const assignment = await given();
    const data = (await studentWork(db, child(), assignment, new Date()))!;
    expect(JSON.stringify(data.document)).not.toContain('"right":"a"');
    expect(data).toMatchObject({ attempt: null, values: {}, marks: null, mayCheck: [question.id], triesLeft: true });
    expect(value(await check(assignment, "b")).mark).toMatchObject({ verdict: "wrong", marks: 0 });
    expect(value(await check(assignment, "a")).mark).toMatchObject({ verdict: "right", marks: 1 });
    expect((await studentWork(db, child(), assignment, new Date()))!.values).toEqual({ [question.id]: "a" });
  });

  test("feedback comes with the verdict it belongs to", async () => {
    const kind = {
      ...document,
      steps: document.steps.map((step) => ({
        ...step,
        blocks: step.blocks.map((block) =>
          block.type === "question"
            ? { ...block, question: { ...block.question, feedback: { wrong: { en: richText("Look again.") } } } }
            : block,
        ),
      })),
    };
    const assignment = await given({}, kind);
    expect(value(await check(assignment, "b")).feedback).toEqual({ en: richText("Look again.") });
    expect(value(await check(assignment, "a")).feedback).toBeNull();
  });

  test("is not checked where the teacher said at the end, and then shows its marks", async () => {
    const assignment = await given({ checking: "at the end" });
    expect(await check(assignment, "a")).toMatchObject({ ok: false, problem: "This is not checked now." });
    value(await tryAgain({ assignment }));
    value(await handIn({ assignment }));
    expect((await studentWork(db, child(), assignment, new Date()))!.marks).toMatchObject({
      [question.id]: { verdict: "blank" },
    });
  });

  test("shows no marks at all where the teacher said never", async () => {
    const assignment = await given({ checking: "never" });
    value(await tryAgain({ assignment }));
    value(await handIn({ assignment }));
    expect((await studentWork(db, child(), assignment, new Date()))!.marks).toEqual({});
  });

  test("an answer of the wrong shape, or to a question that is not there, is refused", async () => {
    const assignment = await given();
    expect((await check(assignment, { not: "a choice" })).ok).toBe(false);
    expect((await checkAnswer({ assignment, question: "gone", key: "a-long-key", value: "a" })).ok).toBe(false);
  });

  test("cannot be done before it opens", async () => {
    const assignment = await given({ opens: { kind: "at", at: later(1) } });
    expect(await check(assignment, "a")).toMatchObject({ ok: false, problem: "This has not begun yet." });
    expect(await studentWork(db, child(), assignment, new Date())).toBeNull();
  });

  test("once handed in it stays handed in; a second try only where one was given", async () => {
    const assignment = await given();
    value(await check(assignment, "a"));
    value(await handIn({ assignment }));
    value(await handIn({ assignment }));
    expect(await tryAgain({ assignment })).toEqual({ ok: false, problem: "All your tries are used." });
    expect(await check(assignment, "b")).toMatchObject({ ok: false });
    const [first] = await workOf(db, assignment);
    expect(first!.tries).toHaveLength(1);
    expect(first!.tries[0]!.responses.map((response) => response.value)).toEqual(["a"]);
  });

  test("called back, it is gone for the child and what was answered is kept for the teacher", async () => {
    const assignment = await given();
    value(await check(assignment, "a"));
    actAs(teacher());
    value(await callBack({ assignments: [assignment], back: true }));
    actAs(child());
    expect((await check(assignment, "b")).ok).toBe(false);
    expect((await workOf(db, assignment))[0]!.tries[0]!.responses).toHaveLength(1);
  });

  test("is nobody else's: not another child's, not a teacher's", async () => {
    const assignment = await given({ to: [{ class: world.class, students: [world.students[0]!] }] });
    actAs(child(1));
    expect((await check(assignment, "a")).ok).toBe(false);
    actAs(teacher());
    expect((await check(assignment, "a")).ok).toBe(false);
  });
});

/** What a device sends: an answer to the one question, written so many seconds ago. */
async function send(
  assignment: number,
  answer: unknown,
  more: { ago?: number; recipient?: number; number?: number } = {},
) {
  const [own] = await db.query<{ id: number }>(
    "select id from recipient where assignment_id = $1 and student_id = $2",
    [assignment, world.students[0]],
  );
  const items = [{ key: `key-${Math.random()}`, question: question.id, value: answer, age: (more.ago ?? 0) * 1000 }];
  const request = new Request(`http://satchel.example/student/${assignment}/responses`, {
    method: "POST",
    headers: { "content-type": "application/json", "sec-fetch-site": "same-origin" },
    body: JSON.stringify({ recipient: more.recipient ?? own!.id, number: more.number ?? 1, items }),
  });
  const response = await sendResponses(request, { params: Promise.resolve({ assignment: String(assignment) }) });
  const said = (await response.json()) as {
    kept: string[];
    refused: string[];
    late: boolean;
    newer: object;
    why: string;
  };
  return { status: response.status, ...said };
}

const startedAgo = (assignment: number, seconds: number) =>
  db.query(
    `update attempt set started = now() - make_interval(secs => $2)
      where recipient_id in (select id from recipient where assignment_id = $1)`,
    [assignment, seconds],
  );
const stands = async (assignment: number) =>
  (await studentWork(db, child(), assignment, new Date()))!.values[question.id];

describe("answers from several devices", () => {
  test("the one that was written last counts, whichever came first; the other device is told", async () => {
    const assignment = await given({ checking: "at the end" });
    value(await tryAgain({ assignment }));
    await startedAgo(assignment, 600);
    expect(await send(assignment, "a", { ago: 60 })).toMatchObject({ status: 200, newer: {} });
    // A phone that had been away sends what was written before that.
    expect(await send(assignment, "b", { ago: 300 })).toMatchObject({ newer: { [question.id]: "a" } });
    expect(await stands(assignment)).toBe("a");
    expect(await send(assignment, "b", { ago: 5 })).toMatchObject({ newer: {} });
    expect(await stands(assignment)).toBe("b");
  });

  test("an answer that was changed while the one before was checked stays, in either order of arrival", async () => {
    const assignment = await given();
    value(await tryAgain({ assignment }));
    await startedAgo(assignment, 600);
    await send(assignment, "b", { ago: 1 });
    const checked = { assignment, question: question.id, key: "checked-key", value: "a", age: 3000 };
    expect(value(await checkAnswer(checked)).mark.verdict).toBe("right");
    expect(await stands(assignment)).toBe("b");
    await send(assignment, "a", { ago: 0 });
    expect(await stands(assignment)).toBe("a");
  });

  test("no clock makes an answer older than its try, or newer than now", async () => {
    const assignment = await given();
    value(await tryAgain({ assignment }));
    await send(assignment, "b", { ago: 20 * 86_400 });
    const [first] = (await workOf(db, assignment))[0]!.tries;
    expect(Date.now() - first!.responses[0]!.at.getTime()).toBeLessThan(60_000);
  });

  test("what waited for one child on a shared device is never put down as another's; nor in another try", async () => {
    const assignment = await given({ tries: 2 });
    value(await tryAgain({ assignment }));
    actAs(child(1));
    expect(await send(assignment, "a")).toMatchObject({ status: 404 });
    actAs(child());
    expect(await send(assignment, "a", { number: 2 })).toMatchObject({ status: 409, why: "handed in" });
    expect((await workOf(db, assignment)).every(({ tries }) => tries.every((one) => one.responses.length === 0))).toBe(
      true,
    );
  });

  test("an answer with signs the database refuses keeps none of the others back", async () => {
    const assignment = await given();
    const task = (await taskOf(db, world.students[0]!, assignment, null))!;
    const items = ["strange-\0", "good-one", "good-two"].map((key) => ({
      key,
      question: question.id,
      value: "a",
      age: 0,
    }));
    expect(await keepAnswers(db, { task, zone: "Europe/London", now: new Date(), number: 1, items })).toMatchObject({
      kept: ["good-one", "good-two"],
      refused: ["strange-\0"],
    });
  });
});

describe("a question that has a time", () => {
  const timed = {
    ...document,
    steps: document.steps.map((step) => withQuestions(step, (one) => ({ ...one, seconds: 60 }))),
  };
  const begin = (assignment: number) => beginQuestion({ assignment, question: question.id });
  /** As if it had been opened so long ago. */
  const openedAgo = (assignment: number, seconds: number) =>
    db.query(
      `update question_begun set begun = now() - make_interval(secs => $2) where attempt_id in
         (select t.id from attempt t join recipient r on r.id = t.recipient_id where r.assignment_id = $1)`,
      [assignment, seconds],
    );

  test("says nothing of what it asks until it is opened, and cannot be answered before", async () => {
    const assignment = await given({}, timed);
    const seen = (await studentWork(db, child(), assignment, new Date()))!;
    expect(seen.limits).toEqual({ [question.id]: { seconds: 60, left: null } });
    expect(JSON.stringify(seen.document)).not.toContain("Which?");
    expect(await check(assignment, "a")).toMatchObject({ ok: false, problem: "Begin this question first." });
    expect(await send(assignment, "a")).toMatchObject({ kept: [], refused: [expect.anything()] });
  });

  test("opened, it is there with its time and without its answer; opened again, the time goes on", async () => {
    const assignment = await given({}, timed);
    const opened = value(await begin(assignment));
    expect(opened).toMatchObject({ left: 60, question: { prompt: question.prompt, right: null } });
    await openedAgo(assignment, 45);
    const again = value(await begin(assignment));
    expect(again.left).toBeLessThanOrEqual(15);
    const seen = (await studentWork(db, child(), assignment, new Date()))!;
    expect(seen.limits[question.id]!.left).toBeLessThanOrEqual(15);
    expect(JSON.stringify(seen.document)).toContain("Which?");
    expect(value(await check(assignment, "a")).mark.verdict).toBe("right");
  });

  test("what comes when its time is over is kept for the teacher and does not count", async () => {
    const assignment = await given({}, timed);
    value(await begin(assignment));
    expect((await send(assignment, "b")).kept).toHaveLength(1);
    await openedAgo(assignment, 90);
    expect(await check(assignment, "a")).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/time .* is over/),
    });
    expect((await send(assignment, "a")).kept).toHaveLength(1);
    expect((await studentWork(db, child(), assignment, new Date()))!.values).toEqual({ [question.id]: "b" });
    const { rows } = resultTable(await workOf(db, assignment), "best");
    expect(rows[0]!.cells[question.id]).toMatchObject({ mark: { verdict: "wrong" }, late: "a" });
  });

  test("a child with one and a half times as long has that here too", async () => {
    const assignment = await given({}, timed);
    await db.query("update recipient set time_factor = 1.5 where assignment_id = $1", [assignment]);
    expect(value(await begin(assignment)).left).toBe(90);
    await openedAgo(assignment, 80);
    expect((await check(assignment, "a")).ok).toBe(true);
  });

  test("another try has its own time", async () => {
    const assignment = await given({ tries: 2 }, timed);
    value(await begin(assignment));
    value(await handIn({ assignment }));
    value(await tryAgain({ assignment }));
    expect((await studentWork(db, child(), assignment, new Date()))!.limits[question.id]!.left).toBeNull();
  });

  test("one without a time has nothing to begin, and another child's is none of hers", async () => {
    expect(await begin(await given())).toMatchObject({ ok: false, problem: "This question has no time." });
    const assignment = await given({ to: [{ class: world.class, students: [world.students[0]!] }] }, timed);
    actAs(child(1));
    expect((await begin(assignment)).ok).toBe(false);
  });
});

describe("a door that is not open", () => {
  const shut = async (assignment: number) => {
    await db.query(
      "update assignment set opens = opens - interval '3 days', due = now() - interval '1 hour', closes = now() - interval '1 hour' where id = $1",
      [assignment],
    );
  };

  test("closed, nothing is checked, handed in or begun, and what was answered is kept", async () => {
    const assignment = await given({ closes: "due" });
    value(await check(assignment, "b"));
    await shut(assignment);
    expect(await check(assignment, "a")).toEqual({ ok: false, problem: "This is closed. What you answered is kept." });
    expect((await handIn({ assignment })).ok).toBe(false);
    expect(await studentWork(db, child(), assignment, new Date())).toBeNull();
    expect((await workOf(db, assignment))[0]!.tries[0]!.responses).toHaveLength(1);
    // Whoever had not begun finds no way in.
    actAs(child(1));
    expect((await tryAgain({ assignment })).ok).toBe(false);
  });

  test("what a device sends after it closed is kept aside, replaces nothing, and counts only when the teacher says so", async () => {
    const assignment = await given({ closes: "due" });
    value(await check(assignment, "b"));
    await shut(assignment);
    expect(await send(assignment, "a")).toMatchObject({ status: 200, late: true, newer: {} });
    const cell = async () => resultTable(await workOf(db, assignment), "best").rows[0]!.cells[question.id];
    expect(await cell()).toMatchObject({ mark: { verdict: "wrong" }, late: "a", lateCounts: false });
    const answers = [{ student: world.students[0]!, question: question.id, number: 1 }];
    expect((await countLateAnswers({ assignment, answers, counts: true })).ok).toBe(false);
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    expect((await countLateAnswers({ assignment, answers, counts: true })).ok).toBe(false);
    actAs(teacher());
    expect(value(await countLateAnswers({ assignment, answers, counts: true }))).toEqual({ changed: 1 });
    expect(await cell()).toMatchObject({ mark: { verdict: "right" }, late: "a", lateCounts: true });
    value(await countLateAnswers({ assignment, answers, counts: false }));
    expect(await cell()).toMatchObject({ mark: { verdict: "wrong" }, lateCounts: false });
  });

  test("a fortnight after it closed, and before it was begun, nothing is taken at all", async () => {
    const assignment = await given({ closes: "due" });
    await shut(assignment);
    expect(await send(assignment, "a")).toMatchObject({ status: 409, why: "handed in" });
    await db.query(
      "update assignment set closes = now() - interval '20 days', due = now() - interval '20 days', opens = now() - interval '30 days' where id = $1",
      [assignment],
    );
    expect(await send(assignment, "a")).toMatchObject({ status: 409, why: "not open" });
  });

  test("what was handed in can be looked at after it closed, and not done again", async () => {
    const assignment = await given({ closes: "due", tries: 3 });
    value(await check(assignment, "a"));
    value(await handIn({ assignment }));
    await shut(assignment);
    expect(await studentWork(db, child(), assignment, new Date())).toMatchObject({ triesLeft: false });
    expect((await tryAgain({ assignment })).ok).toBe(false);
  });

  test("on another day than its own it says so", async () => {
    const assignment = await given({ openDays: ["2030-01-07"] });
    expect(await check(assignment, "a")).toMatchObject({
      problem: "This is not open today. What you answered is kept.",
    });
  });

  test("the second of two waits until the first is handed in", async () => {
    actAs(teacher());
    const [first, second] = await Promise.all([1, 2].map(() => publishFor(db, world.ines, document)));
    const form = { ...formFor(first!.id), resources: [first!.id, second!.id], inOrder: true };
    const [one, two] = value(await assignResources(form)).assignments;
    actAs(child());
    expect(await check(two!, "a")).toEqual({ ok: false, problem: "First hand in Tides." });
    value(await check(one!, "a"));
    value(await handIn({ assignment: one! }));
    expect((await check(two!, "a")).ok).toBe(true);
  });

  test("of a part only its own steps are there, to see and to answer", async () => {
    const long = { ...lesson("Long"), minutes: 60 };
    long.steps = [...document.steps, ...lesson("Other").steps];
    const parts = long.steps.map((step) => [step.id]);
    actAs(teacher());
    const { id } = await publishFor(db, world.ines, long);
    const [, second] = value(await assignResources({ ...formFor(id), parts })).assignments;
    actAs(child());
    const seen = (await studentWork(db, child(), second!, new Date()))!;
    expect(seen.document.steps.map((step) => step.id)).toEqual(parts[1]);
    expect(await check(second!, "a")).toEqual({ ok: false, problem: "This is not checked now." });
  });
});
