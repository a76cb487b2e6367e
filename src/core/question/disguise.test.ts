import { createHmac } from "node:crypto";
import { mark } from "./mark";
import { disguise } from "./disguise";
import { newQuestion } from "./new-question";
import { withoutAnswers } from "./without-answers";
import type { Question, ResponseValue } from "./question";
import { questionTypes } from "./testing/question-types";

const forStudent = (student: number) =>
  disguise((question, list, id) =>
    createHmac("sha256", "key").update(`${student} ${question} ${list} ${id}`).digest("hex").slice(0, 12),
  );
let made = 0;
const newId = () => `question-${(made += 1)}`;
const texts = (side: string, count: number) =>
  Array.from({ length: count }, (_, at) => ({ id: `${side}${at + 1}`, text: { en: `${side} text ${at + 1}` } }));

/** As authors write them: what belongs together has the same number, and stands at the same place. */
const asked: { question: Question; right: ResponseValue }[] = [
  {
    question: {
      ...newQuestion("match", "en", newId),
      left: texts("l", 6),
      right: texts("r", 6),
      pairs: texts("l", 6).map(({ id }, at) => [id, `r${at + 1}`]),
    } as unknown as Question,
    right: texts("l", 6).map(({ id }, at) => [id, `r${at + 1}`] as [string, string]),
  },
  {
    question: {
      ...newQuestion("order", "en", newId),
      items: texts("x", 5),
      right: texts("x", 5).map(({ id }) => id),
    } as unknown as Question,
    right: texts("x", 5).map(({ id }) => id),
  },
  {
    question: { ...newQuestion("choice", "en", newId), options: texts("o", 4), right: "o1" } as unknown as Question,
    right: "o1",
  },
  {
    question: {
      ...newQuestion("groups", "en", newId),
      groups: texts("g", 2),
      items: texts("i", 6),
      right: texts("i", 6).map(({ id }, at) => [id, `g${1 + (at % 2)}`]),
    } as unknown as Question,
    right: texts("i", 6).map(({ id }, at) => [id, `g${1 + (at % 2)}`] as [string, string]),
  },
];

describe.each(asked)("$question.type", ({ question, right }) => {
  const seen = forStudent(7).question(question);

  test("none of the author's names is left, nor is the right answer, in what a student is sent", () => {
    const sent = JSON.stringify(withoutAnswers(seen));
    for (const id of sent.matchAll(/"id":"([^"]+)"/g)) expect(id[1]).not.toMatch(/^[a-z]\d$/);
  });

  test("an answer goes there and back, and is marked the same", () => {
    const one = forStudent(7);
    const shown = one.value(question, right);
    expect(shown).not.toEqual(right);
    expect(one.back(question, shown)).toEqual(right);
    expect(mark(question, one.back(question, shown) as ResponseValue, "en").verdict).toBe("right");
    expect(Object.values(one.mark(question, mark(question, right, "en")).parts)).toHaveLength(
      Object.keys(mark(question, right, "en").parts).length,
    );
  });

  test("names are the same when the student comes back, and others for another student", () => {
    expect(forStudent(7).question(question)).toEqual(seen);
    expect(forStudent(8).question(question)).not.toEqual(seen);
  });
});

test("the order shown says nothing: over a hundred students the first thing is first about as often as any other", () => {
  const { question } = asked[1]!;
  const first = new Map<string, number>();
  for (let student = 0; student < 400; student += 1) {
    const { items } = forStudent(student).question(question) as Extract<Question, { type: "order" }>;
    const text = items[0]!.text.en!;
    first.set(text, (first.get(text) ?? 0) + 1);
    expect(items.map(({ text: { en } }) => en)).not.toEqual(texts("x", 5).map((item) => item.text.en));
  }
  expect([...first.values()].every((times) => times > 40 && times < 140)).toBe(true);
});

test("the right order cannot be read off the names of the parts of a mark", () => {
  const { question, right } = asked[1]!;
  const wrong = [...(right as string[])].reverse();
  const parts = Object.keys(forStudent(7).mark(question, mark(question, wrong, "en")).parts);
  expect(parts).toEqual([...parts].sort());
});

test("what has no parts to choose from stays as it is, and nonsense stays nonsense", () => {
  const one = forStudent(7);
  for (const type of questionTypes.filter(
    (name) => !["choice", "choices", "order", "match", "groups", "labels"].includes(name),
  )) {
    const question = newQuestion(type, "en", newId);
    expect(one.question(question)).toBe(question);
    expect(one.back(question, { any: "thing" })).toEqual({ any: "thing" });
  }
  for (const nonsense of [null, 3, { a: 1 }, [[1, 2, 3]], [7]])
    for (const { question } of asked) expect(one.back(question, nonsense)).toEqual(nonsense);
  // The names authors use, guessed, are nobody's.
  for (const { question, right } of asked)
    expect(mark(question, one.back(question, right) as ResponseValue, "en").verdict).toBe("wrong");
});
