import { fc } from "./testing/commands";
import { commandsArbitrary } from "./testing/commands";
import {
  followed,
  lessonAfter,
  LessonState,
  minutesUsed,
  newLesson,
  timerLeft,
  TypedQuestion,
  viewOf,
  worksWith,
  type LessonCommand,
} from "./lesson";

const START = Date.UTC(2026, 10, 30, 8, 50);
const minute = 60_000;

/** The state after these commands, each this many minutes after the one before. */
function after(commands: readonly LessonCommand[], from = newLesson()): LessonState {
  let state = from;
  commands.forEach((command, at) => {
    const next = lessonAfter(state, command, START + at * minute);
    if (typeof next === "string") throw new Error(`${command.do}: ${next}`);
    state = next;
  });
  return state;
}
const begun = () => after([{ do: "begin", step: "s1", nth: 0 }]);

describe("a lesson that is led", () => {
  test("waits in the lobby until it is begun; what belongs to a step is not done before", () => {
    expect(newLesson().phase).toBe("lobby");
    for (const early of [
      { do: "go", step: "s2", nth: 1 },
      { do: "eyes up", up: true },
      { do: "start timer", label: "Pairs", seconds: 60 },
      { do: "note", text: "Sit down" },
    ] as const)
      expect(lessonAfter(newLesson(), early, START)).toBe("not begun");
    expect(lessonAfter(newLesson(), { do: "pace", pace: "free" }, START)).toMatchObject({
      pace: "free",
      phase: "lobby",
    });
    expect(begun()).toMatchObject({ phase: "running", step: "s1", nth: 0, pace: "together" });
  });

  test("goes from step to step; pen, note, timer, film and what was shown stay behind with the step they belong to", () => {
    const full = after([
      { do: "begin", step: "s1", nth: 0 },
      { do: "draw", stroke: { id: "a", on: null, points: [0, 0, 5, 5] } },
      { do: "note", text: "Look at Tuesday" },
      { do: "start timer", label: "Pairs", seconds: 120 },
      { do: "play", block: "film", from: 12 },
      { do: "show", shown: { question: "q1", chart: true, right: null, answers: [] } },
      { do: "eyes up", up: true },
    ]);
    expect(full).toMatchObject({
      note: "Look at Tuesday",
      playing: { block: "film", from: 12, at: START + 4 * minute },
    });
    const next = after([{ do: "go", step: "s2", nth: 1 }], full);
    expect(next).toMatchObject({ pen: [], note: "", timer: null, playing: null, shown: null, step: "s2", opened: 1 });
    // Looking up is of the class and not of a step.
    expect(next.eyesUp).toBe(true);
  });

  test("going where it is already changes nothing, not even the minutes", () => {
    const drawn = after([{ do: "draw", stroke: { id: "a", on: null, points: [0, 0, 5, 5] } }], begun());
    expect(lessonAfter(drawn, { do: "go", step: "s1", nth: 0 }, START + minute)).toBe(drawn);
  });

  test("what was opened stays open when she goes back", () => {
    const back = after([
      { do: "begin", step: "s1", nth: 0 },
      { do: "go", step: "s4", nth: 3 },
      { do: "go", step: "s2", nth: 1 },
    ]);
    expect(back).toMatchObject({ nth: 1, opened: 3 });
  });

  test("a timer runs down by itself, is held, goes on, gets longer, and never less than nothing", () => {
    const set = after([{ do: "start timer", label: "Pairs", seconds: 120 }], begun());
    expect(timerLeft(set.timer!, START)).toBe(120);
    expect(timerLeft(set.timer!, START + 50_000)).toBe(70);
    expect(timerLeft(set.timer!, START + 500_000)).toBe(0);
    const held = lessonAfter(set, { do: "hold timer" }, START + 50_000) as LessonState;
    expect(held.timer).toEqual({ label: "Pairs", seconds: 120, ends: null, left: 70 });
    expect(timerLeft(held.timer!, START + 500_000)).toBe(70);
    const longer = lessonAfter(held, { do: "add to timer", seconds: 30 }, START + 60_000) as LessonState;
    expect(longer.timer).toMatchObject({ ends: null, left: 100 });
    const on = lessonAfter(longer, { do: "run timer" }, START + 100_000) as LessonState;
    expect(on.timer!.ends).toBe(START + 200_000);
    expect(lessonAfter(on, { do: "run timer" }, START + 150_000)).toEqual(on);
    const shorter = lessonAfter(on, { do: "add to timer", seconds: -600 }, START + 150_000) as LessonState;
    expect(timerLeft(shorter.timer!, START + 150_000)).toBe(0);
    expect((lessonAfter(on, { do: "end timer" }, START) as LessonState).timer).toBeNull();
    expect(lessonAfter(begun(), { do: "hold timer" }, START)).toBe("no timer");
  });

  test("the pen holds sixty lines; the last is taken back, all are wiped away", () => {
    const strokes = Array.from({ length: 60 }, (_, at) => ({
      do: "draw" as const,
      stroke: { id: `${at}`, on: "b1", points: [at, 0, at, 9] },
    }));
    const full = after(strokes, begun());
    expect(full.pen).toHaveLength(60);
    expect(lessonAfter(full, strokes[0]!, START)).toBe("pen full");
    expect(after([{ do: "take back stroke" }], full).pen.at(-1)!.id).toBe("58");
    expect(after([{ do: "wipe" }], full).pen).toEqual([]);
  });

  test("a question on the spot needs two answers to choose from; closed, its chart is shown or it is gone", () => {
    const ask = (options: string[]) => ({
      do: "ask" as const,
      question: { id: "quick", kind: "choose" as const, ask: "Ready?", options },
    });
    expect(lessonAfter(begun(), ask(["yes"]), START)).toBe("choices");
    const open = after([ask(["yes", "no"])], begun());
    expect(open.quick).toMatchObject({ ask: "Ready?", open: true });
    expect(after([{ do: "close question", show: true }], open)).toMatchObject({
      quick: { open: false },
      shown: { question: "quick", chart: true, right: null },
    });
    expect(after([{ do: "close question", show: false }], open)).toMatchObject({ quick: null, shown: null });
  });

  test("what can be chosen is typed in lines: empty ones are left out, the same one twice and too few are refused", () => {
    const typed = (options: string, kind = "choose") => TypedQuestion.safeParse({ ask: " Ready? ", kind, options });
    expect(typed("yes\n\n no \n").data).toEqual({ ask: "Ready?", kind: "choose", options: ["yes", "no"] });
    for (const wrong of ["yes", "yes\n yes", "a\nb\nc\nd\ne\nf\ng"])
      expect(typed(wrong).error?.issues).toMatchObject([
        { path: ["options"], message: "Two to six different answers, one a line." },
      ]);
    expect(typed(`yes\n${"n".repeat(81)}`).error?.issues).toMatchObject([{ path: ["options"] }]);
    expect(typed("left over\n", "number").data).toEqual({ ask: "Ready?", kind: "number", options: [] });
  });

  test("when it has ended nothing more is done", () => {
    const ended = after([{ do: "end" }], after([{ do: "eyes up", up: true }], begun()));
    expect(ended).toMatchObject({ phase: "ended", eyesUp: false, timer: null });
    expect(lessonAfter(ended, { do: "go", step: "s2", nth: 1 }, START)).toBe("ended");
    expect(lessonAfter(newLesson(), { do: "end" }, START)).toMatchObject({ phase: "ended" });
  });

  test("the minutes of a step are all its stays, the running one until now", () => {
    const state = after([
      { do: "begin", step: "s1", nth: 0 },
      { do: "go", step: "s2", nth: 1 },
      { do: "go", step: "s1", nth: 0 },
    ]);
    expect(minutesUsed(state, START + 5 * minute)).toEqual(
      new Map([
        ["s1", 4],
        ["s2", 1],
      ]),
    );
    expect(minutesUsed({ went: [] }, START)).toEqual(new Map());
  });

  test("whatever is done in whatever order, the state can be kept and read again, and screens see nothing of hers", () => {
    fc.assert(
      fc.property(commandsArbitrary, (commands) => {
        let state = newLesson();
        commands.forEach((command, at) => {
          const next = lessonAfter(state, command, START + at * 1000);
          if (typeof next !== "string") state = next;
        });
        expect(LessonState.parse(JSON.parse(JSON.stringify(state)))).toEqual(state);
        expect(Object.keys(viewOf(state))).not.toEqual(expect.arrayContaining(["went"]));
        const { at, upTo } = followed(state, ["s1", "s2", "s3"]);
        expect(at === null || (at >= 0 && at <= 2 && upTo === at)).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
});

describe("how a screen follows", () => {
  const own = ["s1", "s2", "s3", "s4"];
  const at = (pace: LessonState["pace"], step: string, nth: number, opened = nth) =>
    followed({ phase: "running", pace, step, nth, opened }, own);

  test("together it is held where the class is; up to here it turns as far as was opened; free where it likes", () => {
    expect(at("together", "s2", 1, 3)).toEqual({ at: 1, upTo: 1 });
    expect(at("up to here", "s2", 1, 2)).toEqual({ at: null, upTo: 2 });
    expect(at("up to here", "s4", 3)).toEqual({ at: null, upTo: 3 });
    // Free, it may also come to the end and hand in.
    expect(at("free", "s2", 1)).toEqual({ at: null, upTo: 4 });
  });

  test("another version is at the same step by its id, else at the same place, else at its last", () => {
    expect(followed({ phase: "running", pace: "together", step: "s3", nth: 2, opened: 2 }, ["s3", "x"]).at).toBe(0);
    expect(followed({ phase: "running", pace: "together", step: "s3", nth: 1, opened: 1 }, ["x", "y"]).at).toBe(1);
    expect(followed({ phase: "running", pace: "together", step: "s9", nth: 8, opened: 8 }, ["x", "y"]).at).toBe(1);
    expect(followed({ phase: "running", pace: "together", step: "s9", nth: 8, opened: 8 }, []).at).toBe(0);
  });

  test("in the lobby and afterwards nothing is held", () => {
    for (const phase of ["lobby", "ended"] as const)
      expect(followed({ phase, pace: "together", step: "s2", nth: 1, opened: 1 }, own)).toEqual({ at: null, upTo: 4 });
  });
});

describe("how a step is worked on, changed while it runs", () => {
  const [aisha, bo, cato] = [
    { student: 1, name: "Aisha" },
    { student: 2, name: "Bo" },
    { student: 3, name: "Cato" },
  ];
  const pairs = {
    mode: "pairs" as const,
    groups: [[aisha!, bo!], [cato!]],
    onBoard: true,
    shared: false,
    frozen: false,
  };

  test("belongs to its step, stays when she comes back, and goes when she takes it away", () => {
    const changed = after([{ do: "work", step: "s1", work: pairs }], begun());
    const back = after(
      [
        { do: "go", step: "s2", nth: 1 },
        { do: "go", step: "s1", nth: 0 },
      ],
      changed,
    );
    expect(back.work).toEqual({ s1: pairs });
    expect(after([{ do: "work", step: "s1", work: null }], back).work).toEqual({});
  });

  test("each knows with whom she works, and nobody is in two groups", () => {
    const changed = after([{ do: "work", step: "s1", work: pairs }], begun());
    expect(worksWith(changed, "s1", 1)).toEqual(["Bo"]);
    expect(worksWith(changed, "s1", 3)).toEqual([]);
    expect(worksWith(changed, "s2", 1)).toEqual([]);
    const twice = { ...pairs, groups: [[aisha!, bo!], [aisha!]] };
    expect(lessonAfter(begun(), { do: "work", step: "s1", work: twice }, START)).toBe("twice");
  });

  test("alone or all together there are no groups; a lesson from before this was known has none", () => {
    const together = after([{ do: "work", step: "s1", work: { ...pairs, mode: "class" } }], begun());
    expect(together.work.s1).toEqual({ ...pairs, mode: "class", groups: [] });
    const { work: _work, ...before } = begun();
    expect(LessonState.parse(before).work).toEqual({});
  });
});
