import { newDrawing, newItem, type Drawing } from "../drawing/drawing";
import type { Block } from "./block";
import type { Document, Step } from "./document";
import { lessonOf } from "./testing/documents";
import { newStep } from "./edit";
import { newQuestion } from "../question/new-question";
import { newManipulative } from "../manipulative/manipulative";
import type { Question } from "../question/question";
import { richText } from "../content/rich-text";
import { remarks } from "./remarks";
import { unfinished } from "./unfinished";
import { untouched } from "./untouched";

let n = 0;
const newId = () => `u${(n += 1)}`;
const stepWith = (...blocks: Block[]): Step => newStep("en", "A step", newId, blocks);
const stops = (...blocks: Block[]) => unfinished(lessonOf([stepWith(...blocks)]), 1).map(({ problem }) => problem);
const worth = (step: Step, more: Partial<Document> = {}) =>
  remarks(lessonOf([step], more)).map(({ problem }) => problem);
const film: Block = { id: "f", type: "film", media: "film:into-the-lock", captions: {}, stops: [] };
const text = (words: string): Block => ({ id: newId(), type: "text", text: { en: richText(words) } });

describe("what must be fixed before it goes out", () => {
  test.each<[string, Block[], string[]]>([
    [
      "a sound nobody recorded",
      [{ id: "s", type: "sound", media: "sound:silence" }],
      ["Nothing has been recorded to listen to."],
    ],
    [
      "a link that says nothing",
      [{ id: "l", type: "link", href: "https://skerry.example/", label: {} }],
      ["A link says nothing."],
    ],
    ["maths that is none", [{ id: "m", type: "maths", tex: "  ", spoken: {} }], ["Maths is empty."]],
    ["a film cut away to nothing", [{ ...film, from: 10, to: 4 }], ["A film ends before it begins."]],
    [
      "a stop with a link that says nothing",
      [{ ...film, stops: [{ id: "x", at: 3, maySkip: true, link: { href: "https://skerry.example/", label: {} } }] }],
      ["A link in a film says nothing."],
    ],
    [
      "a question in a film that asks nothing and has no answer",
      [{ ...film, stops: [{ id: "x", at: 3, maySkip: false, question: newQuestion("choice", "en", newId) }] }],
      ["A question asks nothing yet.", "A choice has no right answer."],
    ],
    [
      "a picture to measure that nobody describes",
      [{ id: "r", type: "manipulative", tool: newManipulative("ruler", "en") }],
      ["A picture to measure has no description."],
    ],
    [
      "a poll with nothing to choose between",
      [
        {
          id: "p",
          type: "question",
          question: {
            ...newQuestion("poll", "en", newId),
            prompt: { en: richText("Well?") },
            options: [{ id: "a", text: { en: "Yes" } }],
          } as never,
        },
      ],
      ["A poll has only one answer."],
    ],
  ])("%s", (_name, blocks, expected) => {
    expect(stops(...blocks)).toEqual(expected);
  });

  test("what is whole stands in nobody's way", () => {
    const asked = (type: "photo" | "speech" | "notePage") => ({
      id: newId(),
      type: "question" as const,
      question: { ...newQuestion(type, "en", newId), prompt: { en: richText("Show it.") } },
    });
    expect(stops(film, asked("photo"), asked("speech"), asked("notePage"), text("Read."))).toEqual([]);
  });
});

