import type { Step } from "../resource/document";
import { formatNumber, formatShare, formatSteps, formatTitles, type Share } from "./format";

const now = new Date("2026-11-25T10:00:00Z");
const share: Share = {
  className: "5 Kittiwake",
  students: 22,
  all: true,
  when: {
    opens: new Date("2026-12-01T07:00:00Z"),
    due: new Date("2026-12-03T15:00:00Z"),
    closes: null,
    meeting: null,
  },
  zone: "Europe/London",
  tries: 1,
  pieces: null,
  openDays: null,
  after: null,
  steps: null,
  stepWork: [],
  sharing: [],
  special: [],
};
const say = (more: Partial<Share> = {}, opensNow = false) =>
  formatShare({ ...share, ...more }, ["Reading a tide table"], opensNow, now);

describe("said back in one sentence", () => {
  test("a whole class, with morning and afternoon in words", () => {
    expect(say()).toBe(
      "All 22 students of 5 Kittiwake get “Reading a tide table” on Tue 1 Dec, 7 in the morning, due Thu 3 Dec, 3 in the afternoon.",
    );
  });

  test("a time for which there is no word is said as a number", () => {
    expect(say({ all: false, special: [{ version: null, factor: 1.75 }] })).toMatch(
      /; one of them gets 1\.75 times as long\.$/,
    );
  });

  test("two of them with another version and more time, said once and together", () => {
    const shorter = { version: "the shorter version", factor: 1.5 };
    expect(say({ all: false, special: [shorter, shorter] })).toBe(
      "22 students of 5 Kittiwake get “Reading a tide table” on Tue 1 Dec, 7 in the morning, due Thu 3 Dec, 3 in the afternoon; two of them get the shorter version and one and a half times as long.",
    );
  });

  test("different students with different things are not thrown together", () => {
    expect(
      say({
        special: [
          { version: "the Spanish version", factor: 1 },
          { version: null, factor: 2 },
        ],
      }),
    ).toContain("; one of them gets the Spanish version; one of them gets twice as long.");
  });

  test("one student, now, closed when due", () => {
    expect(say({ when: { ...share.when, closes: new Date("2026-12-11T15:00:00Z") } })).toContain(
      ", and it closes on Fri 11 Dec, 3 in the afternoon",
    );
    expect(say({ students: 1, all: false, when: { ...share.when, closes: share.when.due } }, true)).toBe(
      "1 student of 5 Kittiwake gets “Reading a tide table” now, due Thu 3 Dec, 3 in the afternoon and closed then.",
    );
  });

  test("more tries than one are said", () => {
    expect(say({ tries: 2 })).toContain("3 in the afternoon, with 2 tries.");
    expect(say({ tries: null })).toContain("with as many tries as they want.");
  });

  test("what does not come all at once is said to", () => {
    expect(say({ pieces: { parts: 2, oneALesson: true, inOrder: false } })).toContain(
      "3 in the afternoon, in two parts, one in each lesson from then on.",
    );
    expect(say({ pieces: { parts: null, oneALesson: false, inOrder: true }, openDays: 3 })).toContain(
      ", each when the one before is handed in, open on three days only.",
    );
    expect(say({ openDays: 1 })).toContain("open on one day only");
  });

  test("several titles are listed, many are counted", () => {
    expect(formatTitles(["A", "B", "C"])).toBe("“A”, “B” and “C”");
    expect(formatTitles(["A", "B", "C", "D"])).toBe("4 resources");
  });

  test("numbers up to twelve in words", () => {
    expect([0, 2, 12, 13].map(formatNumber)).toEqual(["no", "two", "twelve", "13"]);
  });
});

test("single steps are said by their numbers in the lesson", () => {
  const document = { steps: ["a", "b", "c"].map((id) => ({ id }) as Step) };
  expect(formatSteps(document, ["b"])).toBe("step 2");
  expect(formatSteps(document, ["c", "a"])).toBe("steps 1 and 3");
  expect(say({ all: false, students: 3, steps: "step 2" })).toMatch(
    /^3 students of 5 Kittiwake get step 2 of “Reading a tide table” on/,
  );
});
