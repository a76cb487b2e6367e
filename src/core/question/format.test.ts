import { richText } from "../content/rich-text";
import type { Question } from "./question";
import { formatAnswer } from "./format";
import { formatStored as sayResponse } from "./testing/stored";

const asked = { id: "q", prompt: { en: richText("?") }, marks: 1, partial: "by part", checked: "at once" } as const;
const spelling = { ignoreCase: true, ignoreAccents: false, forgiveOneSlip: false };
const option = (id: string, text: string) => ({ id, text: { en: text } });

const questions = {
  choice: { ...asked, type: "choice", options: [option("a", "near high water"), option("b", "at noon")], right: "a" },
  number: {
    ...asked,
    type: "number",
    parts: [
      { id: "h", right: 12, tolerance: 0, unit: "h" },
      { id: "m", right: 25, tolerance: 1, unit: "min" },
    ],
  },
  gaps: {
    ...asked,
    type: "gaps",
    passage: { en: "It [[g2]] and [[g1]]." },
    gaps: [
      { id: "g1", accepted: ["rises"] },
      { id: "g2", accepted: ["ebbs", "falls"] },
    ],
    spelling,
  },
  match: {
    ...asked,
    type: "match",
    left: [option("l", "kelp")],
    right: [option("r", "producer")],
    pairs: [["l", "r"]],
  },
  order: { ...asked, type: "order", items: [option("b", "low"), option("a", "high")], right: ["a", "b"] },
} satisfies Record<string, Question>;

describe("answers said in words", () => {
  test("a choice by its text, not its id", () => {
    expect(sayResponse(questions.choice, "b", ["en"])).toBe("at noon");
    expect(formatAnswer(questions.choice, ["en"])).toBe("near high water");
  });

  test("a number with its unit and how far off it may be", () => {
    expect(sayResponse(questions.number, { h: { number: "12" }, m: { number: "20" } }, ["en"])).toBe("12 h 20 min");
    expect(formatAnswer(questions.number, ["en"])).toBe("12 h 25 min (1 either way)");
  });

  test("gaps in the order in which they stand in the passage", () => {
    expect(formatAnswer(questions.gaps, ["en"])).toBe("ebbs or falls · rises");
  });

  test("pairs and orders with arrows", () => {
    expect(formatAnswer(questions.match, ["en"])).toBe("kelp → producer");
    expect(sayResponse(questions.order, ["b", "a"], ["en"])).toBe("low → high");
  });

  test("an option that was removed since is a question mark, an unreadable response nothing", () => {
    expect(sayResponse(questions.choice, "gone", ["en"])).toBe("?");
    expect(sayResponse(questions.choice, 7, ["en"])).toBe("");
  });
});
