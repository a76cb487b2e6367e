import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";
import type { Block } from "../resource/block";
import type { Document, Step } from "../resource/document";
import type { LineSource, RunSheet, SheetLine, SheetPart } from "./schema";

/** What a block says, in a line. */
function blockText(block: Block, languages: readonly string[]): string {
  switch (block.type) {
    case "question":
      return plainText(inLanguage(block.question.prompt, languages));
    case "text":
      return plainText(inLanguage(block.text, languages));
    case "picture":
      return inLanguage(block.description, languages) ?? "";
    case "table":
      return inLanguage(block.caption, languages) ?? "";
    case "link":
    case "file":
      return inLanguage(block.label, languages) ?? "";
    default:
      return "";
  }
}

const stepText = (step: Step, languages: readonly string[]): string =>
  plainText(inLanguage(step.instructions, languages)?.text) || (inLanguage(step.title, languages) ?? "");

/**
 * What stands in the resource now where a line was taken from; null: it is gone.
 * `sourceText(lesson, { step: "look", block: "text" })` gives `"The tide comes in twice a day."`.
 */
export function sourceText(document: Document, from: Omit<LineSource, "said">): string | null {
  const { languages } = document;
  if (from.word !== undefined) {
    const word = document.vocabulary.find(({ term }) => term === from.word);
    return word ? `${word.term}: ${inLanguage(word.meaning, languages) ?? ""}` : null;
  }
  const step = document.steps.find(({ id }) => id === from.step);
  if (!step) return null;
  if (from.block === undefined) return stepText(step, languages);
  const block = step.blocks.find(({ id }) => id === from.block);
  return block ? blockText(block, languages) : null;
}

/**
 * A source as it is now, to be kept with a line.
 * `sourceOf(lesson, { step: "look", block: "text" }).said` gives `"The tide comes in twice a day."`.
 */
export const sourceOf = (document: Document, from: Omit<LineSource, "said">): LineSource => ({
  ...from,
  said: (sourceText(document, from) ?? "").slice(0, 4000),
});

export interface ChangedSource {
  line: SheetLine;
  /** Null: what it was taken from is gone. */
  now: string | null;
}

/** Every line of a run sheet, in order. `linesOf({ days: [{ parts: [{ lines: [{ id: "a" }] }] }] })` gives `[{ id: "a" }]`. */
export const linesOf = ({ days }: Pick<RunSheet, "days">): SheetLine[] =>
  days.flatMap(({ parts }) => parts.flatMap(({ lines }) => lines));

/** The lines whose source says something else by now than when they were taken from it. `changedSources(lesson, sheet)` gives `[]`. */
export const changedSources = (document: Document, sheet: RunSheet): ChangedSource[] =>
  linesOf(sheet).flatMap((line) => {
    if (!line.from) return [];
    const now = sourceText(document, line.from)?.slice(0, 4000) ?? null;
    return now === line.from.said ? [] : [{ line, now }];
  });

/**
 * A run sheet whose document was changed in a way that its own lines were too: what was linked is linked to what is there now.
 * `followDocument(sheet, lesson, lesson)` gives `sheet`.
 */
export function followDocument(sheet: RunSheet, before: Document, after: Document): RunSheet {
  const terms = new Map(before.vocabulary.map(({ term }, at) => [term, after.vocabulary[at]?.term ?? term]));
  const termOf = (term: string) => terms.get(term) ?? term;
  const follow = (line: SheetLine): SheetLine => {
    const { from } = line;
    if (!from || sourceText(before, from)?.slice(0, 4000) !== from.said) return line;
    const { said: _said, ...place } = from;
    return { ...line, from: sourceOf(after, { ...place, ...(from.word && { word: termOf(from.word) }) }) };
  };
  const partOf = (part: SheetPart): SheetPart => ({ ...part, lines: part.lines.map(follow) });
  return {
    ...sheet,
    words: sheet.words.map(termOf),
    days: sheet.days.map((day) => ({ ...day, parts: day.parts.map(partOf) })),
  };
}
