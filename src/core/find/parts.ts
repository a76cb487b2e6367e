import { everyText } from "../resource/every-text";
import type { Document, Step } from "../resource/document";
import { inLanguage } from "../content/language";
import type { QuestionType } from "../question/question";
import { plainText } from "../content/rich-text";
import { typedParts } from "./words";
import { listedForm } from "../content/listed-form";

/** A step, or one question in it, that answers some words. */
export interface Part {
  step: string;
  /** The block the question stands in; null where the step as a whole is meant. */
  block: string | null;
  type: QuestionType | null;
  says: string;
  /** Where in `says` the words stand: from, up to. */
  matched: [from: number, to: number][];
  /** Which share of the words it has, 0 to 1; 0 where nothing was typed. */
  share: number;
  /** How much of the text those words make up, 0 to 1. */
  density: number;
}

const LONGEST = 160;
const BEFORE = 40;
const WORD = /[\p{L}\p{N}][\p{L}\p{M}\p{N}]*/gu;

/** Good enough to tell "tides" from "ties": endings of English and Spanish plurals and of English verbs are left off. */
const stem = (word: string): string =>
  listedForm(word)
    .replace(/(?<=\p{L}{2}[^s])s$/u, "")
    .replace(/(?<=\p{L}{3})(?:ing|ie|ed|e|y)$/u, "");

/** Enough of a text that the first of the words stands in it, and no more than a line or two. */
function excerpt(text: string, words: ReadonlySet<string>): string {
  const flat = text.replace(/\s+/g, " ").trim();
  if (flat.length <= LONGEST) return flat;
  const first = [...flat.matchAll(WORD)].find(([word]) => words.has(stem(word)))?.index ?? 0;
  const from = first < LONGEST - BEFORE ? 0 : flat.lastIndexOf(" ", first - BEFORE) + 1;
  const end = flat.lastIndexOf(" ", from + LONGEST);
  const to = from + LONGEST >= flat.length ? flat.length : end > from ? end : from + LONGEST;
  return `${from > 0 ? "… " : ""}${flat.slice(from, to)}${to < flat.length ? " …" : ""}`;
}

const matchedIn = (text: string, words: ReadonlySet<string>): [number, number][] =>
  [...text.matchAll(WORD)]
    .filter(([word]) => words.has(stem(word)))
    .map(({ 0: word, index }) => [index, index + word.length]);

/**
 * The steps and the questions of a document that have any of the words, each by itself: a step of several questions is one part, and
 * so is each of them. Without words all of them, in their order. `type`: only questions of this type.
 * `partsOf(lesson, "tide", null).map(({ step, block }) => [step, block])` gives `[["look", null], ["ask", "block"]]`.
 */
export function partsOf(document: Document, typed: string, type: QuestionType | null): Part[] {
  const { languages } = document;
  const wanted = typedParts(typed).filter((part) => part.wanted);
  const words = new Set(wanted.flatMap((part) => [...part.text.matchAll(WORD)].map(([word]) => stem(word))));
  const part = (step: Step, block: string | null, asks: QuestionType | null, head: string): Part => {
    const text = languages.map((language) => everyText({ ...document, steps: [step] }, language)).join("\n");
    const all = [...text.matchAll(WORD)].map(([word]) => stem(word));
    const found = all.filter((word) => words.has(word));
    // Where what stands at its head has all of them, that says it best.
    const has = (one: string) =>
      new Set([...one.matchAll(WORD)].map(([word]) => stem(word)).filter((word) => words.has(word)));
    const says = excerpt(has(head).size === new Set(found).size ? head : text, words);
    return {
      ...{ step: step.id, block, type: asks, says, matched: matchedIn(says, words) },
      share: words.size === 0 ? 0 : new Set(found).size / words.size,
      density: all.length === 0 ? 0 : found.length / all.length,
    };
  };
  const parts = document.steps.flatMap((step) => {
    const questions = step.blocks.flatMap((block) => {
      if (block.type !== "question" || (type !== null && block.question.type !== type)) return [];
      const alone: Step = { ...step, title: {}, instructions: {}, teacherNotes: {}, blocks: [block] };
      const head = plainText(inLanguage(block.question.prompt, languages)).trim();
      return [part(alone, block.id, block.question.type, head || (inLanguage(step.title, languages) ?? ""))];
    });
    // A step that is one question and nothing else is that question.
    const same = questions.length === 1 && step.blocks.length === 1;
    const whole = type === null && !same ? [part(step, null, null, inLanguage(step.title, languages) ?? "")] : [];
    return [...whole, ...questions];
  });
  return words.size === 0 ? parts : parts.filter(({ share }) => share > 0);
}

/**
 * Parts of several resources, best first: with most of the words, then those that say little else. Equals keep their order.
 * `ranked([{ share: 0.5, density: 1 }, { share: 1, density: 0 }])[0].share` gives `1`.
 */
export const ranked = <One extends Part>(parts: readonly One[]): One[] =>
  [...parts].sort((one, other) => other.share - one.share || other.density - one.density);
