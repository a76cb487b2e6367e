import { disguise } from "../question/disguise";
import { withQuestions, type Document } from "./document";

/** A short hash of a text (FNV-1a, 32 bits; offset and prime as published by its authors). */
function hash(text: string): string {
  let value = 0x811c9dc5;
  for (const letter of text) value = Math.imul(value ^ letter.codePointAt(0)!, 0x01000193) >>> 0;
  return value.toString(16).padStart(8, "0");
}

/**
 * A document as it goes on paper for students: without the teacher's steps, and what is chosen from in an order that does
 * not tell what is right; the same order each time, so that two prints of one revision are alike.
 */
export function forPaper(document: Document): Document {
  const mixed = disguise((question, list, id) => `${hash(`${question} ${list} ${id}`)}-${id}`);
  return {
    ...document,
    steps: document.steps
      .filter(({ audience }) => audience !== "teacher")
      .map((step) => withQuestions(step, (question) => mixed.question(question))),
  };
}

/** "a", "b" … "z", "aa": what a choice is called on paper. */
export function letterAt(at: number): string {
  const rest = Math.floor(at / 26);
  return (rest > 0 ? letterAt(rest - 1) : "") + String.fromCodePoint(97 + (at % 26));
}
