import type { Seated } from "@/core/live/room";
import { GET as followRoute } from "@/app/student/[assignment]/live/route";
import { POST as sayPlace } from "@/app/student/[assignment]/place/route";
import { GET as drawnRoute } from "@/app/lead/[assignment]/drawn/route";
import { GET as roomRoute } from "@/app/lead/[assignment]/live/route";
import { assignmentById } from "@/data/assign/assignments";
import { joinCodeOf } from "@/data/classes/classes";
import { ledNow } from "@/data/live/lessons";
import { smallCalendar } from "@/data/testing/world";
import { actAs, value, visitorOf } from "../testing/as";
import {
  child,
  db,
  document,
  newAssignment,
  later,
  openSchool,
  question,
  send,
  teacher,
  world,
} from "../testing/child-at-work";
import { command, lead } from "../testing/leading";
import { listen, stopListening } from "../testing/listening";
import type { FollowEvent } from "./lesson-view";
import type { WatchEvent } from "./watch-room";
import { undoPlan } from "../plan/plan-actions";
import { goOnNextLesson, helped, leadAssignment, writeNote } from "./lead-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(async () => {
  stopListening();
  await new Promise((done) => setTimeout(done, 50));
  await db.close();
});

const [first, second] = ["s1", "s2"];
const isLesson = (event: FollowEvent) => event.kind === "lesson";

/** Work the class has, with its lobby open. */
async function lobby(more: object = {}): Promise<number> {
  const assignment = await newAssignment(more);
  actAs(teacher());
  value(await leadAssignment({ assignment }));
  return assignment;
}
const say = async (assignment: number, what: object) => {
  const request = new Request("http://satchel.example/place", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(what),
  });
  return sayPlace(request, { params: Promise.resolve({ assignment: String(assignment) }) });
};
const stepId = document.steps[0]!.id;

