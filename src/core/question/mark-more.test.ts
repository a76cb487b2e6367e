import fc from "fast-check";
import { richText } from "../content/rich-text";
import { type Question, type QuestionOf } from "./question";
import { readByPerson } from "./mark";
import { formatAnswer } from "./format";
import { markStored as mark, formatStored as sayResponse } from "./testing/stored";

// What QTI's response processing gives: directed pairs by map_response, one share for each that is right; numbers equal
// within an absolute tolerance; hot text and points by map_response with what is wrong taken off, never below nothing.
const option = (id: string) => ({ id, text: { en: id } });
const asked = { id: "q", prompt: { en: richText("?") }, marks: 4, partial: "by part", checked: "at once" } as const;
const axis = { from: 0, to: 10, step: 1 };

const groups: QuestionOf<"groups"> = {
  ...asked,
  type: "groups",
  groups: ["bird", "fish"].map(option),
  items: ["tern", "cod", "gull", "ling"].map(option),
  right: [
    ["tern", "bird"],
    ["cod", "fish"],
    ["gull", "bird"],
    ["ling", "fish"],
  ],
};
const labels: QuestionOf<"labels"> = {
  ...asked,
  type: "labels",
  media: "drawing:kelp-parts",
  description: { en: "Kelp" },
  spots: [
    { id: "s1", x: 0.2, y: 0.2 },
    { id: "s2", x: 0.5, y: 0.9 },
  ],
  labels: ["frond", "holdfast", "keel"].map(option),
  right: [
    ["s1", "frond"],
    ["s2", "holdfast"],
  ],
};
const line: QuestionOf<"line"> = {
  ...asked,
  type: "line",
  axis: { from: 0, to: 1, step: 0.1 },
  right: 0.3,
  tolerance: 0,
};
const bars: QuestionOf<"bars"> = {
  ...asked,
  type: "bars",
  axis,
  bars: [
    { ...option("May"), right: 4, tolerance: 0 },
    { ...option("June"), right: 8, tolerance: 1 },
  ],
};
const points: QuestionOf<"points"> = {
  ...asked,
  type: "points",
  ...{ x: axis, y: axis },
  right: [
    [1, 2],
    [3, 6],
  ],
  tolerance: 0,
};
const highlight: QuestionOf<"highlight"> = {
  ...asked,
  type: "highlight",
  passage: { en: "Cold wind, warm boat", es: "Viento frío" },
  unit: "word",
  right: { en: [0, 2], es: [1] },
};
const cells: QuestionOf<"cells"> = {
  ...asked,
  type: "cells",
  rows: {
    en: [
      ["Tide", "m"],
      ["high", "[[g1]]"],
      ["low", "[[g2]]"],
    ],
  },
  gaps: [
    { id: "g1", accepted: ["4.2"] },
    { id: "g2", accepted: ["1.1"] },
  ],
  spelling: { ignoreCase: true, ignoreAccents: false, forgiveOneSlip: false },
};
const sketch: QuestionOf<"sketch"> = { ...asked, type: "sketch" };
const stroke = { ink: "blue", width: 4, points: [0, 0, 1, 1] };

