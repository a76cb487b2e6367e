import { allQuestions, withQuestions } from "@/core/resource/document";
import { richText } from "@/core/content/rich-text";
import { resultTable } from "@/core/results/table";
import { publishFor } from "@/data/testing/world";
import { workOf } from "@/data/results/work-of-class";
import { studentWork } from "./student-work";
import { actAs, value } from "../testing/as";
import { assignResources, callBack, changeTimes } from "../assign/assign-actions";
import { beginQuestion, checkAnswer, handIn, tryAgain } from "./student-actions";
import {
  db,
  world,
  openSchool,
  teacher,
  child,
  later,
  formFor,
  newAssignment,
  seenAs,
  check,
  send,
  document,
  question,
} from "../testing/child-at-work";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

describe("giving work", () => {
  test("a date that is past is refused, with its field, and nothing is given", async () => {
    await expect(newAssignment({ due: { kind: "at", at: "2020-01-01T15:00" } })).rejects.toThrow(/already past/);
    const before = await db.query("select count(*) n from assignment");
    actAs(teacher());
    const { id } = await publishFor(db, world.ines, document);
    const outcome = await assignResources(formFor(id, []));
    expect(outcome).toMatchObject({ ok: false, problem: "Choose at least one student.", field: "to.0.students" });
    expect(await db.query("select count(*) n from assignment")).toEqual(before);
  });

  test("not to a class that is not hers, nor to a child who is not in it", async () => {
    await expect(newAssignment({ to: [{ class: world.class + 100, students: world.students }] })).rejects.toThrow(
      /do not have access/,
    );
    await expect(newAssignment({ to: [{ class: world.class, students: [world.stranger] }] })).rejects.toThrow(
      /do not have access/,
    );
  });

  test("the due date moves forward, never into the past", async () => {
    const assignment = await newAssignment();
    actAs(teacher());
    const change = (due: string) => changeTimes({ assignment, opens: later(-1), due, closes: "never" });
    value(await change(later(72)));
    expect(await change("2020-01-01T08:00")).toMatchObject({ ok: false, field: "due" });
    expect(await change("whenever")).toMatchObject({
      ok: false,
      code: "sayWhenDue",
    });
    actAs(child());
    expect((await change(later(72))).ok).toBe(false);
  });
});

