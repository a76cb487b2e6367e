import { inLanguage } from "@/core/content/language";
import type { Document, Step } from "@/core/resource/document";
import { titleOf } from "@/core/resource/document";
import { element, openInHtml, writeMarkup, type Element } from "../markup";
import { blockMarkup, type PageStyle } from "./block-markup";
import { richMarkup } from "./rich-markup";

/** What is read in a step: its instructions and everything in it; for a teacher her notes too. */
export function stepMarkup(step: Step, style: PageStyle, blocks = step.blocks): Element[] {
  const { languages } = style;
  const title = inLanguage(step.title, languages);
  const notes = style.forTeacher ? richMarkup(inLanguage(step.teacherNotes, languages)) : [];
  return [
    ...(title ? [element("h2", {}, title)] : []),
    ...richMarkup(inLanguage(step.instructions, languages)?.text),
    ...blocks.flatMap((block) => blockMarkup(block, style)),
    ...(notes.length > 0
      ? [element("blockquote", {}, element("p", {}, element("strong", {}, "For the teacher")), ...notes)]
      : []),
  ];
}

/** Where it is from and who made it, as its licence asks. */
export function creditMarkup(document: Document, author: string): Element[] {
  const from = document.credits.map((credit) => `“${credit.title}” by ${credit.author} (${credit.licence})`);
  return [
    element("p", { class: "credit" }, `“${titleOf(document)}” by ${author}, ${document.licence}.`),
    ...(from.length > 0 ? [element("p", { class: "credit" }, `Made from ${from.join(", ")}.`)] : []),
  ];
}

const LOOK =
  "body{max-width:44rem;margin:2rem auto;padding:0 1rem;font:17px/1.55 system-ui,sans-serif;color:#23211d;background:#fffdf8}img,video{max-width:100%;height:auto}table{border-collapse:collapse}th,td{border:1px solid #bdb29a;padding:.3rem .6rem;text-align:left}.underlined{text-decoration:underline}.question{border-left:4px solid #235444;padding-left:1rem;margin:1.5rem 0}.credit{color:#5e574b;font-size:.85em}";

/** A whole page of HTML, written so that it is XML too. */
export function htmlPage(of: { title: string; language: string; style?: string }, body: readonly Element[]): string {
  const root = element(
    "html",
    { xmlns: "http://www.w3.org/1999/xhtml", lang: of.language, "xml:lang": of.language },
    element(
      "head",
      {},
      element("meta", { charset: "utf-8" }),
      element("meta", { name: "viewport", content: "width=device-width, initial-scale=1" }),
      element("title", {}, of.title),
      element("style", {}, { written: of.style ?? LOOK }),
    ),
    element("body", {}, ...body),
  );
  return `<!DOCTYPE html>\n${writeMarkup(root, openInHtml)}\n`;
}
