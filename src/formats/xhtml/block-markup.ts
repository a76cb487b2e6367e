import { inLanguage } from "@/core/content/language";
import { kindOf } from "@/core/question/kinds";
import { formatAnswer } from "@/core/question/format";
import { passageOnPaper } from "@/core/question/passage";
import type { Option, Question } from "@/core/question/question";
import type { Block } from "@/core/resource/block";
import { drawingWords } from "@/core/drawing/drawing";
import { element, type Element } from "../markup";
import { mathMarkup, richMarkup } from "./rich-markup";

/** How a document is written as pages. */
export interface PageStyle {
  languages: readonly string[];
  /** With right answers and the teacher's notes. */
  forTeacher: boolean;
  /** Where a stored file is, from the page; null: it does not come along. */
  place: (sha256: string) => string | null;
}

const said = (text: Record<string, string> | undefined, { languages }: PageStyle) => inLanguage(text, languages) ?? "";

const option = (one: Option, style: PageStyle): Element => {
  const place = one.picture && style.place(one.picture);
  return element(
    "li",
    {},
    place ? element("img", { src: place, alt: said(one.text, style) }) : null,
    place ? " " : null,
    said(one.text, style),
  );
};

export function tableMarkup(rows: readonly (readonly string[])[], headerRow: boolean, headerColumn = false): Element[] {
  const row = (cells: readonly string[], head: boolean) =>
    element("tr", {}, ...cells.map((cell, at) => element(head || (headerColumn && at === 0) ? "th" : "td", {}, cell)));
  const [first, ...rest] = rows;
  if (!headerRow || !first) return rows.length > 0 ? [element("tbody", {}, ...rows.map((one) => row(one, false)))] : [];
  return [
    element("thead", {}, row(first, true)),
    ...(rest.length > 0 ? [element("tbody", {}, ...rest.map((one) => row(one, false)))] : []),
  ];
}

/** A question as it is read on a page: what is asked, what there is to choose from, and for the teacher what is right. */
export function questionMarkup(question: Question, style: PageStyle): Element {
  const { languages } = style;
  const onPaper = (passage: string) => passageOnPaper(passage, "gaps" in question ? question.gaps : [], languages);
  const lists =
    "options" in question
      ? [question.options]
      : (kindOf(question).lists?.(question as never) ?? []).map(({ options }) => options);
  const lines = lists.length > 0 ? [] : (kindOf(question).lines?.(question as never, languages) ?? []);
  const picture = "media" in question ? style.place(question.media) : null;
  return element(
    "div",
    { class: "question" },
    ...richMarkup(inLanguage(question.prompt, languages)),
    picture && "description" in question
      ? element("p", {}, element("img", { src: picture, alt: said(question.description, style) }))
      : null,
    ...(question.type === "cells"
      ? [
          element(
            "table",
            {},
            ...tableMarkup(
              (inLanguage(question.rows, languages) ?? []).map((row) => row.map(onPaper)),
              false,
            ),
          ),
        ]
      : lines.map((line) => element("p", {}, onPaper(line)))),
    ...lists.map((options) => element("ul", {}, ...options.map((one) => option(one, style)))),
    style.forTeacher &&
      element("p", { class: "answer" }, element("strong", {}, "Answer: "), formatAnswer(question, languages)),
  );
}

/** One thing of a step. */
export function blockMarkup(block: Block, style: PageStyle): Element[] {
  switch (block.type) {
    case "text":
      return richMarkup(inLanguage(block.text, style.languages));
    case "picture": {
      const place = style.place(block.media);
      const caption = said(block.caption, style);
      const description = said(block.description, style);
      if (!place) return description ? [element("p", {}, description)] : [];
      return [
        element(
          "figure",
          {},
          element("img", { src: place, alt: block.decorative ? "" : description }),
          caption ? element("figcaption", {}, caption) : null,
        ),
      ];
    }
    case "table": {
      const rows = inLanguage(block.rows, style.languages) ?? [];
      const caption = said(block.caption, style);
      return [
        element(
          "table",
          {},
          caption ? element("caption", {}, caption) : null,
          ...tableMarkup(rows, block.headerRow, block.headerColumn),
        ),
      ];
    }
    case "film":
    case "sound": {
      const place = style.place(block.media);
      const name = block.type === "film" ? said(block.title, style) || "A film" : said(block.transcript, style);
      const shown = element(block.type === "film" ? "video" : "audio", {
        src: place ?? undefined,
        controls: "controls",
      });
      const stops = block.type === "film" ? block.stops.flatMap(({ question }) => question ?? []) : [];
      return [
        ...(place ? [element("p", {}, shown)] : []),
        ...(name ? [element("p", {}, name)] : []),
        ...stops.map((question) => questionMarkup(question, style)),
      ];
    }
    case "maths":
      return [element("p", {}, mathMarkup(block.tex, said(block.spoken, style), true))];
    case "link":
      return [element("p", {}, element("a", { href: block.href }, said(block.label, style) || block.href))];
    case "file": {
      const place = style.place(block.media);
      const label = said(block.label, style) || "A file";
      return [element("p", {}, place ? element("a", { href: place }, label) : label)];
    }
    case "drawing":
      return [
        element(
          "p",
          {},
          [said(block.drawing.description, style), drawingWords(block.drawing, style.languages)]
            .filter(Boolean)
            .join(": "),
        ),
      ];
    case "manipulative":
      return [element("p", {}, `Something to try out: ${block.tool.tool}.`)];
    case "question":
      return [questionMarkup(block.question, style)];
  }
}