describe("a child's work", () => {
  test("is seen without any answer, and checked on the server", async () => {
    const assignment = await newAssignment();
    const data = (await studentWork(db, child(), assignment, new Date()))!;
    expect(JSON.stringify(data.document)).not.toContain('"right":"a"');
    expect(data).toMatchObject({ attempt: null, values: {}, marks: null, mayCheck: [question.id], triesLeft: true });
    expect(value(await check(assignment, "b")).mark).toMatchObject({ verdict: "wrong", marks: 0 });
    expect(value(await check(assignment, "a")).mark).toMatchObject({ verdict: "right", marks: 1 });
    expect((await studentWork(db, child(), assignment, new Date()))!.values).toEqual({
      [question.id]: await seenAs(assignment, "a"),
    });
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
    const assignment = await newAssignment({}, kind);
    const wrong = { en: richText("Look again.") };
    const told = async () => {
      const { document: seen, marks } = (await studentWork(db, child(), assignment, new Date()))!;
      return { said: allQuestions(seen)[0]!.question.feedback, mark: marks?.[question.id]?.verdict };
    };
    expect(await told()).toEqual({ said: undefined, mark: undefined });
    expect(value(await check(assignment, "b")).feedback).toEqual({ wrong });
    // Also when the page is read anew; and no more once another answer is written.
    expect(await told()).toEqual({ said: { wrong }, mark: "wrong" });
    expect(value(await check(assignment, "a")).feedback).toBeUndefined();
    expect(await told()).toEqual({ said: undefined, mark: "right" });
    await send(assignment, "b");
    expect(await told()).toEqual({ said: undefined, mark: undefined });
  });

  test("checked after due: marks wait for the last child, not only for this one", async () => {
    const assignment = await newAssignment({ checking: "after due" });
    const other = { at: new Date(Date.now() + 30 * 86_400_000) };
    await db.query("update recipient set own_due = $2 where assignment_id = $1 and student_id <> $3", [
      assignment,
      other.at,
      child().id,
    ]);
    expect(await check(assignment, "a")).toMatchObject({ ok: false, code: "notChecked" });
    await send(assignment, "a");
    value(await handIn({ assignment }));
    const seen = async (days: number) =>
      (await studentWork(db, child(), assignment, new Date(Date.now() + days * 86_400_000)))!;
    expect(await seen(29)).toMatchObject({ marks: {}, marksFrom: other.at });
    expect(await seen(31)).toMatchObject({ marks: { [question.id]: { verdict: "right" } }, marksFrom: null });
  });

  test("what nobody answered can be handed in, once", async () => {
    const assignment = await newAssignment();
    value(await handIn({ assignment }));
    value(await handIn({ assignment }));
    const { attempt } = (await studentWork(db, child(), assignment, new Date()))!;
    expect([attempt!.number, attempt!.handedIn === null]).toEqual([1, false]);
  });

  test("is not checked where the teacher said at the end, and then shows its marks", async () => {
    const assignment = await newAssignment({ checking: "at the end" });
    expect(await check(assignment, "a")).toMatchObject({ ok: false, code: "notChecked" });
    value(await tryAgain({ assignment }));
    value(await handIn({ assignment }));
    expect((await studentWork(db, child(), assignment, new Date()))!.marks).toMatchObject({
      [question.id]: { verdict: "blank" },
    });
  });

  test("shows no marks at all where the teacher said never", async () => {
    const assignment = await newAssignment({ checking: "never" });
    value(await tryAgain({ assignment }));
    value(await handIn({ assignment }));
    expect((await studentWork(db, child(), assignment, new Date()))!.marks).toEqual({});
  });

  test("an answer of the wrong shape, or to a question that is not there, is refused", async () => {
    const assignment = await newAssignment();
    const wrong = { assignment, question: question.id, key: "a-long-key", value: { not: "a choice" } };
    expect((await checkAnswer(wrong)).ok).toBe(false);
    expect((await checkAnswer({ assignment, question: "gone", key: "a-long-key", value: "a" })).ok).toBe(false);
  });

  test("cannot be done before it opens", async () => {
    const assignment = await newAssignment({ opens: { kind: "at", at: later(1) } });
    expect(await check(assignment, "a")).toMatchObject({ ok: false, code: "notStarted" });
    expect(await studentWork(db, child(), assignment, new Date())).toBeNull();
  });

  test("once handed in it stays handed in; a second try only where one was given", async () => {
    const assignment = await newAssignment();
    value(await check(assignment, "a"));
    value(await handIn({ assignment }));
    value(await handIn({ assignment }));
    expect(await tryAgain({ assignment })).toMatchObject({ ok: false, code: "noTriesLeft" });
    expect(await check(assignment, "b")).toMatchObject({ ok: false });
    const [first] = await workOf(db, assignment);
    expect(first!.tries).toHaveLength(1);
    expect(first!.tries[0]!.responses.map((response) => response.value)).toEqual(["a"]);
  });

  test("called back, it is gone for the child and what was answered is kept for the teacher", async () => {
    const assignment = await newAssignment();
    value(await check(assignment, "a"));
    actAs(teacher());
    value(await callBack({ assignments: [assignment], back: true }));
    actAs(child());
    expect((await check(assignment, "b")).ok).toBe(false);
    expect((await workOf(db, assignment))[0]!.tries[0]!.responses).toHaveLength(1);
  });

  test("is nobody else's: not another child's, not a teacher's", async () => {
    const assignment = await newAssignment({ to: [{ class: world.class, students: [world.students[0]!] }] });
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
  /** As if it had been opened this long ago. */
  const openedAgo = (assignment: number, seconds: number) =>
    db.query(
      `update question_begun set begun = now() - make_interval(secs => $2) where attempt_id in
         (select t.id from attempt t join recipient r on r.id = t.recipient_id where r.assignment_id = $1)`,
      [assignment, seconds],
    );

  test("says nothing of what it asks until it is opened, and cannot be answered before", async () => {
    const assignment = await newAssignment({}, timed);
    const seen = (await studentWork(db, child(), assignment, new Date()))!;
    expect(seen.limits).toEqual({ [question.id]: { seconds: 60, left: null } });
    expect(JSON.stringify(seen.document)).not.toContain("Which?");
    expect(await check(assignment, "a")).toMatchObject({ ok: false, code: "beginFirst" });
    expect(await send(assignment, "a")).toMatchObject({ kept: [], refused: [expect.anything()] });
  });

  test("opened, it is there with its time and without its answer; opened again, the time goes on", async () => {
    const assignment = await newAssignment({}, timed);
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
    const assignment = await newAssignment({}, timed);
    value(await begin(assignment));
    expect((await send(assignment, "b")).kept).toHaveLength(1);
    await openedAgo(assignment, 90);
    expect(await check(assignment, "a")).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/time .* is up/),
    });
    expect((await send(assignment, "a")).kept).toHaveLength(1);
    expect((await studentWork(db, child(), assignment, new Date()))!.values).toEqual({
      [question.id]: await seenAs(assignment, "b"),
    });
    const { rows } = resultTable(await workOf(db, assignment), "best");
    expect(rows[0]!.cells[question.id]).toMatchObject({ mark: { verdict: "wrong" }, late: "a" });
  });

  test("a child with one and a half times as long has that here too", async () => {
    const assignment = await newAssignment({}, timed);
    await db.query("update recipient set time_factor = 1.5 where assignment_id = $1", [assignment]);
    expect(value(await begin(assignment)).left).toBe(90);
    await openedAgo(assignment, 80);
    expect((await check(assignment, "a")).ok).toBe(true);
  });

  test("another try has its own time", async () => {
    const assignment = await newAssignment({ tries: 2 }, timed);
    value(await begin(assignment));
    value(await handIn({ assignment }));
    value(await tryAgain({ assignment }));
    expect((await studentWork(db, child(), assignment, new Date()))!.limits[question.id]!.left).toBeNull();
  });

  test("one without a time has nothing to begin, and another child's is none of hers", async () => {
    expect(await begin(await newAssignment())).toMatchObject({ ok: false, code: "noTimeLimit" });
    const assignment = await newAssignment({ to: [{ class: world.class, students: [world.students[0]!] }] }, timed);
    actAs(child(1));
    expect((await begin(assignment)).ok).toBe(false);
  });
});

