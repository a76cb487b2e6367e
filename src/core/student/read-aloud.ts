import { drawingWords } from "../drawing/drawing";
import type { Block } from "../resource/block";
import { stepTitle } from "../resource/changes";
import type { Step } from "../resource/document";
import { inLanguage } from "../content/language";
import { questionAloud } from "../question/aloud";
import type { Said } from "../question/kind";
import { oneByOne, words } from "../question/wording";
import { plainText, type RichText } from "../content/rich-text";

/**
 * Everything on a step in the order it is read: instructions in somebody's own voice where there is one, texts, cells of
 * tables, captions, and of questions what is asked and everything to choose from. Hints are read when they are opened.
 * `formatStep(lesson.steps[0], ["en"])[0]` gives `{ text: "Look" }`.
 */
export function formatStep(step: Step, languages: readonly string[]): Said[] {
  const instructions = inLanguage(step.instructions, languages);
  const said: Said[] = [
    ...words(stepTitle(step, languages)),
    ...(instructions?.recording
      ? [{ recording: instructions.recording.media, lines: linesOf(instructions.text) }]
      : paragraphs(instructions?.text)),
    ...step.blocks.flatMap((block) => formatBlock(block, languages)),
  ];
  return said;
}

/**
 * What stands together on the page is one line: a paragraph, an item of a list.
 * `linesOf(lesson.steps[0].blocks[0].text.en)` gives `["The tide comes in twice a day."]`.
 */
export const linesOf = (text: RichText): string[] =>
  plainText(text)
    .split("\n")
    .filter((line) => line.trim() !== "");

const paragraphs = (text: RichText | undefined): Said[] =>
  (text ? linesOf(text) : []).map((line) => ({ text: line.trim() }));

function formatBlock(block: Block, languages: readonly string[]): Said[] {
  const of = <Text>(texts: Record<string, Text> | undefined) => inLanguage(texts, languages);
  switch (block.type) {
    case "text":
      return paragraphs(of(block.text));
    case "picture":
      return words(of(block.caption));
    case "table":
      return [...words(of(block.caption)), ...(of(block.rows) ?? []).flatMap((row) => oneByOne(row))];
    case "maths":
      return words(of(block.spoken));
    case "link":
    case "file":
      return words(of(block.label));
    case "drawing":
      return words(drawingWords(block.drawing, languages));
    case "film":
      return [
        ...words(of(block.title)),
        ...block.stops.flatMap(({ note, question, link }) => [
          ...paragraphs(of(note)),
          ...(question ? questionAloud(question, languages) : []),
          ...words(link && of(link.label)),
        ]),
      ];
    case "question":
      return questionAloud(block.question, languages);
    case "sound":
    case "manipulative":
      return [];
  }
}

/**
 * The voice for a language among those of a device: one of the same region, else one of the same language; undefined when
 * the device has none that would say it rightly.
 * `voiceFor([{ lang: "en-US" }, { lang: "es_ES" }], "es")?.lang` gives `"es_ES"`.
 */
export function voiceFor<Voice extends { lang: string; default?: boolean }>(
  voices: readonly Voice[],
  language: string,
): Voice | undefined {
  const tag = (text: string) => text.toLowerCase().replace("_", "-");
  const base = (text: string) => tag(text).split("-")[0];
  const same = voices.filter(({ lang }) => base(lang) === base(language));
  return same.find(({ lang }) => tag(lang) === tag(language)) ?? same.find((voice) => voice.default) ?? same[0];
}
