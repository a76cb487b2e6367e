import { newQuestion } from "../../question/new-question";
import type { Question } from "../../question/question";
import { richText } from "../../content/rich-text";
import type { Cell, ResultTable } from "../table";

/** A question to choose from A, B, C and D, of which B is right. */
const choose = (id: string): Question =>
  ({
    ...newQuestion("choice", "en", () => id),
    id,
    prompt: { en: richText(id) },
    options: ["A", "B", "C", "D"].map((name) => ({ id: name.toLowerCase(), text: { en: name } })),
    right: "b",
    marks: 1,
  }) as Question;

const cellOf = (said: string, seconds: number | null = 30): Cell => ({
  mark: {
    verdict: said === "" ? "blank" : said === "B" ? "right" : "wrong",
    marks: said === "B" ? 1 : 0,
    outOf: 1,
    parts: {},
  } as Cell["mark"],
  ...{ said, made: null, checks: 1, seconds, late: "", lateCounts: false },
});

/** What a class answered: one string a child, one letter a question, a dot for a blank. */
export function classOf(answers: readonly string[], seconds: (nth: number) => number = () => 30): ResultTable {
  const questions = [...answers[0]!].map((_, nth) => choose(`q${nth + 1}`));
  return {
    questions: questions.map((question) => ({ id: question.id, step: "s1", label: "Step", question, share: null })),
    rows: answers.map((row, at) => ({
      factor: 1,
      student: { id: at + 1, name: `Child ${String(at + 1).padStart(2, "0")}` },
      ...{ state: "handed in" as const, tryNumber: 1, tries: 1, marks: 0, outOf: 0, toRead: 0, blanks: 0 },
      ...{ minutes: 1, handedInAt: new Date(0) },
      cells: Object.fromEntries(questions.map(({ id }, nth) => [id, cellOf(row[nth]!.replace(".", ""), seconds(nth))])),
    })),
  };
}
