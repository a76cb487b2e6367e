import { createHash } from "node:crypto";
import { richText } from "@/core/content/rich-text";
import { newQuestion } from "@/core/question/new-question";
import type { Question } from "@/core/question/question";
import { questionTypes } from "@/core/question/testing/question-types";
import type { Block } from "@/core/resource/block";
import { parseDocument, type Document } from "@/core/resource/schema/document";
import { fileName, type BytesOf, type Outgoing, type OutgoingFile } from "../outgoing";

/** The smallest PNG there is: one pixel. */
const PNG = Buffer.from(
  "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==",
  "base64",
);
export const pictureHash = createHash("sha256").update(PNG).digest("hex");
export const bytesOf: BytesOf = async () => new Uint8Array(PNG);

/** A question of each type, filled in so that each has something right. */
export function everyQuestion(): Question[] {
  let made = 0;
  const newId = () => `n${(made += 1)}`;
  return questionTypes.map((type) => {
    const question = newQuestion(type, "en", newId);
    const asked = { prompt: { en: richText(`Which is it, <${type}> & why?`) }, marks: 4 };
    const options = ["high", "low", "ebb"].map((text, at) => ({ id: `o${at}-${newId()}`, text: { en: text } }));
    const ids = options.map(({ id }) => id);
    const more: Partial<Record<string, object>> = {
      choice: { options, right: ids[1] },
      choices: { options, right: [ids[0], ids[2]] },
      poll: { options },
      shortText: {
        accepted: [
          { text: "High water", share: 1 },
          { text: "high", share: 0.5 },
        ],
      },
      number: { parts: [{ id: "p", right: 4.2, tolerance: 0.1, unit: "m" }] },
      order: { items: options, right: [ids[2], ids[0], ids[1]] },
      match: {
        left: options.slice(0, 2),
        right: [
          { id: "r1", text: { en: "up" } },
          { id: "r2", text: { en: "down" } },
        ],
        pairs: [
          [ids[0], "r1"],
          [ids[1], "r2"],
        ],
      },
      groups: {
        items: options,
        groups: [
          { id: "g1", text: { en: "wet" } },
          { id: "g2", text: { en: "dry" } },
        ],
        right: [
          [ids[0], "g1"],
          [ids[1], "g2"],
          [ids[2], "g1"],
        ],
      },
      labels: {
        media: pictureHash,
        description: { en: "A quay" },
        spots: [
          { id: "s1", x: 0.2, y: 0.4 },
          { id: "s2", x: 0.6, y: 0.4 },
        ],
        labels: options,
        right: [
          ["s1", ids[0]],
          ["s2", ids[1]],
        ],
      },
      highlight: { passage: { en: "The tide goes out." }, right: { en: [1, 3] } },
      gaps: {
        passage: { en: "The [[a]] is [[b]] now." },
        gaps: [
          { id: "a", accepted: ["tide", "sea"] },
          { id: "b", accepted: ["high"], options: ["high", "low"] },
        ],
      },
      cells: {
        rows: {
          en: [
            ["High", "[[c]]"],
            ["Low", "10:20"],
          ],
        },
        gaps: [{ id: "c", accepted: ["4:12"] }],
      },
      place: {
        media: pictureHash,
        description: { en: "A map" },
        right: [{ id: "e", x: 0.5, y: 0.5, across: 0.1, down: 0.1 }],
      },
      points: {
        right: [
          [2, 3],
          [4, 5],
        ],
      },
      bars: {
        bars: [
          { id: "b1", text: { en: "Mon" }, right: 3, tolerance: 0 },
          { id: "b2", text: { en: "Tue" }, right: 5, tolerance: 0 },
        ],
      },
      line: { axis: { from: 0, to: 10, step: 1 }, right: 7, tolerance: 0 },
    };
    return { ...question, ...asked, ...more[type] } as Question;
  });
}

/** A lesson with everything a page can hold: a text, a table, a picture, a formula, a link, and the questions. */
export function everythingLesson(questions: readonly Question[] = everyQuestion()): Document {
  const blocks: Block[] = [
    {
      id: "t",
      type: "text",
      text: {
        en: {
          type: "doc",
          content: [
            { type: "heading", attrs: { level: 2 }, content: [{ type: "text", text: "Tides & the moon" }] },
            {
              type: "paragraph",
              content: [
                { type: "text", text: "High water", marks: [{ type: "bold" }] },
                { type: "text", text: " at 4 < 5." },
                { type: "maths", attrs: { tex: "\\frac{1}{2}", spoken: "one half" } },
              ],
            },
            {
              type: "bulletList",
              content: [
                { type: "listItem", content: [{ type: "paragraph", content: [{ type: "text", text: "ebb" }] }] },
              ],
            },
          ],
        },
      },
    },
    {
      id: "tb",
      type: "table",
      rows: {
        en: [
          ["High", "Low"],
          ["4:12", "10:20"],
        ],
      },
      headerRow: true,
      headerColumn: false,
    },
    {
      id: "p",
      type: "picture",
      media: pictureHash,
      decorative: false,
      description: { en: "A boat “afloat”" },
      caption: { en: "Afloat" },
    },
    { id: "m", type: "maths", tex: "x^2", spoken: { en: "x squared" } },
    { id: "l", type: "link", href: "https://harbour.example/tides?a=1&b=2", label: { en: "The harbour office" } },
  ];
  return parseDocument({
    schema: 1,
    ...{ languages: ["en"], title: { en: "Reading a tide table" }, summary: { en: "About high water." } },
    ...{ kind: "lesson", grades: { from: 4, to: 5 }, subjects: ["science"], licence: "CC-BY-4.0" },
    credits: [{ title: "Tides", author: "Teodor Brandt", source: "Here", licence: "CC-BY-4.0", changed: "" }],
    steps: [
      {
        id: "s1",
        title: { en: "Look" },
        instructions: { en: { text: richText("Look closely.") } },
        teacherNotes: { en: richText("Only for me.") },
        blocks,
      },
      {
        id: "s2",
        title: { en: "Answer" },
        blocks: questions.map((question, at) => ({ id: `q${at}`, type: "question", question })),
      },
    ],
  });
}

export const pictureFile: OutgoingFile = {
  ...{ reference: pictureHash, mime: "image/png" },
  name: fileName(pictureHash, "image/png"),
};

/** The same lesson on its way out, with a reading that has no questions before it. */
export function outgoingLesson(document = everythingLesson()): Outgoing {
  const reading = { ...document, title: { en: "Words to explain: tides" }, steps: document.steps.slice(0, 1) };
  return {
    ...{ id: "pocket-7", title: "Tides, term 1", language: "en" },
    files: new Map([[pictureHash, pictureFile]]),
    topics: [
      {
        ...{ id: "topic-1", title: "Tides" },
        resources: [
          { id: "resource-1", document: reading, author: "Ines Halloran", address: null, isMaterial: true },
          {
            ...{ id: "resource-2", document, author: "Ines Halloran", isMaterial: false },
            address: "https://satchel.example/student/12",
          },
        ],
      },
    ],
  };
}

export async function allOf(pieces: AsyncGenerator<Uint8Array>): Promise<Uint8Array> {
  const all: Uint8Array[] = [];
  for await (const piece of pieces) all.push(piece);
  return Uint8Array.from(Buffer.concat(all));
}
