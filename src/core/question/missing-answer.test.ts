import { newQuestion } from "./new-question";
import { emptyChoice } from "./missing-answer";
import type { Question } from "./question";
import { questionTypes } from "./testing/question-types";

let made = 0;
const newId = () => `c${(made += 1)}`;
const options = (...texts: string[]) => texts.map((text) => ({ id: newId(), text: { en: text } }));
const asked = (type: Parameters<typeof newQuestion>[0], more: object) =>
  ({ ...newQuestion(type, "en", newId), ...more }) as Question;

test.each([
  ["choice", { options: options("ebb", " ") }, "A choice is empty."],
  ["poll", { options: options("ebb", "") }, "An answer of a poll is empty."],
  ["match", { left: options("a", "b"), right: options("c", "") }, "A partner to match is empty."],
  ["order", { items: options("first", "") }, "Something to order is empty."],
  ["groups", { groups: options("sea", ""), items: options("fish") }, "A group is empty."],
  ["choices", { options: options("Ebb", "ebb ") }, "A choice is there twice."],
] as const)("%s: what says nothing, or the same as another, is found", (type, more, problem) => {
  expect(emptyChoice(asked(type, more), ["en"])).toBe(problem);
});

test("two things to sort may be called the same", () => {
  const groups = { groups: options("sea", "shore"), items: options("pebble", "pebble") };
  expect(emptyChoice(asked("groups", groups), ["en"])).toBeNull();
});

test("a picture has words under it, for those who do not see it; in the main language is enough", () => {
  const picture = (text: Record<string, string>) => [{ id: "p", text, picture: "drawing:boat" }, ...options("words")];
  expect(emptyChoice(asked("choice", { options: picture({ en: "a boat" }) }), ["en", "es"])).toBeNull();
  expect(emptyChoice(asked("choice", { options: picture({}) }), ["en"])).toBe("A choice is a picture without words.");
});

test("questions without anything to choose from have nothing to be empty", () => {
  for (const type of questionTypes.filter((one) => ["longText", "number", "gaps", "line", "sketch"].includes(one)))
    expect(emptyChoice(newQuestion(type, "en", newId), ["en"])).toBeNull();
});