describe("leading work the class has", () => {
  test("opens the lobby once, with a code to come in; pressed again, or by a colleague, it is the same lesson", async () => {
    const assignment = await lobby();
    expect(await joinCodeOf(db, world.class, new Date())).not.toBeNull();
    value(await leadAssignment({ assignment }));
    expect(await db.query("select 1 from lesson where assignment_id = $1", [assignment])).toHaveLength(1);
    expect(await ledNow(db, [assignment], new Date())).toEqual(new Set([assignment]));
  });

  test("screens follow: lobby, step by step, the end; one that comes late is told how it stands", async () => {
    const assignment = await lobby();
    actAs(child());
    const early = await listen<FollowEvent>(followRoute, assignment);
    await early.until((event) => isLesson(event) && event.kind === "lesson" && event.lesson?.phase === "lobby");
    value(await lead(assignment, { do: "begin", step: first!, nth: 0 }));
    value(await lead(assignment, { do: "note", text: "Look at Tuesday" }));
    actAs(child(1));
    const late = await listen<FollowEvent>(followRoute, assignment);
    for (const screen of [early, late])
      expect(
        await screen.until((event) => event.kind === "lesson" && event.lesson?.note === "Look at Tuesday"),
      ).toMatchObject({
        lesson: {
          phase: "running",
          step: first,
          note: "Look at Tuesday",
          pace: "together",
          leader: expect.stringContaining("ines"),
        },
      });
    value(await lead(assignment, { do: "end" }));
    await early.until((event) => event.kind === "lesson" && event.lesson === null && early.events.length > 2);
    expect(await ledNow(db, [assignment], new Date())).toEqual(new Set());
    expect(await lead(assignment, { do: "go", step: second!, nth: 1 })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("has ended"),
    });
  });

  test("what only the teacher is to see goes to no other screen", async () => {
    const assignment = await lobby();
    value(await lead(assignment, { do: "begin", step: first!, nth: 0 }));
    actAs(child());
    const { until } = await listen<FollowEvent>(followRoute, assignment);
    const told = JSON.stringify(await until((event) => event.kind === "lesson"));
    expect(told).not.toContain('"went"');
  });

  test("the teacher sees who comes, what is answered, and who asks for help; helped, it is over", async () => {
    const assignment = await lobby({ checking: "at the end" });
    value(await lead(assignment, { do: "begin", step: stepId, nth: 0 }));
    const room = await listen<WatchEvent>(roomRoute, assignment);
    const start = await room.until((event) => event.kind === "room");
    expect((start as { room: Seated[] }).room).toHaveLength(world.students.length);
    actAs(child());
    await listen<FollowEvent>(followRoute, assignment);
    await room.until(
      (event) => event.kind === "place" && event.students.includes(world.students[0]!) && event.seen === true,
    );
    await send(assignment, "a");
    expect(await room.until((event) => event.kind === "answers")).toMatchObject({
      student: world.students[0],
      answers: [{ question: question.id, verdict: "right" }],
    });
    expect((await say(assignment, { kind: "help", asked: true })).status).toBe(200);
    await room.until((event) => event.kind === "place" && event.asked === true);
    actAs(teacher());
    value(await helped({ assignment, student: world.students[0]! }));
    await room.until((event) => event.kind === "place" && event.asked === false);
    // Read anew, the room is the same as what was told.
    const again = await listen<WatchEvent>(roomRoute, assignment);
    const { room: seats } = (await again.until((event) => event.kind === "room")) as { room: Seated[] };
    expect(seats.find(({ student }) => student === world.students[0])).toMatchObject({
      ...{ step: stepId, asked: null, seen: expect.any(Number) },
      answers: { [question.id]: { verdict: "right", value: "a", wrong: 0 } },
      visits: { [stepId]: expect.any(Number) },
    });
  });

  test("together, screens are where the teacher goes; free, each says where it is", async () => {
    const assignment = await lobby();
    actAs(child());
    const screen = await listen<FollowEvent>(followRoute, assignment);
    await screen.until((event) => event.kind === "lesson");
    value(await lead(assignment, { do: "begin", step: stepId, nth: 0 }));
    const where = async () =>
      (await db.query<{ step: string }>("select step_id step from place where assignment_id = $1", [assignment]))[0]
        ?.step;
    expect(await where()).toBe(stepId);
    actAs(child());
    expect((await say(assignment, { kind: "step", step: "not a step" })).status).toBe(404);
    expect((await say(assignment, { kind: "step", step: stepId })).status).toBe(200);
    expect((await say(assignment, { kind: "step" })).status).toBe(400);
  });

  test("a question on the spot: asked, answered, changed, counted without names, closed", async () => {
    const assignment = await lobby();
    value(await lead(assignment, { do: "begin", step: stepId, nth: 0 }));
    const asked = { id: "quick-1", kind: "choose" as const, ask: "Can you hear the sea?", options: ["yes", "no"] };
    value(await lead(assignment, { do: "ask", question: asked }));
    const answer = async (at: number, chosen: number) => {
      actAs(child(at));
      return (await say(assignment, { kind: "quick", question: "quick-1", value: chosen })).status;
    };
    expect([await answer(0, 0), await answer(1, 0), await answer(1, 1)]).toEqual([200, 200, 200]);
    value(await lead(assignment, { do: "close question", show: true }));
    actAs(child());
    const screen = await listen<FollowEvent>(followRoute, assignment);
    expect(await screen.until((event) => event.kind === "bars")).toEqual({
      ...{ kind: "bars", question: "quick-1", answered: 2 },
      bars: [
        { label: "yes", count: 1 },
        { label: "no", count: 1 },
      ],
    });
    expect(await answer(0, 1)).toBe(404);
  });

  test("what is drawn on the spot is fetched by the teacher, and by nobody else", async () => {
    const assignment = await lobby();
    value(await lead(assignment, { do: "begin", step: stepId, nth: 0 }));
    const asked = { id: "quick-2", kind: "draw" as const, ask: "Draw a keel", options: [] };
    value(await lead(assignment, { do: "ask", question: asked }));
    actAs(child());
    const lines = [{ ink: "blue", width: 4, points: [0, 0, 0.5, 0.9] }];
    expect((await say(assignment, { kind: "quick", question: "quick-2", value: lines })).status).toBe(200);
    expect(
      (
        await say(assignment, {
          kind: "quick",
          question: "quick-2",
          value: [{ ink: "gold", width: 4, points: [0, 0] }],
        })
      ).status,
    ).toBe(400);
    const fetched = async () => {
      const request = new Request("http://satchel.example/drawn?question=quick-2");
      return drawnRoute(request, { params: Promise.resolve({ assignment: String(assignment) }) });
    };
    expect((await fetched()).status).toBe(404);
    actAs(teacher());
    expect(await (await fetched()).json()).toEqual({ drawn: [{ student: world.students[0], lines }] });
  });

  test("the chart of a question is counted again as answers come, for everybody", async () => {
    const assignment = await lobby({ checking: "at the end" });
    value(await lead(assignment, { do: "begin", step: stepId, nth: 0 }));
    const shown = { question: question.id, chart: true, right: null, answers: [] };
    value(await lead(assignment, { do: "show", shown }));
    actAs(child());
    const screen = await listen<FollowEvent>(followRoute, assignment);
    await screen.until((event) => event.kind === "bars" && event.answered === 0);
    await send(assignment, "a");
    const bars = await screen.until((event) => event.kind === "bars" && event.answered === 1);
    expect((bars as { bars: { count: number }[] }).bars.map(({ count }) => count)).toContain(1);
  });

  test("where she points passes by and is not kept", async () => {
    const assignment = await lobby();
    value(await lead(assignment, { do: "begin", step: stepId, nth: 0 }));
    actAs(child());
    const screen = await listen<FollowEvent>(followRoute, assignment);
    await screen.until((event) => event.kind === "lesson");
    actAs(teacher());
    value(await command(assignment, { do: "point", on: "b1", x: 10.4, y: 20 }));
    expect(await screen.until((event) => event.kind === "point")).toEqual({ kind: "point", on: "b1", x: 10, y: 20 });
  });

  test("a child and the teacher write each other about a step; nobody else's screen hears of it, and the school may switch it off", async () => {
    const assignment = await lobby();
    actAs(child());
    const screen = await listen<FollowEvent>(followRoute, assignment);
    actAs(child(1));
    const other = await listen<FollowEvent>(followRoute, assignment);
    actAs(teacher());
    const room = await listen<WatchEvent>(roomRoute, assignment);
    const student = world.students[0]!;
    value(await writeNote({ assignment, student, step: stepId, text: "Look at Tuesday" }));
    const told = await screen.until((event) => event.kind === "notes" && event.notes.length === 1);
    expect(told).toMatchObject({ allowed: true, notes: [{ step: stepId, mine: false, text: "Look at Tuesday" }] });
    actAs(child());
    expect((await say(assignment, { kind: "note", step: stepId, text: "Which column?" })).status).toBe(200);
    const both = await room.until((event) => event.kind === "notes" && event.notes.length === 2);
    expect(both).toMatchObject({ notes: [{ mine: false }, { mine: true, student, text: "Which column?" }] });
    expect(other.events.filter((event) => event.kind === "notes" && event.notes.length > 0)).toEqual([]);
    await db.query("update school set step_notes = false");
    expect((await say(assignment, { kind: "note", step: stepId, text: "Hello?" })).status).toBe(404);
    actAs(teacher());
    expect(await writeNote({ assignment, student, step: stepId, text: "Hello?" })).toMatchObject({ ok: false });
    await db.query("update school set step_notes = true");
    expect(await writeNote({ assignment, student: world.judit, step: stepId, text: "Hello" })).toMatchObject({
      ok: false,
    });
  });

  test("two commands at once are obeyed one after the other", async () => {
    const assignment = await lobby();
    value(await lead(assignment, { do: "begin", step: stepId, nth: 0 }));
    actAs(teacher());
    const strokes = Array.from({ length: 8 }, (_, at) => ({ id: `stroke-${at}`, on: null, points: [0, 0, at, at] }));
    const done = await Promise.all(strokes.map((stroke) => command(assignment, { do: "draw", stroke })));
    expect(done.every(({ ok }) => ok)).toBe(true);
    const [{ state }] = (await db.query("select state from lesson where assignment_id = $1", [assignment])) as [
      { state: { pen: { id: string }[] } },
    ];
    expect(state.pen.map(({ id }) => id).sort()).toEqual(strokes.map(({ id }) => id).sort());
  });

  test("nobody leads or watches what is not theirs, and no student leads", async () => {
    const assignment = await lobby();
    const stranger = visitorOf({ id: world.judit, district: world.district, school: world.there });
    for (const visitor of [stranger, child(), null]) {
      actAs(visitor);
      expect(await command(assignment, { do: "begin", step: stepId, nth: 0 })).toMatchObject({
        ok: false,
      });
      const request = new Request("http://satchel.example/live");
      const response = await roomRoute(request, { params: Promise.resolve({ assignment: String(assignment) }) });
      expect(response.status).toBe(visitor ? 404 : 401);
    }
    actAs(teacher());
    expect(await helped({ assignment, student: world.judit })).toMatchObject({ ok: false });
    expect(await command(assignment, { do: "point", on: null, x: 99_999, y: 0 })).toMatchObject({ ok: false });
  });

  test("when no teacher's screen has been there for a quarter of an hour the class is let go; back, she has it again", async () => {
    const assignment = await lobby();
    value(await lead(assignment, { do: "begin", step: stepId, nth: 0 }));
    await db.query("update lesson set watched = now() - interval '16 minutes' where assignment_id = $1", [assignment]);
    expect(await ledNow(db, [assignment], new Date())).toEqual(new Set());
    actAs(child());
    const screen = await listen<FollowEvent>(followRoute, assignment);
    expect(await screen.until((event) => event.kind === "lesson")).toMatchObject({ lesson: null });
    actAs(teacher());
    const room = await listen<WatchEvent>(roomRoute, assignment);
    expect(await room.until((event) => event.kind === "lesson")).toMatchObject({ lesson: { state: { step: stepId } } });
    await screen.until((event) => event.kind === "lesson" && event.lesson?.step === stepId);
    expect(await ledNow(db, [assignment], new Date())).toEqual(new Set([assignment]));
  });

  test("a child's screen knows that help was asked for, and that it came, also when it is opened anew", async () => {
    const assignment = await lobby();
    actAs(child());
    expect((await say(assignment, { kind: "help", asked: true })).status).toBe(200);
    const screen = await listen<FollowEvent>(followRoute, assignment);
    await screen.until((event) => event.kind === "asked" && event.asked);
    actAs(teacher());
    value(await helped({ assignment, student: world.students[0]! }));
    await screen.until((event) => event.kind === "asked" && !event.asked);
  });

  test("a code that is about to end is good for the lesson, and nobody who came in by it is out", async () => {
    const before = (await joinCodeOf(db, world.class, new Date()))!;
    await db.query("update class set join_code_expires = now() + interval '5 minutes' where id = $1", [world.class]);
    await lobby();
    const code = (await joinCodeOf(db, world.class, new Date()))!;
    expect(code.code).toBe(before.code);
    expect(code.expires.getTime()).toBeGreaterThan(Date.now() + 80 * 60_000);
  });

  test("work that opens later opens with the lobby; what was called back is not led", async () => {
    const assignment = await lobby({ opens: { kind: "at", at: later(24) } });
    expect((await assignmentById(db, assignment))!.opens.getTime()).toBeLessThanOrEqual(Date.now());
    const back = await newAssignment();
    await db.query("update assignment set called_back = now() where id = $1", [back]);
    actAs(teacher());
    expect(await leadAssignment({ assignment: back })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("called back"),
    });
  });
});

test("what was not reached goes on in the next lesson of the class, opened and due with it, and is taken back", async () => {
  const assignment = await lobby();
  value(await lead(assignment, { do: "end" }));
  expect(await goOnNextLesson({ assignment })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("No lesson"),
  });
  const today = new Date().toISOString().slice(0, 10);
  await smallCalendar(db, world, today);
  const before = (await assignmentById(db, assignment))!;
  const { event } = value(await goOnNextLesson({ assignment }));
  const after = (await assignmentById(db, assignment))!;
  expect(after.meeting).not.toBeNull();
  expect(after.opens.getTime()).toBeGreaterThan(Date.now());
  expect(after.due.getTime()).toBeGreaterThanOrEqual(after.opens.getTime() + 45 * 60_000);
  value(await undoPlan({ event }));
  expect(await assignmentById(db, assignment)).toMatchObject({ opens: before.opens, due: before.due, meeting: null });
});
