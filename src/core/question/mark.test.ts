import fc from "fast-check";
import { newQuestion } from "./new-question";
import { richText } from "../content/rich-text";
import type { Question, QuestionOf, QuestionType } from "./question";
import { isBlankResponse } from "./mark";
import { markStored as mark } from "./testing/stored";

const option = (id: string) => ({ id, text: { en: id } });
const asked = { id: "q", prompt: { en: richText("?") }, marks: 2, partial: "by part", checked: "at once" } as const;
const spelling = { ignoreCase: true, ignoreAccents: false, forgiveOneSlip: false };

const choice: QuestionOf<"choice"> = { ...asked, type: "choice", options: ["a", "b", "c"].map(option), right: "b" };
const choices: QuestionOf<"choices"> = {
  ...asked,
  type: "choices",
  options: ["a", "b", "c", "d"].map(option),
  right: ["a", "b"],
};
const shortText: QuestionOf<"shortText"> = {
  ...asked,
  type: "shortText",
  accepted: [
    { text: "limpet", share: 1 },
    { text: "shell", share: 0.5 },
  ],
  spelling,
};
const number: QuestionOf<"number"> = {
  ...asked,
  type: "number",
  parts: [
    { id: "h", right: 12, tolerance: 0, unit: "h" },
    { id: "m", right: 25, tolerance: 1, unit: "min" },
  ],
};
const gaps: QuestionOf<"gaps"> = {
  ...asked,
  type: "gaps",
  passage: { en: "The sea [[g1]] and then it [[g2]]." },
  gaps: [
    { id: "g1", accepted: ["ebbs", "falls"] },
    { id: "g2", accepted: ["rises"] },
  ],
  spelling,
};
const match: QuestionOf<"match"> = {
  ...asked,
  type: "match",
  left: ["l1", "l2"].map(option),
  right: ["r1", "r2", "r3"].map(option),
  pairs: [
    ["l1", "r1"],
    ["l2", "r2"],
  ],
};
const order: QuestionOf<"order"> = {
  ...asked,
  type: "order",
  items: ["b", "d", "a", "c"].map(option),
  right: ["a", "b", "c", "d"],
};

describe("one choice", () => {
  test("earns everything or nothing", () => {
    expect(mark(choice, "b")).toMatchObject({ verdict: "right", marks: 2, outOf: 2 });
    expect(mark(choice, "a")).toMatchObject({ verdict: "wrong", marks: 0 });
  });
  test("without a right answer nothing is right", () => {
    expect(mark({ ...choice, right: null }, "b").marks).toBe(0);
  });
});

describe("several choices", () => {
  test("each right one earns its share", () => {
    expect(mark(choices, ["b", "a"])).toMatchObject({ verdict: "right", marks: 2 });
    expect(mark(choices, ["a"])).toMatchObject({ verdict: "partly", marks: 1 });
  });
  test("a wrong one costs as much as a right one earns, and never below nothing", () => {
    expect(mark(choices, ["a", "b", "c"])).toMatchObject({ verdict: "partly", marks: 1 });
    expect(mark(choices, ["c", "d"]).marks).toBe(0);
  });
  test("ticking everything earns nothing", () => {
    expect(mark(choices, ["a", "b", "c", "d"])).toMatchObject({ verdict: "wrong", marks: 0 });
  });
  test("all or nothing means all", () => {
    expect(mark({ ...choices, partial: "all" }, ["a"])).toMatchObject({ verdict: "wrong", marks: 0 });
    expect(mark({ ...choices, partial: "all" }, ["a", "b"])).toMatchObject({ verdict: "right", marks: 2 });
  });
  test("says which of those chosen were right", () => {
    expect(mark(choices, ["a", "c"]).parts).toEqual({ a: true, c: false });
  });
});

describe("short answer", () => {
  test("any accepted answer counts, a half-right one half", () => {
    expect(mark(shortText, " Limpet. ")).toMatchObject({ verdict: "right", marks: 2 });
    expect(mark(shortText, "shell")).toMatchObject({ verdict: "partly", marks: 1 });
    expect(mark(shortText, "crab")).toMatchObject({ verdict: "wrong", marks: 0 });
  });
});

