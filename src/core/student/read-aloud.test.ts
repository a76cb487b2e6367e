import type { Block } from "../resource/block";
import { newStep } from "../resource/edit";
import { newQuestion } from "../question/new-question";
import type { Step } from "../resource/document";
import { richText } from "../content/rich-text";
import type { Question, QuestionType } from "../question/question";
import { formatStep, voiceFor } from "./read-aloud";

let made = 0;
const newId = () => `r${(made += 1)}`;
const step = (blocks: Block[], more: Partial<Step> = {}): Step => ({
  ...newStep("en", "Tides", newId, blocks),
  ...more,
});
const ask = (type: QuestionType, change: (question: never) => object = () => ({})): Block => {
  const question = newQuestion(type, "en", newId);
  const asked = { ...question, prompt: { en: richText("Which?") }, ...change(question as never) } as Question;
  return { id: newId(), type: "question", question: asked };
};
const spoken = (of: Step, languages = ["en"]) =>
  formatStep(of, languages).map((said) =>
    "text" in said ? said.text : "recording" in said ? "(voice)" : said.pause > 500 ? "…" : "",
  );
const heard = (of: Step, languages?: string[]) => spoken(of, languages).filter(Boolean);
const options = (...texts: string[]) => texts.map((text, at) => ({ id: `o${at}`, text: { en: text } }));

test("everything to choose from is said after what is asked", () => {
  expect(heard(step([ask("choice", () => ({ options: options("ebb", "flood") }))]))).toEqual([
    "Tides",
    "Which?",
    "ebb",
    "flood",
  ]);
  expect(heard(step([ask("match", () => ({ left: options("moon"), right: options("pulls") }))]))).toContain("pulls");
  expect(heard(step([ask("groups", () => ({ groups: options("wet"), items: options("kelp") }))]))).toEqual([
    "Tides",
    "Which?",
    "wet",
    "kelp",
  ]);
  expect(heard(step([ask("longText", () => ({ checklist: options("I named two.") }))]))).toContain("I named two.");
});

test("a gap is a silence, in a passage and in a table", () => {
  const gaps = ask("gaps", () => ({ passage: { en: "The tide is [[a]] now." } }));
  expect(heard(step([gaps]))).toEqual(["Tides", "Which?", "The tide is", "…", "now."]);
  const cells = ask("cells", () => ({ rows: { en: [["high", "[[b]]"]] } }));
  expect(heard(step([cells]))).toEqual(["Tides", "Which?", "high", "…"]);
});

test("captions, cells, maths, links, the words of drawings and the stops of films are said", () => {
  const blocks: Block[] = [
    {
      id: "p",
      type: "picture",
      media: "drawing:pier",
      description: { en: "A pier." },
      decorative: false,
      caption: { en: "The old pier" },
    },
    { id: "t", type: "table", rows: { en: [["6:10", "0.4 m"]] }, headerRow: false, headerColumn: false },
    { id: "m", type: "maths", tex: "\\frac12", spoken: { en: "one half" } },
    { id: "l", type: "link", href: "https://example.org/", label: { en: "the harbour's page" } },
    {
      ...{ id: "f", type: "film" as const, media: "film:tide", title: { en: "The ebb" }, captions: {} },
      stops: [{ id: "s", at: 3, maySkip: true, note: { en: richText("Look at the rope.") } }],
    },
  ];
  expect(heard(step(blocks))).toEqual([
    ...["Tides", "The old pier", "6:10", "0.4 m", "one half", "the harbour's page", "The ebb", "Look at the rope."],
  ]);
});

test("somebody's own voice goes before the device's, and a text of a question's own before what stands there", () => {
  const recording = { media: "sound:hello", by: 1, name: "Ines", seconds: 3, kept: true };
  const instructions = { en: { text: richText("Read the table."), recording } };
  expect(heard(step([], { instructions }))).toEqual(["Tides", "(voice)"]);
  const own = ask("choice", () => ({ options: options("3/4"), aloud: { en: "Which is three quarters?" } }));
  expect(heard(step([own]))).toEqual(["Tides", "Which is three quarters?"]);
});

test("it is said in the language the child reads", () => {
  const both = step([{ id: "x", type: "text", text: { en: richText("Low water."), es: richText("Bajamar.") } }]);
  expect(heard(both, ["es", "en"])).toEqual(["Tides", "Bajamar."]);
});

test("the voice is one of the reading language, or none", () => {
  const voices = [{ lang: "en-US" }, { lang: "en_GB", default: true }, { lang: "es-MX" }];
  expect(voiceFor(voices, "en-GB")).toBe(voices[1]);
  expect(voiceFor(voices, "en")).toBe(voices[1]);
  expect(voiceFor(voices, "es")).toBe(voices[2]);
  expect(voiceFor(voices, "ar")).toBeUndefined();
});
