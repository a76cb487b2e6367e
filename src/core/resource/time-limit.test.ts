import { lesson } from "@/data/testing/world";
import { questionsOf, withQuestions } from "./document";
import { studentDocument } from "./student-view";
import { veiled } from "../question/without-answers";
import { allowedSeconds, GRACE_SECONDS, formatAllowed, secondsLeft, standing, timeLimits } from "./time-limit";

const begun = new Date("2026-11-30T09:00:00Z");
const after = (seconds: number) => new Date(begun.getTime() + seconds * 1000);
const tides = lesson("Tides");
const [asked] = tides.steps.flatMap(questionsOf);
const timed = { ...asked!, seconds: 60 };

test("time and a half makes ninety seconds of a minute; without a time there is none to stretch", () => {
  expect(allowedSeconds(timed, 1.5)).toBe(90);
  expect(allowedSeconds({ seconds: 45 }, 1.25)).toBe(56);
  expect(allowedSeconds({}, 2)).toBeNull();
});

test("what is left runs down to nothing and not below", () => {
  expect([0, 12.5, 60, 3600].map((seconds) => secondsLeft(60, begun, after(seconds)))).toEqual([60, 47.5, 0, 0]);
});

describe("an answer", () => {
  const stands = (seconds: number, factor = 1) =>
    standing(timed, { factor, begun: new Map([[timed.id, begun]]), now: after(seconds) });

  test("counts while the time runs, and a breath longer for its way", () => {
    expect(stands(59)).toBe("in time");
    expect(stands(60 + GRACE_SECONDS)).toBe("in time");
    expect(stands(61 + GRACE_SECONDS)).toBe("late");
  });

  test("of a child with twice the time is in time when others' is late", () => {
    expect([stands(110), stands(110, 2)]).toEqual(["late", "in time"]);
  });

  test("to what was never opened is none; to a question without a time it always is one", () => {
    expect(standing(timed, { factor: 1, begun: new Map(), now: begun })).toBe("not begun");
    expect(standing(asked!, { factor: 1, begun: new Map(), now: begun })).toBe("in time");
  });
});

test("until it is opened a question shows nothing of itself, in a film's stop neither", () => {
  const document = studentDocument(tides);
  const [step] = document.steps;
  const film = {
    ...step!,
    blocks: [
      {
        id: "film",
        type: "film" as const,
        media: "harbour.webm",
        title: {},
        captions: [],
        stops: [{ id: "stop", at: 3, maySkip: false, question: { ...timed, prompt: {} } }],
      },
    ],
  };
  expect(JSON.stringify(withQuestions(step!, veiled))).not.toContain("option");
  expect(questionsOf(withQuestions(film as never, veiled))).toMatchObject([{ id: timed.id, seconds: 60, prompt: {} }]);
});

test("limits are there for questions that have a time, with what is left of those that were opened", () => {
  const steps = tides.steps.map((step) => withQuestions(step, (question) => ({ ...question, seconds: 60 })));
  const of = { factor: 2, now: after(30) };
  expect(timeLimits(tides, { ...of, begun: new Map() })).toEqual({});
  const limited = { ...tides, steps };
  expect(timeLimits(limited, { ...of, begun: new Map() })[timed.id]).toEqual({ seconds: 120, left: null });
  expect(timeLimits(limited, { ...of, begun: new Map([[timed.id, begun]]) })[timed.id]).toEqual({
    seconds: 120,
    left: 90,
  });
});

test.each([
  [30, "30 seconds"],
  [60, "1 minute"],
  [90, "1 minute 30 seconds"],
  [3600, "1 hour"],
  [5401, "1 hour 30 minutes 1 second"],
])("%i is said as %s", (seconds, said) => {
  expect(formatAllowed(seconds)).toBe(said);
});
