import { pack, type Lesson, type Packed, type Room } from "./pack";

const lesson = (id: number, ...steps: number[]): Lesson => ({ id, steps });
const empty = (...minutes: number[]): Room[] => minutes.map((each) => ({ minutes: each, used: 0 }));
const shown = ({ laid }: Packed) => laid.map(({ lesson: id, meeting, minutes }) => `${id} at ${meeting}: ${minutes}`);

describe("a pocket over the next meetings", () => {
  test("short lessons share a meeting, in their order", () => {
    expect(shown(pack([lesson(1, 20), lesson(2, 20), lesson(3, 20)], empty(45, 45, 45)))).toEqual([
      "1 at 0: 20",
      "2 at 0: 20",
      "3 at 1: 20",
    ]);
  });

  test("what is planned there already keeps its minutes", () => {
    const meetings = [
      { minutes: 45, used: 30 },
      { minutes: 45, used: 0 },
    ];
    expect(shown(pack([lesson(1, 20), lesson(2, 20)], meetings))).toEqual(["1 at 1: 20", "2 at 1: 20"]);
  });

  test("a lesson longer than any meeting is split between its steps, a shorter one never is", () => {
    const packed = pack([lesson(1, 20, 15), lesson(2, 20, 20, 20)], empty(45, 45, 45));
    expect(packed.laid).toEqual([
      { lesson: 1, meeting: 0, from: 0, to: 2, minutes: 35 },
      { lesson: 2, meeting: 1, from: 0, to: 2, minutes: 40 },
      { lesson: 2, meeting: 2, from: 2, to: 3, minutes: 20 },
    ]);
  });

  test("a single step longer than any meeting has one to itself, and the minutes too many are said", () => {
    const packed = pack([lesson(1, 10), lesson(2, 70), lesson(3, 10)], empty(45, 45, 45));
    expect(shown(packed)).toEqual(["1 at 0: 10", "2 at 1: 70", "3 at 2: 10"]);
    expect(packed.over).toBe(25);
  });

  test("a lesson that fits into one meeting is never squeezed into another, and nothing goes into a full one", () => {
    expect(pack([lesson(1, 45), lesson(2, 45)], empty(30, 45))).toMatchObject({ left: [2], over: 0 });
    const full = { minutes: 45, used: 45 };
    const packed = pack([lesson(1, 70), lesson(2, 70)], [full, ...empty(45)]);
    expect([shown(packed), packed.left, packed.over]).toEqual([["1 at 1: 70"], [2], 25]);
  });

  test("a short meeting is left out where that saves one", () => {
    expect(shown(pack([lesson(1, 10), lesson(2, 50)], empty(10, 60)))).toEqual(["1 at 1: 10", "2 at 1: 50"]);
  });

  test("what there is no meeting for is left, whole and by name", () => {
    expect(pack([lesson(1, 40), lesson(2, 40), lesson(3, 40)], empty(45, 45)).left).toEqual([3]);
    expect(pack([lesson(1, 40)], []).left).toEqual([1]);
    expect(pack([], empty(45))).toEqual({ laid: [], left: [], over: 0 });
  });
});

/** Every way to lay pieces over meetings in order, tried: for small cases only. */
function bestByTrying(minutes: number[], room: number[]): number | null {
  let best: number | null = null;
  const go = (at: number, meeting: number, free: number, used: number) => {
    if (at === minutes.length) {
      if (best === null || used < best) best = used;
      return;
    }
    if (meeting >= 0 && minutes[at]! <= free) go(at + 1, meeting, free - minutes[at]!, used);
    for (let next = meeting + 1; next < room.length; next += 1)
      if (minutes[at]! <= room[next]!) go(at + 1, next, room[next]! - minutes[at]!, used + 1);
  };
  go(0, -1, 0, 0);
  return best;
}

describe("on any pocket and any meetings", () => {
  let seed = 11;
  const random = (most: number) => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return seed % most;
  };
  const cases = Array.from({ length: 200 }, () => ({
    lessons: Array.from({ length: 1 + random(6) }, (_, id) =>
      lesson(id, ...Array.from({ length: 1 + random(3) }, () => 5 + random(20))),
    ),
    meetings: Array.from({ length: 1 + random(7) }, () => ({ minutes: 30 + random(40), used: random(25) })),
  }));

  test("order is kept, every step is taught once, and no meeting is overfull", () => {
    for (const { lessons, meetings } of cases) {
      const { laid, left, over } = pack(lessons, meetings);
      const steps = laid.flatMap(({ lesson: id, meeting, from, to }) =>
        Array.from({ length: to - from }, (_, at) => ({ id, step: from + at, meeting })),
      );
      const wanted = lessons.flatMap(({ id, steps: minutes }) => minutes.map((_, step) => `${id}/${step}`));
      expect(steps.map(({ id, step }) => `${id}/${step}`)).toEqual(wanted.slice(0, steps.length));
      expect(steps.length === wanted.length).toBe(left.length === 0);
      for (const [at, { meeting }] of steps.entries())
        expect(meeting).toBeGreaterThanOrEqual(steps[at - 1]?.meeting ?? 0);
      const full = meetings.map(({ minutes, used }, at) => {
        const here = laid.filter(({ meeting }) => meeting === at).reduce((total, piece) => total + piece.minutes, 0);
        return here === 0 ? 0 : Math.max(0, here + used - minutes);
      });
      expect(full.reduce((total, minutes) => total + minutes, 0)).toBe(over);
    }
  });

  test("no fewer meetings would do, as trying every way shows", () => {
    let compared = 0;
    for (const { lessons, meetings } of cases) {
      const room = meetings.map(({ minutes, used }) => minutes - used);
      const whole = lessons.map(({ steps }) => steps.reduce((total, step) => total + step, 0));
      if (whole.some((minutes) => minutes > Math.max(...room))) continue;
      const packed = pack(lessons, meetings);
      const best = bestByTrying(whole, room);
      expect(packed.left.length === 0).toBe(best !== null);
      if (best !== null) expect(new Set(packed.laid.map(({ meeting }) => meeting)).size).toBe(best);
      compared += 1;
    }
    expect(compared).toBeGreaterThan(60);
  });
});
