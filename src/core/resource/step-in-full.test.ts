import type { Document, Step } from "./document";
import { newStep } from "./edit";
import { newQuestion } from "../question/new-question";
import { placeStepAs } from "./merge";
import { richText } from "../content/rich-text";
import { formatField } from "./format-field";
import { stepInFull } from "./step-in-full";
import { lessonOf } from "./testing/documents";
import { questionTypes } from "../question/testing/question-types";

let n = 0;
const newId = () => `f${(n += 1)}`;
const question = {
  ...newQuestion("choice", "en", newId),
  prompt: { en: richText("Which?") },
  options: [
    { id: "a", text: { en: "Gull" } },
    { id: "b", text: { en: "Tern" } },
  ],
  right: "a",
};
const step: Step = newStep("en", "Birds", newId, [
  { id: "q", type: "question", question: question as never },
  { id: "p", type: "picture", media: "drawing:gull-tern", description: { en: "Two birds" }, decorative: false },
]);
const changed = (more: object): Step => ({
  ...step,
  blocks: [{ ...step.blocks[0]!, question: { ...question, ...more } } as never, step.blocks[1]!],
});
const text = (of: Step) => stepInFull(of, ["en", "es"]);

describe("two steps that differ in anything differ in words", () => {
  test.each<[string, Step]>([
    ["an option", changed({ options: [question.options[0], { id: "b", text: { en: "Kittiwake" } }] })],
    ["which is right", changed({ right: "b" })],
    [
      "a picture of an option",
      changed({ options: [{ ...question.options[0], picture: "a".repeat(64) }, question.options[1]] }),
    ],
    ["a hint", changed({ hint: { en: richText("Look at the beak.") } })],
    ["feedback", changed({ feedback: { wrong: { en: richText("Look again.") } } })],
    ["when it is checked", changed({ checked: "never" })],
    ["how it is marked", changed({ partial: "all" })],
    ["marks", changed({ marks: 3 })],
    ["its time", changed({ seconds: 60 })],
    ["another language", { ...step, title: { ...step.title, es: "Aves" } }],
    ["minutes", { ...step, minutes: 12 }],
    ["how they work", { ...step, work: "pairs" }],
    ["the phase", { ...step, phase: "check" }],
    ["who sees it", { ...step, audience: "teacher" }],
    ["that it is locked", { ...step, locked: true }],
    [
      "the picture",
      { ...step, blocks: [step.blocks[0]!, { ...step.blocks[1]!, media: "drawing:sheep-skerry" } as never] },
    ],
    ["notes", { ...step, teacherNotes: { en: richText("Ask first.") } }],
  ])("%s", (_, other) => {
    expect(text(other)).not.toBe(text(step));
    expect(text(structuredClone(step))).toBe(text(step));
  });

  test.each(questionTypes)("a question of the type %s is said without fail", (type) => {
    const asked = { ...newQuestion(type, "en", newId), prompt: { en: richText("Well?") } };
    expect(text(newStep("en", "A", newId, [{ id: "q", type: "question", question: asked as never }]))).toContain(
      "Well?",
    );
  });
});

describe("what is said of the whole, before and after", () => {
  const document = lessonOf([step], {
    languages: ["en", "es"],
    title: { en: "Birds", es: "Aves" },
    months: [9, 10],
    standards: [{ framework: "x", code: "SC.5.L.1", relation: "teaches" }],
    vocabulary: [{ term: "tern", meaning: { en: "a sea bird" } }],
  });
  test.each<[Parameters<typeof formatField>[1], string]>([
    ["title", "Birds\nSpanish: Aves"],
    [
      "grades",
      `grades ${document.grades.from === document.grades.to ? document.grades.from : `${document.grades.from}–${document.grades.to}`}`,
    ],
    ["months", "Sep, Oct"],
    ["standards", "SC.5.L.1 (teaches)"],
    ["vocabulary", "tern: a sea bird"],
    ["languages", "English, Spanish"],
    ["edition", ""],
  ])("%s", (field, said) => expect(formatField(document, field)).toBe(said));
});

describe("a step is put where it stands in another document", () => {
  const steps = ["a", "b", "c", "d"].map((id) => ({ ...newStep("en", id, newId), id }));
  const of = (...ids: string[]): Document => lessonOf(ids.map((id) => steps.find((one) => one.id === id)!));
  const order = (document: Document) => document.steps.map(({ id }) => id).join("");
  test.each([
    ["dabc", "abcd", "d", "abcd"],
    ["abcd", "cabd", "c", "cabd"],
    ["dab", "abcd", "d", "abd"],
    ["ab", "abcd", "d", "ab"],
  ])("of %s, as in %s, %s: %s", (mine, other, id, expected) => {
    expect(order(placeStepAs(of(...mine), of(...other), id))).toBe(expected);
  });
});
