import { readFileSync } from "node:fs";
import path from "node:path";
import { questionsOf } from "@/core/resource/document";
import { plainText } from "@/core/content/rich-text";
import { questionTypes } from "@/core/question/testing/question-types";
import { readWritten } from "./read";

const head = `
title: At the gate
by: ines.halloran
shelf: private
kind: lesson
grades: 3-4
subjects: [science]
summary: A short one.
`;
const stepWith = (blocks: string) => `${head}steps:\n  - title: Look\n    say: Look closely.\n    blocks:\n${blocks}`;
const read = (blocks: string, more = "") => readWritten("test", stepWith(blocks) + more).document;

describe("a lesson of the demo as it is written", () => {
  const [example] = readFileSync(path.join(__dirname, "README.md"), "utf8").match(/(?<=```yaml\n)[\s\S]*?(?=```)/g)!;

  test("what its description shows can be read, every kind of question among it", () => {
    const { document } = readWritten("example", example!);
    const types = new Set(document.steps.flatMap(questionsOf).map(({ type }) => type));
    expect(questionTypes.filter((type) => !types.has(type))).toEqual([]);
  });

  test("a film waits where it is written, and what only is to be read may be gone past", () => {
    const document = read(
      "      - film: into-the-lock\n        stops:\n          - { at: 6, note: Look. }\n          - at: 14\n            ask: { choice: What rises?, options: ['*The water', The gate] }\n",
    );
    const [film] = document.steps[0]!.blocks;
    expect(film).toMatchObject({
      type: "film",
      media: "film:into-the-lock",
      stops: [
        { at: 6, maySkip: true },
        { at: 14, maySkip: false },
      ],
    });
    expect(questionsOf(document.steps[0]!)).toMatchObject([{ type: "choice", right: "o1" }]);
  });

  test("something to find out with stands alone or under a number", () => {
    const document = read(
      "      - with: { tool: bars, parts: [2, 4] }\n      - number: How long?\n        answer: 12 min\n        with: { tool: clock, from: 360, to: 360 }\n",
    );
    expect(document.steps[0]!.blocks).toMatchObject([
      { type: "manipulative", tool: { tool: "bars" } },
      { type: "question", question: { type: "number", tool: { tool: "clock" } } },
    ]);
  });

  test("another language says what is written for it, and nothing where nothing is", () => {
    const document = read(
      "      - text: The water rises.\n      - text: The gate shuts.\n",
      "in:\n  es:\n    At the gate: En la compuerta\n    Look closely.: Mira bien.\n    The water rises.: El agua sube.\n",
    );
    expect(document.languages).toEqual(["en", "es"]);
    expect(document.title).toEqual({ en: "At the gate", es: "En la compuerta" });
    const [step] = document.steps;
    expect(plainText(step!.instructions.es?.text)).toBe("Mira bien.");
    expect(step!.blocks.map((block) => block.type === "text" && plainText(block.text.es))).toEqual([
      "El agua sube.",
      "",
    ]);
  });

  test.each([
    ["      - film: no-such-film\n", /there is no film/],
    ["      - with: { tool: bars, parts: [0] }\n", /demo\/resources\/test\.yaml/],
    ["      - poll: Which?\n", /demo\/resources\/test\.yaml/],
  ])("what cannot be read is named with its file: %s", (blocks, says) => {
    expect(() => read(blocks)).toThrow(says);
  });
});