test.each<[name: string, question: Question, response: unknown, marks: number]>([
  ["all sorted", groups, groups.right, 4],
  ["one in the wrong group", groups, [["tern", "fish"], ...groups.right.slice(1)], 3],
  ["one left out", groups, groups.right.slice(1), 3],
  ["labels right", labels, labels.right, 4],
  ["one label astray", labels, [["s1", "keel"], labels.right[1]], 2],
  ["on the line, though 0.1 + 0.2 is not 0.3 to a machine", line, 0.1 + 0.2, 4],
  ["a mark beside it", line, 0.4, 0],
  ["zero is an answer, not a blank", { ...line, right: 0 }, 0, 4],
  ["bars, one within its tolerance", bars, { May: 4, June: 7 }, 4],
  ["a bar too high", bars, { May: 5, June: 8 }, 2],
  ["a bar not touched", bars, { June: 8 }, 2],
  [
    "points in any order",
    points,
    [
      [3, 6],
      [1, 2],
    ],
    4,
  ],
  [
    "a point too many costs one",
    points,
    [
      [1, 2],
      [3, 6],
      [5, 5],
    ],
    2,
  ],
  [
    "the same point twice hits once",
    points,
    [
      [1, 2],
      [1, 2],
    ],
    0,
  ],
  ["words marked", highlight, [0, 2], 4],
  ["every word marked earns nothing", highlight, [0, 1, 2, 3], 0],
  ["a word missed", highlight, [0], 2],
  ["cells filled, one wrong", cells, { g1: "4.2", g2: "11" }, 2],
])("%s", (_, question, response, marks) => {
  expect(mark(question, response).marks).toBe(marks);
});

test("in whichever language it was read: a student may turn to the other one", () => {
  expect(mark(highlight, [1], "es").verdict).toBe("right");
  expect(mark(highlight, [1], "en").verdict).toBe("right");
  expect(mark(highlight, [999], "en").verdict).toBe("wrong");
});

test("all or nothing holds for parts of every kind", () => {
  expect(mark({ ...groups, partial: "all" }, groups.right.slice(1)).marks).toBe(0);
  expect(mark({ ...points, partial: "all" }, [[1, 2]]).marks).toBe(0);
});

test("a drawing and a text with a checklist wait for a person; ticks alone are no answer", () => {
  expect(mark(sketch, [stroke])).toMatchObject({ verdict: "to read", marks: null });
  expect(mark(sketch, [])).toMatchObject({ verdict: "blank", marks: null });
  const write: QuestionOf<"longText"> = { ...asked, type: "longText", lines: 4, checklist: [option("c1")] };
  expect(mark(write, { text: "We rowed.", done: ["c1"] }).verdict).toBe("to read");
  expect(mark(write, { text: " ", done: ["c1"] }).verdict).toBe("blank");
  expect(sayResponse(write, { text: "We rowed.", done: [] }, ["en"])).toBe("We rowed.");
});

test("no answer whatever earns more than there is or less than nothing", () => {
  const place = fc.integer({ min: 0, max: 10 });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(place, place), { maxLength: 12 }),
      fc.array(place, { maxLength: 8 }),
      (pairs, places) => {
        for (const one of [mark(points, pairs), mark(highlight, places)]) {
          expect(one.marks).toBeGreaterThanOrEqual(0);
          expect(one.marks).toBeLessThanOrEqual(4);
        }
      },
    ),
  );
});

test("what is not of the question's shape counts as no answer", () => {
  for (const question of [groups, labels, line, bars, points, highlight, cells, sketch])
    expect(mark(question, { nonsense: [true] }).verdict).toBe("blank");
});

test.each<[question: Question, response: unknown, said: string, answer: string]>([
  [groups, [["cod", "fish"]], "bird: – · fish: cod", "bird: tern, gull · fish: cod, ling"],
  [labels, [["s1", "keel"]], "1 keel · 2 –", "1 frond · 2 holdfast"],
  [line, 0.4, "0.4", "0.3"],
  [bars, { May: 2 }, "May 2 · June –", "May 4 · June 8"],
  [points, [[5, 5]], "(5 | 5)", "(1 | 2) (3 | 6)"],
  [highlight, [1, 3], "wind · boat", "Cold · warm"],
  [cells, { g2: "1" }, "– · 1", "4.2 · 1.1"],
  [sketch, [stroke], "a drawing of 1 line", "As the student draws it; a person looks at it."],
])("is said in words", (question, response, said, answer) => {
  expect(sayResponse(question, response, ["en"])).toBe(said);
  expect(formatAnswer(question, ["en"])).toBe(answer);
});

test("only writing and drawing need a person", () => {
  expect([groups, line, sketch].map(({ type }) => readByPerson(type))).toEqual([false, false, true]);
});
