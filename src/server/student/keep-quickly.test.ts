import { allQuestions } from "@/core/resource/document";
import type { AnswersNotice } from "@/core/live/answered";
import { ownAssignment } from "@/data/student/work";
import { workOf } from "@/data/results/work-of-class";
import { startSession, endSession } from "@/data/office/people";
import { setCalledBack } from "@/data/assign/assignments";
import { noticeIn, watch } from "../web/watch";
import { actAs, value } from "../testing/as";
import {
  child,
  db,
  document,
  newAssignment,
  openSchool,
  question,
  seenAs,
  send,
  stands,
  startedAgo,
  world,
} from "../testing/child-at-work";
import { writeTogether } from "./write-together";
import { handIn, tryAgain } from "./student-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

let statements: jest.SpyInstance;
beforeEach(() => {
  jest.restoreAllMocks();
  statements = jest.spyOn(db, "query");
});

const inAnHour = () => new Date(Date.now() + 3_600_000);
const textsSince = () => statements.mock.calls.map(([text]) => String(text));

/** Work that a child, signed in on a device, has answered once: from then on what she sends goes the quick way. */
async function begun(more: object = {}, lessonAssigned = document): Promise<{ assignment: number; session: string }> {
  const assignment = await newAssignment(more, lessonAssigned);
  const session = `hash-${assignment}`;
  await startSession(db, {
    ...{ tokenHash: session, person: world.students[0]!, class: null },
    ...{ created: new Date(), expires: inAnHour() },
  });
  actAs(child(), session);
  value(await tryAgain({ assignment }));
  await startedAgo(assignment, 600);
  await send(assignment, "b", { ago: 300 });
  statements.mockClear();
  return { assignment, session };
}

test("the second answer of a try is one statement, and counts", async () => {
  const { assignment } = await begun();
  expect(await send(assignment, "a")).toMatchObject({ status: 200, refused: [], late: false, newer: {} });
  // One for which name she is shown the option under, one for whose work it is (the test asks both), and the one that keeps it.
  expect(textsSince().filter((text) => text.includes("insert into response"))).toHaveLength(1);
  expect(textsSince().filter((text) => text.includes("from session"))).toHaveLength(0);
  expect(await stands(assignment)).toBe("a");
});

test("of two devices the answer written last counts, and the other is told", async () => {
  const { assignment } = await begun();
  await send(assignment, "a", { ago: 5 });
  expect(await send(assignment, "b", { ago: 90 })).toMatchObject({
    newer: { [question.id]: await seenAs(assignment, "a") },
  });
  expect(await stands(assignment)).toBe("a");
});

test("of one page the later counts, though the earlier one seems younger; the same key is kept once", async () => {
  const { assignment } = await begun();
  await send(assignment, "b", { ago: 0, key: "slow-one" });
  await send(assignment, "a", { ago: 5, key: "next-one", after: ["slow-one"] });
  await send(assignment, "a", { ago: 5, key: "next-one", after: ["slow-one"] });
  expect(await stands(assignment)).toBe("a");
  expect((await workOf(db, assignment))[0]!.tries[0]!.responses).toHaveLength(3);
});

test("those who watch are told who answered what, and whether it is right", async () => {
  const { assignment } = await begun();
  const heard: (AnswersNotice | null)[] = [];
  const stop = await watch(db, "answers", assignment, (payload) => heard.push(noticeIn(payload) as never), jest.fn());
  await send(assignment, "a");
  await new Promise((done) => setTimeout(done, 50));
  stop();
  expect(heard).toEqual([
    {
      student: world.students[0],
      number: 1,
      at: expect.any(Number),
      answers: [{ question: question.id, verdict: "right", said: expect.any(String), value: "a" }],
    },
  ]);
});

test("called back, handed in, signed out or given to somebody else: nothing is kept the quick way", async () => {
  const back = await begun();
  await setCalledBack(db, back.assignment, new Date());
  expect((await send(back.assignment, "a")).status).toBe(404);

  const done = await begun();
  value(await handIn({ assignment: done.assignment }));
  expect(await send(done.assignment, "a")).toMatchObject({ status: 409, why: "handed in" });

  const out = await begun();
  await endSession(db, out.session);
  actAs(null, out.session);
  expect((await send(out.assignment, "a")).status).toBe(401);

  const other = await begun();
  expect((await send(other.assignment, "a", { recipient: 999_999 })).status).toBe(404);
  for (const { assignment } of [back, done, out, other]) expect(await stands(assignment)).toBe("b");
});

test("closed in the meantime it is asked anew, and what comes is kept aside", async () => {
  const { assignment } = await begun({ closes: "due" });
  await db.query(
    "update assignment set opens = opens - interval '1 day', due = now() - interval '1 minute', closes = now() - interval '1 minute' where id = $1",
    [assignment],
  );
  expect(await send(assignment, "a")).toMatchObject({ status: 200, late: true });
  expect(await stands(assignment)).toBe("b");
});

test("a question with a time, and what cannot be read, go the long way", async () => {
  const timed = structuredClone(document);
  allQuestions(timed)[0]!.question.seconds = 30;
  const { assignment } = await begun({}, timed);
  expect(await send(assignment, "a")).toMatchObject({ status: 200, refused: [expect.any(String)] });
});

test("one answer that cannot be kept keeps nobody else's back, and answers of a class are kept together", async () => {
  const { assignment } = await begun();
  const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
  const sent = (key: string, recipient = assigned.recipient) => ({
    ...{ session: `hash-${assignment}`, student: world.students[0]!, recipient, stamp: assigned.stamp, number: 1 },
    at: new Date(),
    items: [{ key, step: "s", question: question.id, value: "a", age: 0, after: [] }],
    notice: String(assignment),
  });
  const [good, strange, other] = await Promise.allSettled([
    writeTogether(db, sent("good-key")),
    writeTogether(db, { ...sent("strange-\0key", -1) }),
    writeTogether(db, sent("nobody-key", -2)),
  ]);
  expect(good).toMatchObject({ status: "fulfilled", value: { attempt: expect.any(Number) } });
  expect(strange.status).toBe("rejected");
  expect(other).toEqual({ status: "fulfilled", value: null });
  const [text, parameters] = statements.mock.calls.find(([said]) => String(said).includes("insert into response"))!;
  expect(text).toContain("pg_notify");
  expect(JSON.parse((parameters as [string])[0])).toHaveLength(3);
});
