import { drawingWords } from "../drawing/drawing";
import type { Block } from "../resource/block";
import { stepTitle } from "../resource/changes";
import type { Step } from "../resource/document";
import { inLanguage } from "../content/language";
import { passageParts, type Option, type Question } from "../question/question";
import { plainText } from "../content/rich-text";

/** One thing of what is read aloud: words for the device's voice, somebody's recording, or silence where a gap is. */
export type Said = { text: string } | { recording: string } | { pause: number };

/** Where a word is missing: long enough to be noticed, short enough to keep the sentence together. */
const GAP_MS = 900;
const BETWEEN_MS = 250;

/**
 * Everything on a step in the order it is read: instructions in somebody's own voice where there is one, texts, cells of
 * tables, captions, and of questions what is asked and everything to choose from. Hints are read when they are opened.
 */
export function formatStep(step: Step, languages: readonly string[]): Said[] {
  const instructions = inLanguage(step.instructions, languages);
  const said: Said[] = [
    ...words(stepTitle(step, languages)),
    ...(instructions?.recording ? [{ recording: instructions.recording.media }] : words(plainText(instructions?.text))),
    ...step.blocks.flatMap((block) => formatBlock(block, languages)),
  ];
  return said;
}

const words = (text: string | undefined): Said[] => (text?.trim() ? [{ text: text.trim() }] : []);

/** Several texts with a breath between them, so that one choice is told from the next. */
const list = (texts: readonly (string | undefined)[]): Said[] =>
  texts.flatMap((text) => (text?.trim() ? [{ text: text.trim() }, { pause: BETWEEN_MS }] : []));

function formatBlock(block: Block, languages: readonly string[]): Said[] {
  const of = <Text>(texts: Record<string, Text> | undefined) => inLanguage(texts, languages);
  switch (block.type) {
    case "text":
      return words(plainText(of(block.text)));
    case "picture":
      return words(of(block.caption));
    case "table":
      return [...words(of(block.caption)), ...(of(block.rows) ?? []).flatMap((row) => list(row))];
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
          ...words(plainText(of(note))),
          ...(question ? formatQuestion(question, languages) : []),
          ...words(link && of(link.label)),
        ]),
      ];
    case "question":
      return formatQuestion(block.question, languages);
    case "sound":
    case "manipulative":
      return [];
  }
}

/** What a question asks; its own text for reading aloud goes before what stands on the page. */
function formatQuestion(question: Question, languages: readonly string[]): Said[] {
  const own = inLanguage(question.aloud, languages)?.trim();
  if (own) return words(own);
  const texts = (options: readonly { text: Option["text"] }[]) =>
    list(options.map(({ text }) => inLanguage(text, languages)));
  const asked = words(plainText(inLanguage(question.prompt, languages)));
  return [...asked, ...given()];

  function given(): Said[] {
    switch (question.type) {
      case "choice":
      case "choices":
      case "poll":
        return texts(question.options);
      case "match":
        return [...texts(question.left), ...texts(question.right)];
      case "order":
        return texts(question.items);
      case "groups":
        return [...texts(question.groups), ...texts(question.items)];
      case "labels":
        return texts(question.labels);
      case "bars":
        return texts(question.bars);
      case "longText":
        return texts(question.checklist ?? []);
      case "gaps":
        return withGaps(inLanguage(question.passage, languages) ?? "");
      case "cells":
        return (inLanguage(question.rows, languages) ?? []).flatMap((row) =>
          row.flatMap((cell) => [...withGaps(cell), { pause: BETWEEN_MS }]),
        );
      case "highlight":
        return words(inLanguage(question.passage, languages));
      case "notePage":
        return list(question.headings.map((heading) => inLanguage(heading, languages)));
      case "sketch":
        return question.on ? words(drawingWords(question.on, languages)) : [];
      default:
        return [];
    }
  }
}

/** A passage with silence where a word is missing. */
const withGaps = (passage: string): Said[] =>
  passageParts(passage).flatMap((part): Said[] => ("gap" in part ? [{ pause: GAP_MS }] : words(part.text)));

/**
 * The voice for a language among those of a device: one of the same region, else one of the same language; undefined when
 * the device has none that would say it rightly.
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