describe("a child who came in with the code on the board", () => {
  const byCode = (joinedAt: Date) => ({ ...child(), joinedClass: world.class, joinedAt });

  test("does today's work, and sees nothing of what was handed in before: it may be a classmate", async () => {
    const assignment = await newAssignment({ tries: 2 });
    value(await check(assignment, "b"));
    value(await handIn({ assignment }));
    const joined = byCode(new Date(Date.now() + 1000));
    const seen = (await studentWork(db, joined, assignment, new Date()))!;
    expect(seen).toMatchObject({ hidden: true, marks: null, values: {}, triesLeft: true });
    expect((await studentWork(db, child(), assignment, new Date()))!.marks).not.toBeNull();
  });

  test("sees what was begun since, and how it went", async () => {
    const assignment = await newAssignment();
    const joined = byCode(new Date(Date.now() - 60_000));
    value(await check(assignment, "a"));
    value(await handIn({ assignment }));
    expect(await studentWork(db, joined, assignment, new Date())).toMatchObject({
      hidden: false,
      marks: { [question.id]: { verdict: "right" } },
    });
  });

  test("finds nothing that is closed", async () => {
    const assignment = await newAssignment({ closes: "due" });
    value(await check(assignment, "a"));
    value(await handIn({ assignment }));
    await db.query(
      "update assignment set opens = now() - interval '3 days', due = now() - interval '1 hour', closes = now() - interval '1 hour' where id = $1",
      [assignment],
    );
    expect(await studentWork(db, byCode(new Date(Date.now() + 1000)), assignment, new Date())).toBeNull();
    expect(await studentWork(db, child(), assignment, new Date())).not.toBeNull();
  });
});
