import { diffWordsWithSpace } from "diff";
import { drawingWords, type Drawing } from "../drawing/drawing";
import { formatAnswer } from "../question/format";
import type { Block } from "./block";
import type { Step } from "./document";
import { clockTime } from "../media/captions";
import type { Question } from "../question/question";
import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";
import { formatAllowed } from "./time-limit";

/** A run of words that stayed, went or came. */
export interface WordRun {
  text: string;
  is: "kept" | "gone" | "new";
}

const drawingText = (drawing: Drawing, languages: readonly string[]): string =>
  `[drawing: ${inLanguage(drawing.description, languages) ?? ""}] ${drawingWords(drawing, languages)}`.trim();

const questionText = (question: Question, languages: readonly string[]): string =>
  `${plainText(inLanguage(question.prompt, languages))}${
    question.type === "sketch" && question.on ? `\n${drawingText(question.on, languages)}` : ""
  }\n= ${formatAnswer(question, languages)} (${[
    question.marks,
    ...(question.seconds === undefined ? [] : [formatAllowed(question.seconds)]),
  ].join(", ")})`;

function blockText(block: Block, languages: readonly string[]): string {
  const of = <Value>(texts: Record<string, Value> | undefined) => inLanguage(texts, languages);
  switch (block.type) {
    case "text":
      return plainText(of(block.text));
    case "question":
      return questionText(block.question, languages);
    case "picture":
      return `[picture: ${of(block.description) ?? ""}] ${of(block.caption) ?? ""}`.trim();
    case "table":
      return (of(block.rows) ?? []).map((row) => row.join(" | ")).join("\n");
    case "link":
      return `${of(block.label) ?? ""} ${block.href}`.trim();
    case "maths":
      return of(block.spoken) ?? "";
    case "sound":
      return `[sound] ${of(block.transcript) ?? ""}`.trim();
    case "film":
      return [
        `[film] ${of(block.title) ?? ""}`.trim(),
        ...block.stops.flatMap(({ at, question, note, link }) => [
          `${clockTime(at)} ${plainText(of(note))}${link ? ` ${of(link.label) ?? ""} ${link.href}` : ""}`.trim(),
          ...(question ? [questionText(question, languages)] : []),
        ]),
      ].join("\n");
    case "drawing":
      return drawingText(block.drawing, languages);
    case "manipulative":
      return `[${block.tool.tool}]`;
    default:
      return `[${block.type}]`;
  }
}

/**
 * All there is to read in a step, a paragraph a line: what its changes are shown in.
 * `stepText(lesson.steps[0], ["en"]).split("\n")[0]` gives `"Look"`.
 */
export function stepText(step: Step, languages: readonly string[]): string {
  return [
    inLanguage(step.title, languages) ?? "",
    plainText(inLanguage(step.instructions, languages)?.text),
    ...step.blocks.map((block) => blockText(block, languages)),
    plainText(inLanguage(step.teacherNotes, languages)),
  ]
    .filter((text) => text.trim() !== "")
    .join("\n");
}

/**
 * What became of a text, word by word. Put together, kept and gone are the old text, kept and new the new one.
 * `wordsChanged("high tide", "low tide")` gives `[{ text: "high", is: "gone" }, { text: "low", is: "new" }, { text: " tide", is: "kept" }]`.
 */
export function wordsChanged(before: string, after: string): WordRun[] {
  return diffWordsWithSpace(before, after).map((run) => ({
    text: run.value,
    is: run.added ? "new" : run.removed ? "gone" : "kept",
  }));
}
