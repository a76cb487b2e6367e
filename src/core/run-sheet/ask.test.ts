import { richText } from "../content/rich-text";
import { newQuestion } from "../question/new-question";
import type { Question, QuestionType } from "../question/question";
import { QuickQuestion } from "../live/lesson";
import { quickOf } from "./ask";

const asked = (type: QuestionType, more: object = {}): Question =>
  ({
    ...newQuestion(type, "en", () => "q"),
    prompt: { en: richText("When is it high?\n\nLook again.") },
    ...more,
  }) as Question;
const options = (...texts: string[]) => ({ options: texts.map((text, at) => ({ id: `o${at}`, text: { en: text } })) });
const quick = (question: Question) => quickOf(question, ["en"], "id");

test("choices are asked with their choices, numbers as numbers, sketches drawn, the rest in words", () => {
  expect(quick(asked("choice", options("noon", "six")))).toEqual({
    ...{ id: "id", kind: "choose", ask: "When is it high? Look again.", options: ["noon", "six"] },
  });
  expect(quick(asked("number"))).toMatchObject({ kind: "number" });
  expect(quick(asked("sketch"))).toMatchObject({ kind: "draw" });
  expect(quick(asked("longText"))).toMatchObject({ kind: "words" });
});

test("choices that cannot stand on the screens are asked for in words; what cannot be asked in a line is not", () => {
  for (const wrong of [
    options("one"),
    options("a", "a"),
    options("x".repeat(90), "b"),
    options("", "b"),
    options(..."abcdefg"),
  ])
    expect(quick(asked("choice", wrong))).toMatchObject({ kind: "words", options: [] });
  expect(quick(asked("match"))).toBeNull();
  expect(quick(asked("number", { prompt: {} }))).toBeNull();
});

test("whatever is made of it can be sent", () => {
  const long = quick(asked("shortText", { prompt: { en: richText("why ".repeat(200)) } }));
  expect(QuickQuestion.safeParse(long).success).toBe(true);
});
