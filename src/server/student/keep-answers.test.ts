import { resultTable } from "@/core/results/table";
import { lesson, publishFor } from "@/data/testing/world";
import { ownAssignment } from "@/data/student/work";
import { workOf } from "@/data/results/work-of-class";
import { keepAnswers } from "./keep-answers";
import { studentWork } from "./student-work";
import { actAs, visitorOf, value } from "../testing/as";
import { assignResources } from "../assign/assign-actions";
import { countLateAnswers } from "../results/results-actions";
import { checkAnswer, handIn, tryAgain } from "./student-actions";
import {
  db,
  world,
  openSchool,
  teacher,
  child,
  formFor,
  newAssignment,
  seenAs,
  check,
  send,
  startedAgo,
  stands,
  document,
  question,
} from "../testing/child-at-work";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

describe("answers from several devices", () => {
  test("what a device sends late for a try that was handed in begins no other, though more tries are left", async () => {
    const assignment = await newAssignment({ tries: 3 });
    await send(assignment, "a");
    value(await handIn({ assignment }));
    expect(await send(assignment, "b")).toMatchObject({ status: 409, why: "handed in" });
    expect((await workOf(db, assignment))[0]!.tries).toHaveLength(1);
    // The second try is begun by its own first answer.
    expect(await send(assignment, "b", { number: 2 })).toMatchObject({ status: 200 });
    expect((await workOf(db, assignment))[0]!.tries).toHaveLength(2);
  });

  test("a device that remembered to hand in one try hands in no later one", async () => {
    const assignment = await newAssignment({ tries: 3 });
    await send(assignment, "a");
    value(await handIn({ assignment }));
    value(await tryAgain({ assignment }));
    value(await handIn({ assignment, number: 1 }));
    expect((await workOf(db, assignment))[0]!.tries.map(({ handedInAt }) => handedInAt !== null)).toEqual([
      true,
      false,
    ]);
    value(await handIn({ assignment, number: 2 }));
    expect((await workOf(db, assignment))[0]!.tries.every(({ handedInAt }) => handedInAt !== null)).toBe(true);
  });

  test("the one that was written last counts, whichever came first; the other device is told", async () => {
    const assignment = await newAssignment({ checking: "at the end" });
    value(await tryAgain({ assignment }));
    await startedAgo(assignment, 600);
    expect(await send(assignment, "a", { ago: 60 })).toMatchObject({ status: 200, newer: {} });
    // A phone that had been away sends what was written before that.
    expect(await send(assignment, "b", { ago: 300 })).toMatchObject({
      newer: { [question.id]: await seenAs(assignment, "a") },
    });
    expect(await stands(assignment)).toBe("a");
    expect(await send(assignment, "b", { ago: 5 })).toMatchObject({ newer: {} });
    expect(await stands(assignment)).toBe("b");
  });

  test("of one page's answers the later one counts, though the earlier one travelled slowly and seems younger", async () => {
    const assignment = await newAssignment();
    value(await tryAgain({ assignment }));
    await startedAgo(assignment, 600);
    // The first took long: when it came its age was not what it had been when it left.
    await send(assignment, "b", { ago: 0, key: "slow-one" });
    expect(await send(assignment, "a", { ago: 5, key: "next-one", after: ["never-came", "slow-one"] })).toMatchObject({
      newer: {},
    });
    expect(await stands(assignment)).toBe("a");
    const checked = { assignment, question: question.id, key: "checked-slow", age: 9000, after: ["next-one"] };
    value(await checkAnswer({ ...checked, value: await seenAs(assignment, "b") }));
    expect(await stands(assignment)).toBe("b");
    // Of another device nothing is known: there the ages decide.
    await send(assignment, "a", { ago: 20 });
    expect(await stands(assignment)).toBe("b");
  });

  test("an answer that was changed while the one before was checked stays, in either order of arrival", async () => {
    const assignment = await newAssignment();
    value(await tryAgain({ assignment }));
    await startedAgo(assignment, 600);
    await send(assignment, "b", { ago: 1 });
    const checked = {
      assignment,
      question: question.id,
      key: "checked-key",
      value: await seenAs(assignment, "a"),
      age: 3000,
    };
    expect(value(await checkAnswer(checked)).mark.verdict).toBe("right");
    expect(await stands(assignment)).toBe("b");
    await send(assignment, "a", { ago: 0 });
    expect(await stands(assignment)).toBe("a");
  });

  test("no clock makes an answer older than its try, or newer than now", async () => {
    const assignment = await newAssignment();
    value(await tryAgain({ assignment }));
    await send(assignment, "b", { ago: 20 * 86_400 });
    const [first] = (await workOf(db, assignment))[0]!.tries;
    expect(Date.now() - first!.responses[0]!.at.getTime()).toBeLessThan(60_000);
  });

  test("what waited for one child on a shared device is never put down as another's; nor in another try", async () => {
    const assignment = await newAssignment({ tries: 2 });
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
    const assignment = await newAssignment();
    const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
    const items = ["strange-\0", "good-one", "good-two"].map((key) => ({
      key,
      question: question.id,
      value: "a",
      age: 0,
    }));
    const of = { student: world.students[0]!, assigned, zone: "Europe/London", now: new Date(), number: 1 };
    expect(await keepAnswers(db, { ...of, items })).toMatchObject({
      kept: ["good-one", "good-two"],
      refused: ["strange-\0"],
    });
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
    const assignment = await newAssignment({ closes: "due" });
    value(await check(assignment, "b"));
    await shut(assignment);
    expect(await check(assignment, "a")).toMatchObject({ ok: false, code: "closed" });
    expect((await handIn({ assignment })).ok).toBe(false);
    expect(await studentWork(db, child(), assignment, new Date())).toBeNull();
    expect((await workOf(db, assignment))[0]!.tries[0]!.responses).toHaveLength(1);
    // Anyone who had not begun finds no way in.
    actAs(child(1));
    expect((await tryAgain({ assignment })).ok).toBe(false);
  });

  test("what a device sends after it closed is kept aside, replaces nothing, and counts only when the teacher says so", async () => {
    const assignment = await newAssignment({ closes: "due" });
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
    const assignment = await newAssignment({ closes: "due" });
    await shut(assignment);
    expect(await send(assignment, "a")).toMatchObject({ status: 409, why: "handed in" });
    await db.query(
      "update assignment set closes = now() - interval '20 days', due = now() - interval '20 days', opens = now() - interval '30 days' where id = $1",
      [assignment],
    );
    expect(await send(assignment, "a")).toMatchObject({ status: 409, why: "not open" });
  });

  test("what was handed in can be looked at after it closed, and not done again", async () => {
    const assignment = await newAssignment({ closes: "due", tries: 3 });
    value(await check(assignment, "a"));
    value(await handIn({ assignment }));
    await shut(assignment);
    expect(await studentWork(db, child(), assignment, new Date())).toMatchObject({ triesLeft: false });
    expect((await tryAgain({ assignment })).ok).toBe(false);
  });

  test("on another day than its own it says so", async () => {
    const assignment = await newAssignment({ openDays: ["2030-01-07"] });
    expect(await check(assignment, "a")).toMatchObject({ ok: false, code: "notToday" });
  });

  test("the second of two waits until the first is handed in", async () => {
    actAs(teacher());
    const [first, second] = await Promise.all([1, 2].map(() => publishFor(db, world.ines, document)));
    const form = { ...formFor(first!.id), resources: [first!.id, second!.id], inOrder: true };
    const [one, two] = value(await assignResources(form)).assignments;
    actAs(child());
    expect(await check(two!, "a")).toEqual({
      ok: false,
      ...{ code: "handInFirst", values: { title: "Tides" }, problem: "First hand in Tides." },
    });
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
    expect(await check(second!, "a")).toMatchObject({ ok: false, code: "notChecked" });
  });
});
