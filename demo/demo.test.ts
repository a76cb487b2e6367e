import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { allQuestions } from "@/core/resource/document";
import { parseDocument } from "@/core/resource/schema/document";
import { factsOf } from "@/core/resource/facts";
import { readByPerson } from "@/core/question/mark";
import { unfinished } from "@/core/resource/unfinished";
import { mark } from "@/core/question/mark";
import { likelyMistake, rightAnswer } from "./answers";
import { bulkLesson } from "./bulk/lessons";
import { SeededRandom } from "./bulk/random";
import { documentOf, readWritten } from "./read";

const folder = path.join(__dirname, "resources");
const lessons = readdirSync(folder).map((file) => {
  const name = file.replace(/\.yaml$/, "");
  return { name, ...readWritten(name, readFileSync(path.join(folder, file), "utf8")) };
});

describe("the hand-written lessons", () => {
  test("there are thirty and more, from kindergarten to grade 8, in every subject", () => {
    expect(lessons.length).toBeGreaterThanOrEqual(30);
    const facts = lessons.map(({ document }) => factsOf(document));
    expect(Math.min(...facts.map((one) => one.grades.from))).toBe(0);
    expect(Math.max(...facts.map((one) => one.grades.to))).toBe(8);
    expect(new Set(facts.flatMap((one) => one.subjects)).size).toBe(10);
  });

  test.each(lessons.map((one) => [one.name, one.document] as const))(
    "%s is complete: every question has its answer, every picture its description",
    (_name, document) => {
      expect(unfinished(document, 0)).toEqual([]);
      expect(document.steps.length).toBeGreaterThanOrEqual(3);
      expect(allQuestions(document).length).toBeGreaterThanOrEqual(3);
    },
  );

  test.each(lessons.map((one) => [one.name, one.document] as const))(
    "%s: its right answers are marked right",
    (_name, document) => {
      const random = new SeededRandom(1);
      for (const { question } of allQuestions(document)) {
        const { verdict } = mark(question, rightAnswer(question, random), document.languages[0]);
        // What is photographed or spoken cannot be made up.
        const madeUp = question.type !== "photo" && question.type !== "speech";
        const expected = !readByPerson(question.type) ? "right" : madeUp ? "to read" : "blank";
        expect([question.id, verdict]).toEqual([question.id, expected]);
      }
    },
  );

  test("every drawing they show ships with the application", () => {
    const drawings = new Set(readdirSync(path.join(__dirname, "../public/drawings")));
    for (const { document } of lessons) {
      for (const block of document.steps.flatMap((step) => step.blocks)) {
        if (block.type === "picture") expect(drawings).toContain(`${block.media.replace("drawing:", "")}.svg`);
      }
    }
  });
});

// Facts that teachers are shown as examples of good work.
describe("facts in the lessons", () => {
  const minutes = (clock: string) => {
    const [hours, rest] = clock.split(":").map(Number);
    return hours! * 60 + rest!;
  };

  test("two high waters lie about 12 h 25 min apart, low water between them", () => {
    const { document } = lessons.find((one) => one.name === "reading-a-tide-table")!;
    const table = document.steps.flatMap((step) => step.blocks).find((block) => block.type === "table")!;
    if (table.type !== "table") throw new Error("no table");
    for (const [, high, low, nextHigh] of table.rows.en!.slice(1)) {
      expect(Math.abs(minutes(nextHigh!) - minutes(high!) - 745)).toBeLessThanOrEqual(10);
      expect(minutes(low!)).toBeGreaterThan(minutes(high!));
      expect(minutes(low!)).toBeLessThan(minutes(nextHigh!));
    }
  });

  // The international nautical mile is 1,852 m exactly (Monaco, 1929).
  test("a nautical mile is 1,852 metres wherever one is mentioned", () => {
    const mentioned = lessons
      .flatMap(({ document }) => document.vocabulary)
      .filter((word) => word.term === "nautical mile");
    expect(mentioned.length).toBeGreaterThan(0);
    for (const word of mentioned) expect(word.meaning.en).toContain("1,852 metres");
  });
});

describe("the generated lessons", () => {
  const random = new SeededRandom(3);
  const many = Array.from({ length: 300 }, (_, at) => documentOf(`g${at}`, { ...bulkLesson(random), by: "" }));

  test("the same seed gives the same library", () => {
    expect(bulkLesson(new SeededRandom(9))).toEqual(bulkLesson(new SeededRandom(9)));
  });

  test("are whole documents with right answers, all of them", () => {
    for (const document of many) {
      expect(() => parseDocument(document)).not.toThrow();
      expect(unfinished(document, 0)).toEqual([]);
      for (const { question } of allQuestions(document)) {
        if (question.type !== "longText")
          expect([document.title.en, mark(question, rightAnswer(question, random)).verdict]).toEqual([
            document.title.en,
            "right",
          ]);
      }
    }
  });

  test("read sensibly: no gap left in a title or summary", () => {
    for (const document of many)
      expect(`${document.title.en} ${document.summary.en}`).not.toMatch(/undefined|NaN|\[object|\{\{|  /);
  });

  test("a mistake is a mistake: never marked wholly right", () => {
    for (const document of many.slice(0, 80)) {
      for (const { question } of allQuestions(document)) {
        if (question.type === "longText") continue;
        expect(["wrong", "partly", "blank"]).toContain(
          mark(question, likelyMistake(question, new SeededRandom(1))).verdict,
        );
      }
    }
  });
});

test("a lesson that is written wrongly says in which file and why", () => {
  expect(() => readWritten("broken", "title: x")).toThrow(/demo\/resources\/broken\.yaml/);
  expect(() => readWritten("broken", "steps: [")).toThrow(/broken\.yaml/);
});
