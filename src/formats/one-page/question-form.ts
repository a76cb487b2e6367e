import { inLanguage } from "@/core/content/language";
import { plainText } from "@/core/content/rich-text";
import { passageParts, passageWords } from "@/core/question/passage";
import type { Gap, Option, Question } from "@/core/question/question";
import { fieldsOf } from "@/core/question/types/note-page/fields";
import { COLUMNS, ROWS } from "@/core/question/types/place/squares";
import { element, type Element, type Markup } from "../markup";
import type { PageStyle } from "../xhtml/block-markup";

/** Words of the controls, from the catalogue of the page's language. */
export type FormWords = Readonly<Record<"number" | "unit" | "gap" | "square" | "awayFromPage", string>>;

/**
 * A question as plain controls of HTML, for a page that stands alone. `data-part` says which part of the answer a control is; checker.ts
 * reads them. Null: it is answered away from the page.
 */
export function questionForm(question: Question, style: PageStyle, words: FormWords): Element[] | null {
  const { languages } = style;
  const text = (said: Record<string, string> | undefined) => inLanguage(said, languages) ?? "";
  /** What a box is for, to those who do not see what stands above it. */
  const asked = plainText(inLanguage(question.prompt, languages)).slice(0, 200);
  const reach = ({ from, to }: { from: number; to: number }) => ` ${from} … ${to}`;
  const shown = (option: Option): Markup[] => {
    const place = option.picture && style.place(option.picture);
    return [...(place ? [element("img", { src: place, alt: "" }), " "] : []), text(option.text)];
  };
  const pick = (type: "radio" | "checkbox", options: readonly Option[]) => [
    element(
      "div",
      { class: "choices" },
      ...options.map((option) =>
        element(
          "label",
          {},
          element("input", { type, name: question.id, value: option.id, "data-part": option.id }),
          element("span", {}, ...shown(option)),
        ),
      ),
    ),
  ];
  const list = (part: string, label: string, options: readonly { value: string; text: string }[]) =>
    element(
      "select",
      { "data-part": part, "aria-label": label },
      element("option", { value: "" }, "…"),
      ...options.map((option) => element("option", { value: option.value }, option.text)),
    );
  const box = (part: string, label: string, wide = false) =>
    element("input", {
      ...{ type: "text", "data-part": part, "aria-label": label, autocomplete: "off" },
      class: wide ? "wide" : undefined,
    });
  const area = (part: string, label: string, rows: number) =>
    element("textarea", { "data-part": part, "aria-label": label, rows });
  const belongs = (left: readonly Option[], right: readonly Option[]) =>
    left.map((one, at) =>
      element(
        "p",
        { class: "pair" },
        element("span", {}, ...shown(one)),
        list(
          one.id,
          text(one.text) || String(at + 1),
          right.map((other) => ({ value: other.id, text: text(other.text) })),
        ),
      ),
    );
  const gapAt = (id: string, gaps: readonly Gap[]): Markup => {
    const nth = gaps.findIndex((gap) => gap.id === id);
    const gap = gaps[nth];
    if (!gap) return "…";
    const label = words.gap.replace("{number}", String(nth + 1));
    const options = inLanguage(gap.optionsIn, languages) ?? gap.options;
    return options
      ? list(
          id,
          label,
          options.map((one) => ({ value: one, text: one })),
        )
      : box(id, label);
  };
  const filled = (written: string, gaps: readonly Gap[]) =>
    passageParts(written).map((part) => ("text" in part ? part.text : gapAt(part.gap, gaps)));

  switch (question.type) {
    case "choice":
    case "poll":
      return pick("radio", question.options);
    case "choices":
      return pick("checkbox", question.options);
    case "shortText":
      return [element("p", {}, box("answer", asked, true))];
    case "longText":
      return [area("answer", asked, question.lines)];
    case "number":
      return [
        element(
          "p",
          { class: "pair" },
          ...question.parts.flatMap(({ id, unit, units }): Markup[] => [
            box(id, words.number),
            units
              ? list(
                  `${id} unit`,
                  words.unit,
                  units.map(({ name }) => ({ value: name, text: name })),
                )
              : element("span", {}, unit ?? ""),
          ]),
        ),
      ];
    case "line":
      return [element("p", {}, box("answer", asked), reach(question.axis))];
    case "bars":
      return question.bars.map((bar) =>
        element(
          "p",
          { class: "pair" },
          element("span", {}, text(bar.text)),
          box(bar.id, text(bar.text)),
          reach(question.axis),
        ),
      );
    case "gaps":
      return text(question.passage)
        .split(/\n+/)
        .map((line) => element("p", {}, ...filled(line, question.gaps)));
    case "cells":
      return [
        element(
          "table",
          {},
          element(
            "tbody",
            {},
            ...(inLanguage(question.rows, languages) ?? []).map((row) =>
              element("tr", {}, ...row.map((cell) => element("td", {}, ...filled(cell, question.gaps)))),
            ),
          ),
        ),
      ];
    case "match":
      return belongs(question.left, question.right);
    case "groups":
      return belongs(question.items, question.groups);
    case "labels":
      return belongs(
        question.spots.map(({ id, x, y }, at) => ({
          id,
          text: { [languages[0]!]: `${at + 1} (${Math.round(x * 100)} %, ${Math.round(y * 100)} %)` },
        })),
        question.labels,
      );
    case "order":
      return question.items.map((option) =>
        element(
          "p",
          { class: "pair" },
          list(
            option.id,
            text(option.text),
            question.items.map((_, at) => ({ value: String(at + 1), text: `${at + 1}.` })),
          ),
          element("span", {}, ...shown(option)),
        ),
      );
    case "highlight":
      return [
        element(
          "p",
          {},
          ...passageWords(text(question.passage), question.unit).map(({ text: word, place }) =>
            place === null
              ? word
              : element(
                  "button",
                  { type: "button", class: "word", "aria-pressed": "false", "data-part": String(place) },
                  word,
                ),
          ),
        ),
      ];
    case "place": {
      const squares = Array.from({ length: COLUMNS * ROWS }, (_, at) => {
        const square = `${String.fromCharCode(65 + (at % COLUMNS))}${Math.floor(at / COLUMNS) + 1}`;
        return { value: square, text: square };
      });
      return Array.from({ length: question.most }, (_, at) =>
        element("p", {}, list(`place ${at}`, words.square, squares)),
      );
    }
    case "points":
      return [element("p", {}, box("answer", asked, true), " (x, y) (x, y)")];
    case "notePage":
      return fieldsOf(question, languages).map(({ id, name }) =>
        element("div", {}, element("p", {}, name), area(id, name, 2)),
      );
    case "photo":
    case "speech":
    case "clip":
    case "sketch":
      return null;
  }
}
