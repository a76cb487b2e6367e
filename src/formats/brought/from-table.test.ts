import { readFileSync } from "node:fs";
import { stepsFrom } from "@/core/brought/steps";
import { questionsOf } from "@/core/resource/document";
import { Step } from "@/core/resource/schema/document";
import { writeXlsx } from "../xlsx";
import { fromTable } from "./from-table";
import { readBrought } from "./read-brought";

const bytes = (text: string) => new TextEncoder().encode(text);
const stepsOf = async (file: Uint8Array, name: string) => {
  let made = 0;
  const { pages } = await readBrought(file, name);
  const how = { language: "en", newId: () => `n${(made += 1)}`, media: [] };
  return stepsFrom(
    pages,
    pages.map(() => "a step"),
    how,
  );
};

test("a table of questions becomes questions of ours, with what is right, hints and marks; a topic is a step", async () => {
  const steps = await stepsOf(new Uint8Array(readFileSync("demo/files/tide-questions.csv")), "tide-questions.csv");
  expect(steps.map(({ title }) => title.en)).toEqual(["High and low", "Reckoning"]);
  for (const step of steps) expect(Step.safeParse(step).error).toBeUndefined();
  const [often, pulls, minutes, ebb, why] = steps.flatMap(questionsOf);
  expect(often).toMatchObject({ type: "choice", marks: 1, options: [{}, { text: { en: "twice" } }, {}] });
  expect(often).toHaveProperty("right", (often as { options: { id: string }[] }).options[1]!.id);
  expect(JSON.stringify(often!.hint)).toContain("Look at the table of Tuesday.");
  const { options } = pulls as { options: { id: string }[] };
  expect(pulls).toMatchObject({ type: "choices", marks: 2, right: [options[0]!.id, options[2]!.id] });
  expect(minutes).toMatchObject({ type: "number", parts: [{ right: 746 }] });
  expect(ebb).toMatchObject({ type: "shortText", accepted: [{ text: "ebb" }, { text: "the ebb" }] });
  expect(why).toMatchObject({ type: "longText", marks: 3 });
});

test("a workbook says the same as its table", async () => {
  const rows = [
    ["Question", "Option 1", "Option 2", "Correct answer"],
    ["Is the tide out?", "yes", "no", "no"],
  ];
  const [step] = await stepsOf(await writeXlsx(rows, { name: "Questions", heads: 1 }), "questions.xlsx");
  const [question] = questionsOf(step!);
  expect(question).toHaveProperty("right", (question as { options: { id: string }[] }).options[1]!.id);
});

test("what is not as it should be is said with its line, and comes in as far as it can", () => {
  const brought = fromTable(
    [
      ["question", "A", "B", "answer", "marks"],
      ["Which?", "one", "two", "three", "many"],
      ["", "x", "y", "A", "1"],
      ["Or this?", "one", "two", "B", "2,5"],
    ],
    "File",
  )!;
  expect(brought.pages[0]!.left).toEqual([
    "Line 2: the answer “three” is none of its choices. Choose it yourself.",
    "Line 3 asks nothing.",
  ]);
  expect(brought.pages[0]!.blocks).toMatchObject([
    { asked: { marks: null } },
    { asked: { right: ["two"], marks: 2.5 } },
  ]);
});

test("more than twenty questions are several pages, and a table of something else is refused with what is missing", async () => {
  const many = [["question", "answer"], ...Array.from({ length: 45 }, (_, at) => [`Number ${at}?`, String(at)])];
  expect(fromTable(many, "Many")!.pages.map(({ blocks }) => blocks.length)).toEqual([20, 20, 5]);
  expect(
    fromTable(
      [
        ["name", "birthday"],
        ["Aisha", "2016"],
      ],
      "x",
    ),
  ).toBeNull();
  await expect(readBrought(bytes("name,birthday\nAisha,2016\n"), "class.csv")).rejects.toThrow(
    "no columns of questions",
  );
});
