import { lesson } from "@/data/testing/world";
import { everythingLesson } from "@/formats/testing/outgoing";
import { formatAnswer } from "../question/format";
import { allQuestions, type Document } from "./document";
import { forPaper, inPaperOrder, letterAt } from "./paper";

const options = (names: string) => [...names].map((id) => ({ id, text: { en: `Option ${id}` } }));
const base = lesson("Boats");
const withQuestion = (more: object): Document => ({
  ...base,
  steps: [
    {
      ...base.steps[0]!,
      blocks: [{ id: "b", type: "question", question: { ...allQuestions(base)[0]!.question, ...more } as never }],
    },
    { ...base.steps[0]!, id: "secret", audience: "teacher" },
  ],
});
const matched = withQuestion({
  type: "match",
  left: options("abcdefgh"),
  right: options("ABCDEFGH"),
  pairs: [..."abcdefgh"].map((id) => [id, id.toUpperCase()]),
});

describe("a resource on paper", () => {
  test("leaves out what is for the teacher", () => {
    expect(forPaper(matched).steps).toHaveLength(1);
  });

  test("partners do not stand beside each other, all of them are there, and two prints are alike", () => {
    const { question } = allQuestions(forPaper(matched))[0]!;
    if (question.type !== "match") throw new Error("It is not the question that was made.");
    const names = (list: readonly { text: Record<string, string> }[]) => list.map(({ text }) => text.en!.at(-1)!);
    const [left, right] = [names(question.left), names(question.right)];
    expect([...left].sort()).toEqual([..."abcdefgh"]);
    expect([...right].sort()).toEqual([..."ABCDEFGH"]);
    expect(right.map((name) => name.toLowerCase())).not.toEqual(left);
    expect(forPaper(matched)).toEqual(forPaper(matched));
  });

  test("choices are called by letters, however many there are", () => {
    expect([0, 1, 25, 26, 27].map(letterAt)).toEqual(["a", "b", "z", "aa", "ab"]);
  });
});

test("in the order of paper what is right can still be told, for every type", () => {
  const document = everythingLesson();
  const ordered = inPaperOrder(document);
  const [before, after] = [document, ordered].map((one) => allQuestions(one).map(({ question }) => question));
  expect(after).toHaveLength(before!.length);
  for (const [at, question] of before!.entries()) {
    const other = after![at]!;
    expect([question.type, formatAnswer(other, ["en"])]).toEqual([question.type, formatAnswer(question, ["en"])]);
    // The same things, and for those that are mixed the order of the printed sheet.
    expect(JSON.stringify(Object.values(other)).length).toBe(JSON.stringify(Object.values(question)).length);
  }
  const printed = allQuestions(forPaper(document)).flatMap(({ question }) =>
    question.type === "match" ? question.right : [],
  );
  const keyed = allQuestions(ordered).flatMap(({ question }) => (question.type === "match" ? question.right : []));
  expect(keyed.map(({ text }) => text)).toEqual(printed.map(({ text }) => text));
});