describe("numbers", () => {
  test("hours and minutes are marked each for itself", () => {
    expect(mark(number, { h: { number: "12" }, m: { number: "26" } })).toMatchObject({ verdict: "right", marks: 2 });
    expect(mark(number, { h: { number: "12" }, m: { number: "" } })).toMatchObject({
      verdict: "partly",
      marks: 1,
      parts: { h: true, m: false },
    });
  });
  test("a decimal comma is read by the language of the resource", () => {
    const metres = { ...number, parts: [{ id: "p", right: 1.25, tolerance: 0 }] };
    expect(mark(metres, { p: { number: "1,250" } }, "es").verdict).toBe("right");
    expect(mark(metres, { p: { number: "1,250" } }, "en").verdict).toBe("wrong");
  });
});

describe("gaps", () => {
  test("each gap earns its share, whichever accepted word fills it", () => {
    expect(mark(gaps, { g1: "falls", g2: "Rises" })).toMatchObject({ verdict: "right", marks: 2 });
    expect(mark(gaps, { g1: "falls", g2: "sinks" })).toMatchObject({
      verdict: "partly",
      marks: 1,
      parts: { g1: true, g2: false },
    });
  });
});

describe("pairs", () => {
  test("each right pair earns its share", () => {
    expect(
      mark(match, [
        ["l1", "r1"],
        ["l2", "r2"],
      ]).marks,
    ).toBe(2);
    expect(
      mark(match, [
        ["l1", "r1"],
        ["l2", "r3"],
      ]),
    ).toMatchObject({ verdict: "partly", marks: 1, parts: { l1: true, l2: false } });
  });
  test("the same right pair given twice counts once", () => {
    expect(
      mark(match, [
        ["l1", "r1"],
        ["l1", "r1"],
      ]).marks,
    ).toBe(1);
  });
});

describe("order", () => {
  test("is right as a whole, or in the places that are right", () => {
    expect(mark(order, ["a", "b", "c", "d"])).toMatchObject({ verdict: "right", marks: 2 });
    expect(mark(order, ["a", "b", "d", "c"])).toMatchObject({
      verdict: "partly",
      marks: 1,
      parts: { a: true, b: true, c: false, d: false },
    });
    expect(mark({ ...order, partial: "all" }, ["a", "b", "d", "c"]).marks).toBe(0);
  });
});

describe("writing", () => {
  test("is read by a person: no marks, not even nothing", () => {
    const writing = newQuestion("longText", "en", () => "q");
    expect(mark(writing, "Dear Johanna")).toMatchObject({ verdict: "to read", marks: null });
    expect(mark(writing, "  ")).toMatchObject({ verdict: "blank", marks: null });
  });
});

const all: Question[] = [choice, choices, shortText, number, gaps, match, order];

describe("whatever is stored", () => {
  test.each(all.map((question) => [question.type, question] as const))(
    "%s: no answer is blank and earns nothing",
    (_type, question) => {
      for (const nothing of [undefined, null])
        expect(mark(question, nothing)).toMatchObject({ verdict: "blank", marks: 0 });
    },
  );

  test.each(all.map((question) => [question.type, question] as const))(
    "%s: a value of another shape counts as blank, and never breaks a table",
    (_type, question) => {
      for (const odd of [42, { x: 1 }, [1, 2], true, [["a"]], "\u0000".repeat(30_000)]) {
        expect(mark(question, odd).verdict).toMatch(/blank|wrong/);
      }
    },
  );

  test("marks are between nothing and all, and the same every time", () => {
    const anyId = fc.constantFrom("a", "b", "c", "d", "l1", "l2", "r1", "r2", "r3", "x");
    const anyResponse = fc.oneof(
      anyId,
      fc.array(anyId),
      fc.array(fc.tuple(anyId, anyId)),
      fc.dictionary(fc.constantFrom("h", "m", "g1", "g2"), fc.oneof(fc.string(), fc.record({ number: fc.string() }))),
    );
    fc.assert(
      fc.property(fc.constantFrom(...all), anyResponse, (question, response) => {
        const first = mark(question, response);
        expect(mark(question, response)).toEqual(first);
        expect(first.marks).toBeGreaterThanOrEqual(0);
        expect(first.marks).toBeLessThanOrEqual(question.marks);
      }),
    );
  });

  test("blank means there is nothing in it, for every shape", () => {
    expect(isBlankResponse("number", { h: { number: " " } })).toBe(true);
    expect(isBlankResponse("gaps", { g1: "" })).toBe(true);
    expect(isBlankResponse("choices", [])).toBe(true);
    expect(isBlankResponse("match" satisfies QuestionType, [["l1", "r1"]])).toBe(false);
  });
});
