import { allQuestions } from "../resource/document";
import { newQuestion } from "../question/new-question";
import { lesson } from "@/data/testing/world";
import { answeredOf, answersNotice } from "./answered";

const { question } = allQuestions(lesson("Tides"))[0]!;

test("an answer is told with its mark, in words, and itself where it is short", () => {
  const told = answeredOf(question, "a", ["en"]);
  expect(told).toEqual({ question: question.id, verdict: "right", said: expect.stringMatching(/\w/), value: "a" });
  expect(answeredOf(question, "b", ["en"]).verdict).toBe("wrong");
});

test("a long answer is cut in words and not sent along", () => {
  const long = newQuestion("longText", "en", () => "q9");
  const told = answeredOf(long, "kelp ".repeat(200), ["en"]);
  expect(told.said).toHaveLength(140);
  expect(told.said.endsWith("…")).toBe(true);
  expect(told).not.toHaveProperty("value");
  expect(told.verdict).toBe("to read");
});

test("a notice begins with the assignment; what is too long for it says only that something was answered", () => {
  const answers = [answeredOf(question, "a", ["en"])];
  const notice = { student: 7, number: 1, at: 5, answers };
  expect(answersNotice(12, notice)).toBe(`12 ${JSON.stringify(notice)}`);
  const many = Array.from({ length: 200 }, () => answers[0]!);
  expect(answersNotice(12, { ...notice, answers: many })).toBe("12 null");
});
