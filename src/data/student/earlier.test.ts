import { allQuestions } from "@/core/resource/document";
import { one, type Db } from "../engine/db";
import { freshDatabase } from "../testing/database";
import { giveToClass, lesson, now, publishFor, smallWorld, type World } from "../testing/world";
import { addResponses, countEarlier, handIn, openAttempt, ownAssignments } from "./work";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => db.query("delete from assignment"));

const days = (count: number) => new Date(now.getTime() + count * 86_400_000);
const recent = days(-21);
const document = lesson("Tides");
const [{ step, question }] = allQuestions(document) as [ReturnType<typeof allQuestions>[number]];
const me = () => world.students[0]!;

/** Work that closed this many days from now; null: never. */
async function give(closes: number | null, openDays: string[] | null = null): Promise<number> {
  const times = { opens: days(-60), due: days(-50), closes: closes === null ? null : days(closes), openDays };
  return giveToClass(db, world, await publishFor(db, world.ines, document), times);
}

async function begin(assignment: number): Promise<{ recipient: number; attempt: number; response: number }> {
  const { id: recipient } = await one<{ id: number }>(
    db,
    "select id from recipient where assignment_id = $1 and student_id = $2",
    [assignment, me()],
  );
  const attempt = (await openAttempt(db, { recipient, tries: null }, days(-40)))!;
  const answer = { step: step.id, question: question.id, value: "x", checked: false, late: false };
  await addResponses(db, attempt.id, [{ ...answer, key: `key-${recipient}` }], days(-40));
  const response = await one<{ id: number }>(db, "select id from response where attempt_id = $1", [attempt.id]);
  return { recipient, attempt: attempt.id, response: response.id };
}

const shown = async () => (await ownAssignments(db, me(), null, recent)).map(({ assignment }) => assignment);

test("closed weeks ago, done or not, it is earlier work; all of it is there when it is asked for", async () => {
  const open = await give(10);
  const closedLately = await give(-3);
  const closedLongAgo = await give(-30);
  const dayLongPast = await give(null, ["2020-01-06"]);
  expect((await shown()).sort()).toEqual([open, closedLately].sort());
  expect(await countEarlier(db, me(), null, recent)).toBe(2);
  const all = (await ownAssignments(db, me(), null)).map(({ assignment }) => assignment);
  expect(all).toEqual(expect.arrayContaining([open, closedLately, closedLongAgo, dayLongPast]));
});

test("handed in weeks ago it is earlier work, unless another try was begun", async () => {
  const assignment = await give(null);
  const { recipient, attempt } = await begin(assignment);
  expect(await shown()).toEqual([assignment]);
  await handIn(db, attempt, days(-30));
  expect([await shown(), await countEarlier(db, me(), null, recent)]).toEqual([[], 1]);
  await openAttempt(db, { recipient, tries: null }, days(-1));
  expect([await shown(), await countEarlier(db, me(), null, recent)]).toEqual([[assignment], 0]);
});

test("what came back stays, and so does what a lesson is led with", async () => {
  const [cameBack, led] = [await give(-30), await give(-30)];
  const { recipient, response } = await begin(cameBack);
  await db.query(
    `insert into piece (recipient_id, step_id, question_id, response_id, number, sent, state)
     values ($1, $2, $3, $4, 1, $5, 'sent back')`,
    [recipient, step.id, question.id, response, days(-35)],
  );
  await db.query(
    "insert into lesson (assignment_id, led_by, state, opened, watched) values ($1, $2, '{}'::jsonb, $3, $3)",
    [led, world.ines, now],
  );
  expect((await shown()).sort()).toEqual([cameBack, led].sort());
  await db.query("update lesson set ended = $1", [now]);
  expect(await shown()).toEqual([cameBack]);
});
