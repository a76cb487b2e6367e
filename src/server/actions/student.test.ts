import { plainForm } from "@/core/assign/plain-form";
import type { AssignForm } from "@/core/assign/form";
import { allQuestions, withQuestions } from "@/core/resource/document";
import { richText } from "@/core/resource/rich-text";
import { resultTable } from "@/core/results/table";
import { pictureSecret } from "@/core/student/pictures";
import { POST as sendResponses } from "@/app/student/[assignment]/responses/route";
import { setJoinCode } from "@/data/classes";
import type { Db } from "@/data/db";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { workOf } from "@/data/work";
import { hashSecret } from "../secrets";
import { studentWork } from "../student-work";
import { actAs, answerFrom, takeSignIns, visitorOf } from "../testing/as";
import { assignResources, callBack, changeTimes } from "./assign";
import { endJoinCode, startJoinCode } from "./classes";
import { beginQuestion, checkAnswer, handIn, joinClass, readCode, signInWithPictures, tryAgain } from "./student";

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
    expect(await assignResources(formFor(id, []))).toMatchObject({
      ok: false,
      problem: "Choose at least one student.",
      field: "to.0.students",
    });
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
  const send = async (assignment: number, answer: unknown) => {
    const request = new Request(`http://satchel.example/student/${assignment}/responses`, {
      method: "POST",
      headers: { "content-type": "application/json", "sec-fetch-site": "same-origin" },
      body: JSON.stringify({ items: [{ key: `key-${Math.random()}`, question: question.id, value: answer }] }),
    });
    const response = await sendResponses(request, { params: Promise.resolve({ assignment: String(assignment) }) });
    return (await response.json()) as { kept: string[]; refused: string[] };
  };

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

describe("coming in", () => {
  beforeAll(async () => {
    await db.query("update person set password_hash = $2 where id = $1", [
      world.students[0],
      await hashSecret(pictureSecret(["fish", "boat", "star"])),
    ]);
  });
  beforeEach(() => void actAs(null));

  test("with a name and three pictures in their order", async () => {
    expect(await signInWithPictures({ name: "aisha.test", pictures: ["boat", "fish", "star"] })).toMatchObject({
      ok: false,
    });
    await expect(signInWithPictures({ name: " Aisha.Test ", pictures: ["fish", "boat", "star"] })).rejects.toThrow(
      "redirect to /student",
    );
    expect(takeSignIns()).toEqual([{ person: world.students[0], class: null }]);
  });

  test("a name nobody has says the same as wrong pictures", async () => {
    const pictures: ["fish", "fish", "fish"] = ["fish", "fish", "fish"];
    expect(await signInWithPictures({ name: "nobody", pictures })).toEqual(
      await signInWithPictures({ name: "bo.test", pictures }),
    );
  });

  test("with the code on the board, to that class only, while it is good", async () => {
    actAs(teacher());
    const { code } = value(await startJoinCode({ class: world.class }));
    actAs(null);
    const read = value(await readCode({ code: code.toLowerCase().replace(" ", "") }));
    expect(read).toEqual({
      class: "5 Kittiwake",
      students: world.students.map((id, at) => ({ id, name: `${["aisha", "bo", "cato"][at]} T.` })),
    });
    await expect(joinClass({ code, student: world.students[1]! })).rejects.toThrow("redirect to /student");
    expect(takeSignIns()).toEqual([{ person: world.students[1], class: world.class }]);
    expect((await joinClass({ code, student: world.ines })).ok).toBe(false);

    actAs(teacher());
    value(await endJoinCode({ class: world.class }));
    actAs(null);
    expect(await readCode({ code })).toMatchObject({ ok: false });
    expect((await joinClass({ code, student: world.students[1]! })).ok).toBe(false);
  });

  test("a code that has run out opens nothing", async () => {
    await setJoinCode(db, world.class, { code: "KELP 11", expires: new Date(Date.now() - 1000) });
    expect(await readCode({ code: "KELP 11" })).toMatchObject({ ok: false });
  });

  test("only the class's teacher opens its door", async () => {
    actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
    expect((await startJoinCode({ class: world.class })).ok).toBe(false);
  });
});
