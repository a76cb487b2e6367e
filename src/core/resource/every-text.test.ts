import { newDrawing, newItem } from "../drawing/drawing";
import type { Block } from "./block";
import type { Document } from "./document";
import { newStep } from "./edit";
import { newQuestion } from "../question/new-question";
import { everyText } from "./every-text";
import { richText } from "../content/rich-text";

let made = 0;
const newId = () => `e${(made += 1)}`;
const lesson = (blocks: Block[]): Document => ({
  ...({ schema: 1, languages: ["en", "es"], title: { en: "T" }, summary: {}, kind: "lesson" } as const),
  ...{ grades: { from: 4, to: 4 }, subjects: ["science" as const], topics: [], devices: ["any" as const] },
  ...({ standards: [], vocabulary: [], credits: [], licence: "CC-BY-4.0" } as const),
  steps: [
    {
      ...newStep("en", "Below the pier", newId, blocks),
      instructions: { en: { text: richText("Look closely.") }, es: { text: richText("Mira bien.") } },
      teacherNotes: { en: richText("Bring a torch.") },
    },
  ],
});
const choice = { ...newQuestion("choice", "en", newId), prompt: { en: richText("Who holds on?") } };
if (choice.type === "choice") choice.options[0]!.text = { en: "a limpet", es: "una lapa" };

test("options, passages, cells, films, sounds, drawings and notes are all read, each in its language", () => {
  const gaps = newQuestion("gaps", "en", newId);
  const words = newItem("words", newDrawing(), "en", newId());
  if (words.type === "words") words.text = { en: "high water", es: "pleamar" };
  const blocks: Block[] = [
    { id: newId(), type: "question", question: choice },
    { id: newId(), type: "question", question: gaps },
    { id: newId(), type: "table", rows: { en: [["Barnacle", "6"]] }, headerRow: false, headerColumn: false },
    { id: newId(), type: "drawing", drawing: { ...newDrawing(), description: { en: "The pier." }, items: [words] } },
    { id: newId(), type: "sound", media: "sound:waves", transcript: { en: "Waves hiss." } },
    {
      id: newId(),
      type: "film",
      media: "film:tide",
      title: { en: "The ebb" },
      captions: { en: "captions:tide.en" },
      stops: [],
    },
  ];
  const english = everyText(lesson(blocks), "en");
  for (const said of [
    "Below the pier",
    "Look closely.",
    "a limpet",
    "The tide is",
    "Barnacle",
    "high water",
    "Waves hiss.",
    "The ebb",
    "Bring a torch.",
  ])
    expect(english).toContain(said);
  expect(english).not.toMatch(/\[\[|captions:|sound:|lapa/);
  expect(everyText(lesson(blocks), "es").split("\n")).toEqual(["Mira bien.", "una lapa", "pleamar"]);
});

test("words to choose from in a gap are read in their language", () => {
  const gaps = newQuestion("gaps", "en", newId);
  if (gaps.type === "gaps")
    gaps.gaps = [{ ...gaps.gaps[0]!, options: ["high", "slack"], optionsIn: { es: ["alta", "muerta"] } }];
  const document = lesson([{ id: newId(), type: "question", question: gaps }]);
  expect(everyText(document, "en")).toContain("slack");
  expect(everyText(document, "es")).toContain("muerta");
  expect(everyText(document, "en")).not.toContain("muerta");
});
