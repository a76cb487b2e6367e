import { lesson } from "@/data/testing/world";
import { richText } from "../content/rich-text";
import { newStep } from "../resource/edit";
import { newQuestion } from "../question/new-question";
import type { QuestionType } from "../question/question";
import { partsOf, ranked } from "./parts";

let made = 0;
const newId = () => `n${(made += 1)}`;
const asks = (type: QuestionType, prompt: string) => ({
  ...{ id: newId(), type: "question" as const },
  question: { ...newQuestion(type, "en", newId), prompt: { en: richText(prompt) } },
});
const shore = lesson("On the shore", {
  steps: [
    newStep("en", "Look at the tides", newId, [
      { id: newId(), type: "text", text: { en: richText("The sea comes and goes twice a day.") } },
      asks("choice", "How many tides are there in a day?"),
      asks("number", "How high is the water at noon?"),
    ]),
    newStep("en", "", newId, [asks("shortText", "Name a shell you found.")]),
  ],
});
const said = (typed: string, type: QuestionType | null = null) =>
  ranked(partsOf(shore, typed, type)).map((part) => [part.type ?? "step", part.says]);

test("a question is found by its own words, and what has more of them and little else comes first", () => {
  expect(said("tide day")).toEqual([
    ["choice", "How many tides are there in a day?"],
    ["step", expect.stringContaining("Look at the tides")],
  ]);
  expect(said("shells")).toEqual([["shortText", "Name a shell you found."]]);
  expect(said("otter")).toEqual([]);
});

test("only questions of a type, and without words all of them in their order", () => {
  expect(said("day", "number")).toEqual([]);
  expect(said("", "number")).toEqual([["number", "How high is the water at noon?"]]);
  expect(said("").map(([type]) => type)).toEqual(["step", "choice", "number", "shortText"]);
});

test("the words are marked where they stand, in a long text too", () => {
  const long = `${"Much is said of sand. ".repeat(20)}Then the herring came. ${"More sand followed. ".repeat(20)}`;
  const [part] = partsOf(
    lesson("Long", {
      steps: [newStep("en", "Read", newId, [{ id: newId(), type: "text", text: { en: richText(long) } }])],
    }),
    "herrings",
    null,
  );
  expect(part!.says.length).toBeLessThan(170);
  expect(part!.matched.map(([from, to]) => part!.says.slice(from, to))).toEqual(["herring"]);
});

test("of a long text as much is shown as can be read at a glance, and where something is left out it says so", () => {
  const says = (text: string, typed: string) => {
    const step = newStep("en", "", newId, [{ id: newId(), type: "text", text: { en: richText(text) } }]);
    return partsOf(lesson("Long", { steps: [step] }), typed, null)[0]!.says;
  };
  const sand = "Much is said of sand. ".repeat(20);
  const atTheStart = says(`The herring came. ${sand}`, "herring");
  expect(atTheStart).toMatch(/^The herring came\. .* …$/);
  const inTheMiddle = says(`${sand}Then the herring came. ${sand}`, "herring");
  expect(inTheMiddle).toMatch(/^… .*Then the herring came\..* …$/);
  const atTheEnd = says(`${sand}Then the herring came.`, "herring");
  expect(atTheEnd).toMatch(/^… .*Then the herring came\.$/);
  // Words stay whole.
  for (const excerpt of [atTheStart, inTheMiddle, atTheEnd])
    for (const word of excerpt.match(/[\p{L}]+/gu)!) expect(`${sand} Then the herring came The`).toContain(word);
  // One endless word is cut.
  expect(says(`${"a".repeat(900)} herring`, "herring")).toMatch(/^a+ …$/);
});
