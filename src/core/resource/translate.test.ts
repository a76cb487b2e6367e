import { newDrawing, newItem } from "../drawing/drawing";
import type { Block } from "./block";
import { newStep } from "./edit";
import { newQuestion } from "../question/new-question";
import { questionsOf, type Step } from "./document";
import { lessonOf } from "./testing/documents";
import { plainText, richText, type RichText } from "../content/rich-text";
import { questionTypes } from "../question/testing/question-types";
import { unfinished } from "./unfinished";
import { translatables, translated, withLanguage, withoutLanguage, withTranslation } from "./translate";

let n = 0;
const newId = () => `id${(n += 1)}`;
const both = ["en", "es"];

const step: Step = {
  ...newStep("en", "Low water", newId),
  instructions: { en: { text: richText("Read the table.") } },
  teacherNotes: { en: richText("Watch who reads the wrong column.") },
  blocks: [
    { id: "t", type: "text", text: { en: richText("The tide falls twice a day.") } },
    {
      id: "r",
      type: "table",
      rows: {
        en: [
          ["Time", "Height"],
          ["06:10", "low"],
        ],
      },
      headerRow: true,
      headerColumn: false,
    },
    {
      id: "f",
      type: "film",
      media: "film:a-tide-in-a-minute",
      title: { en: "A tide" },
      captions: { en: "captions:a-tide-in-a-minute.en" },
      stops: [{ id: "s", at: 3, maySkip: true, note: { en: richText("Look at the post.") } }],
    },
    {
      id: "q",
      type: "question",
      question: {
        ...newQuestion("choice", "en", newId),
        id: "asked",
        prompt: { en: richText("When?") },
        type: "choice",
        options: [
          { id: "a", text: { en: "in the morning" } },
          { id: "b", text: { en: "at noon", es: "a mediodía" } },
        ],
        right: "a",
      },
    },
  ],
};
const said = (text: string | RichText | undefined) => (typeof text === "object" ? plainText(text) : text);
const document = lessonOf([step], { languages: both });

test("every text a student reads is there to be translated, in the order of reading; numbers and file names are not", () => {
  expect(translatables(step, both, "es").map(({ original }) => said(original))).toEqual([
    "Low water",
    "The tide falls twice a day.",
    "Time",
    "Height",
    "low",
    "A tide",
    "Look at the post.",
    "When?",
    "in the morning",
    "at noon",
  ]);
});

test("what is written is known, what is not is missing", () => {
  const texts = translatables(step, both, "es");
  expect(texts.filter(({ translation }) => translation !== undefined).map(({ translation }) => translation)).toEqual([
    "a mediodía",
  ]);
});

test("each text can be written in another language and says the same in the first as before", () => {
  for (const text of translatables(step, both, "es")) {
    const written = text.kind === "rich" ? richText("¡Sí!") : "¡Sí!";
    const next = withTranslation(step, text, "es", written, "en");
    const found = translatables(next, both, "es").find(
      (one) => JSON.stringify([one.path, one.cell]) === JSON.stringify([text.path, text.cell]),
    );
    expect(said(found?.translation)).toBe("¡Sí!");
    expect(translatables(next, both, "es").map(({ original }) => said(original))).toEqual(
      translatables(step, both, "es").map(({ original }) => said(original)),
    );
  }
});

test("a table written in another language keeps its shape", () => {
  const cell = translatables(step, both, "es").find(({ original }) => original === "low")!;
  const next = withTranslation(step, cell, "es", "baja", "en");
  expect(next.blocks[1]).toMatchObject({
    rows: {
      es: [
        ["Time", "Height"],
        ["06:10", "baja"],
      ],
    },
  });
});

test("no type of question hides a text from translation: whatever is written by language is found", () => {
  for (const type of questionTypes) {
    const question = JSON.parse(
      JSON.stringify(newQuestion(type, "en", newId)).replaceAll('"en":""', '"en":"words"'),
    ) as Record<string, unknown>;
    question.prompt = { en: richText("Asked.") };
    const one = { ...newStep("en", "", newId), blocks: [{ id: "q", type: "question", question }] } as Step;
    const written = [...JSON.stringify(question).matchAll(/"en":"(words|The tide[^"]*)"/g)].length;
    expect([type, translatables(one, both, "es").length]).toEqual([type, written + 1]);
  }
});

test("how far a language is counts texts and instructions", () => {
  expect(translated(document, "es")).toEqual({ written: 1, all: 11 });
  const spoken = { ...step, instructions: { ...step.instructions, es: { text: richText("Lee la tabla.") } } };
  expect(translated({ ...document, steps: [spoken] }, "es")).toEqual({ written: 2, all: 11 });
});

test("a language is added once, and the first one stays", () => {
  const more = withLanguage(document, "pt-BR");
  expect(more.languages).toEqual(["en", "es", "pt-BR"]);
  expect(withLanguage(more, "es")).toBe(more);
  expect(withoutLanguage(more, "es").languages).toEqual(["en", "pt-BR"]);
  expect(withoutLanguage(more, "en").languages).toEqual(["en", "es", "pt-BR"]);
});

describe("words to mark", () => {
  const question = {
    ...newQuestion("highlight", "en", newId),
    id: "marked",
    type: "highlight" as const,
    passage: { en: "The tide falls.", es: "Baja la marea." },
    right: { en: [2], es: [0] },
    unit: "word" as const,
  };
  const asking: Step = { ...step, blocks: [{ id: "h", type: "question", question }] };
  const passage = () => translatables(asking, both, "es").find(({ original }) => original === question.passage.en)!;
  const rightAfter = (written: string) =>
    questionsOf(withTranslation(asking, passage(), "es", written, "en")).map((one) =>
      one.type === "highlight" ? one.right : null,
    );

  test("keep their marks when their passage is written on in another language, and leave the first one's alone", () => {
    expect(rightAfter("Cada día baja la marea.")).toEqual([{ en: [2], es: [] }]);
    expect(rightAfter("Baja la marea dos veces.")).toEqual([{ en: [2], es: [0] }]);
    expect(rightAfter("Siempre, Baja la marea.")).toEqual([{ en: [2], es: [1] }]);
  });

  test("want to be marked in every language their passage is written in before it goes out", () => {
    const problems = (right: typeof question.right | { en: number[] }, passage: Record<string, string>) =>
      unfinished(
        lessonOf([{ ...asking, blocks: [{ id: "h", type: "question", question: { ...question, right, passage } }] }], {
          languages: both,
        }),
        1,
      ).filter(({ problem }) => /to be marked/.test(problem)).length;
    expect(problems(question.right, question.passage)).toBe(0);
    expect(problems({ en: [2] }, question.passage)).toBe(1);
    expect(problems({ en: [2] }, { en: question.passage.en })).toBe(0);
  });
});

test("the words and the description of a drawing are written in another language like any other text", () => {
  const words = { ...newItem("words", newDrawing(), "en", "w"), text: { en: "high water" } };
  const drawing = { ...newDrawing(), description: { en: "The pier." }, items: [words] };
  const step = newStep("en", "Pier", () => "s", [{ id: "d", type: "drawing", drawing } as Block]);
  const found = translatables(step, ["en", "es"], "es").filter(({ path }) => path[0] === "blocks");
  expect(found.map(({ original }) => original).sort()).toEqual(["The pier.", "high water"]);
  const at = found.find(({ original }) => original === "high water")!;
  const said = withTranslation(step, at, "es", "pleamar", "en");
  expect(JSON.stringify(said)).toContain('"es":"pleamar"');
});