describe("what is worth a look", () => {
  test("a film without captions, a sound without its words", () => {
    expect(worth(stepWith(film))).toEqual(["A film has no captions."]);
    expect(worth(stepWith({ ...film, captions: { en: "captions:into-the-lock.en" } }))).toEqual([]);
    const sound: Block = { id: "s", type: "sound", media: "sound:watch-the-film-en", seconds: 8 };
    expect(worth(stepWith(sound))).toEqual(["A sound has no transcript."]);
    expect(worth(stepWith({ ...sound, transcript: { en: "Watch." } }))).toEqual([]);
  });

  test.each(["Answer key: b, c, a", "Teacher's notes: go slowly here", "Clave de respuestas"])(
    "“%s” in what students read",
    (words) => {
      expect(worth(stepWith(text(words)))).toEqual(["Students would read something written for teachers."]);
      expect(worth({ ...stepWith(text(words)), audience: "teacher" })).toEqual([]);
    },
  );

  test("a teacher in a story is no note for teachers", () => {
    expect(worth(stepWith(text("The teacher answered: the key is under the mat.")))).toEqual([]);
  });

  test("a link to a page students do not have", () => {
    const linked = (href: string): Block => ({
      id: newId(),
      type: "text",
      text: {
        en: {
          type: "doc",
          content: [
            {
              type: "paragraph",
              content: [{ type: "text", text: "here", marks: [{ type: "link", attrs: { href } }] }],
            },
          ],
        },
      },
    });
    expect(worth(stepWith(linked("/satchel?pocket=3")))).toEqual(["A link goes to a page students cannot open."]);
    expect(worth(stepWith(linked("/help")))).toEqual([]);
    expect(worth(stepWith(linked("https://skerry.example/satchel")))).toEqual([]);
  });

  test.each([
    ["http://localhost:3000/tides", "localhost can only be reached from your own computer or network."],
    ["http://192.168.0.4/tides", "192.168.0.4 can only be reached from your own computer or network."],
    ["https://tides/", "“tides” is not the name of a website."],
    ["https://tides.example/today", null],
    ["https://skerry.example", null],
  ])("%s, in a link of its own and in a film", (href, problem) => {
    const link: Block = { id: "l", type: "link", href, label: { en: "Tides" } };
    const stop = { id: "x", at: 3, maySkip: true, link: { href, label: { en: "Tides" } } };
    const captioned: Block = { ...film, captions: { en: "c".repeat(64) }, stops: [stop] };
    for (const block of [link, captioned])
      expect(remarks(lessonOf([stepWith(block)]))).toEqual(
        problem === null ? [] : [expect.objectContaining({ block: block.id, problem })],
      );
  });

  test("what is found names its block, and in a film the film", () => {
    const question = { ...newQuestion("choice", "en", newId), id: "q" };
    const inFilm: Block = { ...film, stops: [{ id: "x", at: 3, maySkip: false, question }] };
    expect(unfinished(lessonOf([stepWith(text("Read."), inFilm)]), 1)).toEqual([
      expect.objectContaining({ block: "f", problem: "A question asks nothing yet." }),
      expect.objectContaining({ block: "f", problem: "A choice has no right answer." }),
    ]);
  });

  test("texts that read harder than the grades it is for", () => {
    const hard =
      "Notwithstanding the considerable meteorological uncertainties accompanying equinoctial atmospheric disturbances, " +
      "experienced navigators characteristically anticipate extraordinary hydrographic irregularities. ".repeat(8);
    expect(worth(stepWith(text(hard)))).toEqual([
      expect.stringMatching(/^It reads like grade \d+ \(.+\); it is for grade 5 at most\.$/),
    ]);
    expect(worth(stepWith(text("The sea is high. The boat can go. We wait on the wall. ".repeat(12))))).toEqual([]);
  });

  test("a second language with texts still to write, counted", () => {
    const step = { ...stepWith(text("The sea is high.")), instructions: { en: { text: richText("Read.") } } };
    expect(worth(step, { languages: ["en", "es"] })).toEqual(["3 of 3 texts are not written in Spanish yet."]);
  });
});

test("a right answer that is still the one a question came with is said before it goes out, and stops nothing", () => {
  const asked = (question: Question): Block => ({ id: newId(), type: "question", question });
  const fresh = (["number", "line", "bars", "gaps"] as const).map((type) => asked(newQuestion(type, "en", newId)));
  const said = (...blocks: Block[]) => untouched(lessonOf([stepWith(...blocks)])).map(({ problem }) => problem);
  expect(said(...fresh)).toEqual([
    "The right answer of a number question is 0.",
    "The right place on a number line is 5, as it came.",
    "The bars are all 5 high, as they came.",
    "The passage with gaps is still the one it came with.",
  ]);
  const number = newQuestion("number", "en", newId);
  if (number.type === "number") number.parts[0]!.right = 12;
  expect(said(asked(number))).toEqual([]);
  // Who assigns it is not asked about its author's answers.
  expect(worth(stepWith(...fresh))).toEqual([]);
});

test("a drawing wants something drawn, its words written and a description", () => {
  const drawn = (items: Drawing["items"], description = {}): string[] =>
    stops({ id: newId(), type: "drawing", drawing: { ...newDrawing(), description, items } });
  const arrow = newItem("arrow", newDrawing(), "en", "a");
  const words = newItem("words", newDrawing(), "en", "w");
  expect(drawn([])).toEqual(["Nothing has been drawn yet."]);
  expect(drawn([arrow])).toEqual(["A drawing has no description."]);
  expect(drawn([arrow, words], { en: "The pier." })).toEqual(["Some words in a drawing are still empty."]);
  expect(drawn([arrow], { en: "The pier." })).toEqual([]);
});
