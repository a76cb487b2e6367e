import type { Verdict } from "../question/mark";
import { barsOf, isIn, roomAfter, standingOn, stuckIn, type RoomEvent, type Seated } from "./room";

const START = 1_000_000;
const seated = (student: number, more: Partial<Seated> = {}): Seated => ({
  ...{ student, name: `Child ${student}`, badge: 0, seat: null, step: null, since: null, seen: null, asked: null },
  ...{ handedIn: false, answers: {}, visits: {} },
  ...more,
});
const room = [seated(1), seated(2), seated(3)];
const answer = (
  student: number,
  verdict: Verdict,
  at: number,
  more: { question?: string; value?: string } = {},
): RoomEvent => ({
  ...{ kind: "answers", student, number: 1, at },
  answers: [{ question: more.question ?? "q1", verdict, said: more.value ?? verdict, value: more.value ?? verdict }],
});
const place = (students: number[], step: string, at: number): RoomEvent => ({
  kind: "place",
  students,
  step,
  at,
  seen: true,
});
const play = (events: readonly RoomEvent[], from: readonly Seated[] = room) =>
  events.reduce((so, event) => roomAfter(so, event), [...from]);
const step = { id: "s1", questions: ["q1", "q2"] };

describe("what is told of a room", () => {
  test("a screen that comes, turns and goes; only those who are named are others", () => {
    const came = play([place([1, 2], "s1", START)]);
    expect(came[0]).toMatchObject({ step: "s1", since: START, seen: START, visits: { s1: START } });
    expect(came[2]).toBe(room[2]);
    const turned = play([place([1], "s2", START + 9), place([1], "s1", START + 20)], came);
    // Back on the first step: since now, but she came to it before.
    expect(turned[0]).toMatchObject({ step: "s1", since: START + 20, visits: { s1: START, s2: START + 9 } });
    expect(play([{ kind: "place", students: [1], at: START + 30, seen: false }], turned)[0]!.seen).toBeNull();
  });

  test("she is there for a minute after she was last heard of", () => {
    expect(isIn({ seen: START }, START + 59_999)).toBe(true);
    expect(isIn({ seen: START }, START + 60_000)).toBe(false);
    expect(isIn({ seen: null }, START)).toBe(false);
  });

  test("the last answer counts, told twice it is one, and wrong ones are counted", () => {
    const [one] = play([
      answer(1, "wrong", 10),
      answer(1, "wrong", 10),
      answer(1, "partly", 20),
      answer(1, "right", 30),
    ]);
    expect(one!.answers.q1).toMatchObject({ verdict: "right", at: 30, first: 10, wrong: 2 });
    // Overtaken on the way: what was written later stands.
    expect(roomAfter([one!], answer(1, "wrong", 25))[0]!.answers.q1).toMatchObject({ verdict: "right", wrong: 2 });
  });

  test("who asks for help and turns on has got on", () => {
    const asked = play([place([1], "s1", 1), { kind: "place", students: [1], at: 5, asked: true }]);
    expect(asked[0]!.asked).toBe(5);
    expect(play([{ kind: "place", students: [1], at: 6, asked: false }], asked)[0]!.asked).toBeNull();
    expect(play([place([1], "s2", 9)], asked)[0]!.asked).toBeNull();
    expect(play([place([1], "s1", 9)], asked)[0]!.asked).toBe(5);
  });
});

describe("how a student stands on a step", () => {
  const stands = (events: readonly RoomEvent[], more: Partial<Seated> = {}) =>
    standingOn(play(events, [seated(1, more)])[0]!, step);
  const both = (one: Verdict, other: Verdict) => [answer(1, one, 1), answer(1, other, 2, { question: "q2" })];

  test("by the worst of its answers once all are there", () => {
    expect(stands(both("right", "right"))).toBe("right");
    expect(stands(both("right", "partly"))).toBe("partly");
    expect(stands(both("wrong", "partly"))).toBe("wrong");
    expect(stands(both("right", "to read"))).toBe("answered");
    expect(stands(both("right", "blank"))).toBe("working");
  });

  test("at work where her screen is, else not there; handed in says so", () => {
    expect(stands([answer(1, "right", 1)])).toBe("not there");
    expect(stands([place([1], "s1", 1), answer(1, "right", 2)])).toBe("working");
    expect(stands([], { handedIn: true })).toBe("handed in");
    expect(standingOn(seated(1, { step: "s9" }), { id: "s9", questions: [] })).toBe("working");
  });
});

describe("who is stuck", () => {
  const one = { id: "s1", questions: ["q1"] };
  /** Five who took 30 to 50 seconds, and a sixth who has been there since the beginning. */
  const six = play(
    [
      place([1, 2, 3, 4, 5, 6], "s1", START),
      ...[30, 35, 40, 45, 50].map((seconds, at) => answer(at + 1, "right", START + seconds * 1000)),
    ],
    [1, 2, 3, 4, 5, 6].map((student) => seated(student)),
  );
  const heard = (now: number) => play([{ kind: "place", students: [6], at: now, seen: true }], six);

  test("who is there longer than the others' fence, with the reason; not one whose screen is gone", () => {
    const at = (seconds: number) => stuckIn(heard(START + seconds * 1000), [one], START + seconds * 1000);
    // Quartiles 35 and 45, so the fence is 60.
    expect(at(60)).toEqual(new Map());
    expect(at(61)).toEqual(new Map([[6, { why: "time", seconds: 61, usual: 40 }]]));
    expect(stuckIn(six, [one], START + 130_000)).toEqual(new Map());
  });

  test("who answered wrongly three times, until it is right", () => {
    const wrong = play(
      [1, 2, 3].map((at) => answer(6, "wrong", START + at, { value: `${at}` })),
      six,
    );
    expect(stuckIn(wrong, [one], START + 4)).toEqual(new Map([[6, { why: "tries", wrong: 3 }]]));
    expect(stuckIn(play([answer(6, "right", START + 9)], wrong), [one], START + 10)).toEqual(new Map());
  });

  test("who asks, on any step; who has handed in only when she asks", () => {
    const asks: RoomEvent = { kind: "place", students: [6], at: START, asked: true };
    expect(stuckIn(play([asks], six), [one], START + 1).get(6)).toEqual({ why: "asked" });
    expect(stuckIn(play([asks], [seated(6, { handedIn: true })]), [one], START)).toEqual(
      new Map([[6, { why: "asked" }]]),
    );
    expect(stuckIn([seated(6, { step: "gone" })], [one], START)).toEqual(new Map());
  });
});

test("bars count what is chosen now, each option of an answer of several once, and nothing else", () => {
  const chosen = play([
    answer(1, "right", 1, { value: "a" }),
    answer(1, "wrong", 2, { value: "b" }),
    {
      ...(answer(2, "right", 3) as Extract<RoomEvent, { kind: "answers" }>),
      answers: [{ question: "q1", verdict: "partly", said: "", value: ["a", "b", "b"] }],
    },
    answer(3, "right", 4, { value: "z" }),
  ]);
  expect(barsOf(chosen, "q1", ["a", "b", "c"])).toEqual([
    { id: "a", count: 1 },
    { id: "b", count: 2 },
    { id: "c", count: 0 },
  ]);
});
