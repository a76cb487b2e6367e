import { inLanguage } from "@/core/content/language";
import { passageParts, passageWords } from "@/core/question/passage";
import type { Gap, Option, Question } from "@/core/question/question";
import { fieldsOf } from "@/core/question/types/note-page/fields";
import { element, type Element, type Markup } from "../markup";
import type { PageStyle } from "../xhtml/block-markup";
import { allRight, eachEarns, eachInPlace, nearNumber, readBySomebody, type Part } from "./parts";

/** What a question is in an item: its parts, and what stands on the page below what is asked. */
export interface Interaction {
  parts: readonly Part[];
  body: readonly Element[];
}

/** What had no place in QTI as it is: how it comes out instead, or null where nothing is lost. */
export function changedInQti(question: Question): string | null {
  switch (question.type) {
    case "points":
      return "points to plot become a written answer that you mark";
    case "place":
      return "a place to mark becomes a written answer that you mark";
    case "labels":
      return "labels are matched to numbered places beside the picture";
    default:
      return null;
  }
}

/** What is sent as a file, as these are made here. */
const uploaded = { photo: "image/jpeg", speech: "audio/wav", clip: "video/webm", sketch: "image/png" } as const;

/** An identifier of QTI begins with a letter. */
const name = (id: string) => `x${id}`;
const pair = (one: string, other: string) => `${name(one)} ${name(other)}`;
const response = (nth: number) => (nth === 0 ? "RESPONSE" : `RESPONSE${nth + 1}`);

export function interactionOf(question: Question, style: PageStyle): Interaction {
  const { languages } = style;
  const text = (words: Record<string, string> | undefined) => inLanguage(words, languages) ?? "";
  const { marks } = question;
  const byPart = question.partial === "by part";
  const inside = (option: Option): Markup[] => {
    const place = option.picture && style.place(option.picture);
    return [...(place ? [element("img", { src: place, alt: text(option.text) })] : []), text(option.text)];
  };
  const choices = (tag: string, options: readonly Option[], more: Element["attributes"] = {}) =>
    options.map((one) => element(tag, { identifier: name(one.id), ...more }, ...inside(one)));
  const written = (identifier: string, lines: number) =>
    element("extendedTextInteraction", { responseIdentifier: identifier, expectedLines: lines });
  const entry = (identifier: string, length = 15) =>
    element("textEntryInteraction", { responseIdentifier: identifier, expectedLength: length });
  /** Pairs, each of which earns its share. */
  const pairs = (
    left: readonly Option[],
    right: readonly Option[],
    together: readonly (readonly [string, string])[],
  ) => {
    const keys = together.map(([one, other]) => pair(one, other));
    return {
      parts: [
        byPart
          ? eachEarns(
              ...(["RESPONSE", "directedPair", "multiple", keys] as const),
              keys.map((key) => ({ key, worth: marks / Math.max(1, keys.length) })),
              { most: marks },
            )
          : allRight("RESPONSE", "directedPair", "multiple", keys, marks),
      ],
      body: [
        element(
          "matchInteraction",
          { responseIdentifier: "RESPONSE", shuffle: "true", maxAssociations: left.length },
          element("simpleMatchSet", {}, ...choices("simpleAssociableChoice", left, { matchMax: 1 })),
          element("simpleMatchSet", {}, ...choices("simpleAssociableChoice", right, { matchMax: left.length })),
        ),
      ],
    };
  };
  /** Several of them are right: each earns, each wrong one costs as much. */
  const several = (all: readonly string[], right: readonly string[]): Part => {
    const worth = marks / Math.max(1, right.length);
    const isRight = new Set(right);
    return byPart
      ? eachEarns(
          ...(["RESPONSE", "identifier", "multiple", right] as const),
          all.map((key) => ({ key, worth: isRight.has(key) ? worth : -worth })),
          { most: marks, otherwise: -worth },
        )
      : allRight("RESPONSE", "identifier", "multiple", right, marks);
  };
  /** Numbers typed one after another; what each is called stands before it, its unit behind. */
  const numbers = (asked: readonly { label: string; unit: string; right: number; tolerance: number }[]) => ({
    parts: asked.map(({ right, tolerance }, nth) => nearNumber(response(nth), right, tolerance, marks / asked.length)),
    body: asked.map(({ label, unit }, nth) =>
      element("p", {}, label && `${label}: `, entry(response(nth), 10), unit && ` ${unit}`),
    ),
  });
  /** Gaps in a text: chosen from a list or typed. */
  const gapAt = (gap: Gap, nth: number): { part: Part; shown: Element } => {
    const options = inLanguage(gap.optionsIn, languages) ?? gap.options;
    const worth = marks / Math.max(1, "gaps" in question ? question.gaps.length : 1);
    const isCaseSensitive = "spelling" in question ? !question.spelling.ignoreCase : true;
    if (options) {
      const right = options.findIndex((one) =>
        gap.accepted.some((accepted) => accepted.toLowerCase() === one.toLowerCase()),
      );
      return {
        part: allRight(response(nth), "identifier", "single", right < 0 ? [] : [`o${right}`], worth),
        shown: element(
          "inlineChoiceInteraction",
          { responseIdentifier: response(nth), shuffle: "false" },
          ...options.map((one, at) => element("inlineChoice", { identifier: `o${at}` }, one)),
        ),
      };
    }
    return {
      part: eachEarns(
        ...([response(nth), "string", "single", gap.accepted.slice(0, 1)] as const),
        gap.accepted.map((key) => ({ key, worth, caseSensitive: isCaseSensitive })),
        { most: worth },
      ),
      shown: entry(response(nth)),
    };
  };

  switch (question.type) {
    case "choice":
    case "poll": {
      const right = question.type === "choice" && question.right ? [name(question.right)] : [];
      return {
        parts: [
          right.length > 0
            ? allRight("RESPONSE", "identifier", "single", right, marks)
            : readBySomebody("RESPONSE", "identifier"),
        ],
        body: [
          element(
            "choiceInteraction",
            { responseIdentifier: "RESPONSE", shuffle: "false", maxChoices: 1 },
            ...choices("simpleChoice", question.options),
          ),
        ],
      };
    }
    case "choices":
      return {
        parts: [
          several(
            question.options.map(({ id }) => name(id)),
            question.right.map(name),
          ),
        ],
        body: [
          element(
            "choiceInteraction",
            { responseIdentifier: "RESPONSE", shuffle: "false", maxChoices: 0 },
            ...choices("simpleChoice", question.options),
          ),
        ],
      };
    case "shortText":
      return {
        parts: [
          eachEarns(
            ...([
              "RESPONSE",
              "string",
              "single",
              question.accepted
                .filter(({ share }) => share === 1)
                .map((one) => one.text)
                .slice(0, 1),
            ] as const),
            question.accepted.map((one) => ({
              ...{ key: one.text, worth: one.share * marks, caseSensitive: !question.spelling.ignoreCase },
            })),
            { most: marks },
          ),
        ],
        body: [element("p", {}, entry("RESPONSE", 30))],
      };
    case "number":
      return numbers(
        question.parts.map(({ right, tolerance, unit, units }) => ({
          ...{ label: "", unit: unit ?? units?.[0]?.name ?? "", right, tolerance },
        })),
      );
    case "line":
      return {
        parts: [nearNumber("RESPONSE", question.right, question.tolerance, marks)],
        body: [
          element("sliderInteraction", {
            ...{ responseIdentifier: "RESPONSE", lowerBound: question.axis.from, upperBound: question.axis.to },
            step: question.axis.step,
          }),
        ],
      };
    case "bars":
      return numbers(
        question.bars.map((bar) => ({ label: text(bar.text), unit: "", right: bar.right, tolerance: bar.tolerance })),
      );
    case "gaps":
    case "cells": {
      const parts: Part[] = [];
      const filled = (written: string): Markup[] =>
        passageParts(written).map((part) => {
          if ("text" in part) return part.text;
          const gap = question.gaps.find(({ id }) => id === part.gap);
          if (!gap) return "…";
          const made = gapAt(gap, parts.length);
          parts.push(made.part);
          return made.shown;
        });
      const body =
        question.type === "gaps"
          ? text(question.passage)
              .split(/\n+/)
              .map((line) => element("p", {}, ...filled(line)))
          : [
              element(
                "table",
                {},
                element(
                  "tbody",
                  {},
                  ...(inLanguage(question.rows, languages) ?? []).map((row) =>
                    element("tr", {}, ...row.map((cell) => element("td", {}, ...filled(cell)))),
                  ),
                ),
              ),
            ];
      return { parts, body };
    }
    case "match":
      return pairs(question.left, question.right, question.pairs);
    case "groups":
      return pairs(question.items, question.groups, question.right);
    case "labels": {
      const spots = question.spots.map(({ id, x, y }, at) => ({
        id,
        text: { [languages[0]!]: `Place ${at + 1}: ${Math.round(x * 100)} % across, ${Math.round(y * 100)} % down` },
      }));
      return pairs(spots, question.labels, question.right);
    }
    case "order":
      return {
        parts: [
          byPart
            ? eachInPlace("RESPONSE", question.right.map(name), marks)
            : allRight("RESPONSE", "identifier", "ordered", question.right.map(name), marks),
        ],
        body: [
          element(
            "orderInteraction",
            { responseIdentifier: "RESPONSE", shuffle: "false" },
            ...choices("simpleChoice", question.items),
          ),
        ],
      };
    case "highlight": {
      const right = (inLanguage(question.right, languages) ?? []).map((place) => `w${place}`);
      const words = passageWords(text(question.passage), question.unit);
      const all = words.flatMap(({ place }) => (place === null ? [] : [`w${place}`]));
      return {
        parts: [several(all, right)],
        body: [
          element(
            "hottextInteraction",
            { responseIdentifier: "RESPONSE", maxChoices: 0 },
            element(
              "p",
              {},
              ...words.map(({ text: word, place }) =>
                place === null ? word : element("hottext", { identifier: `w${place}` }, word),
              ),
            ),
          ),
        ],
      };
    }
    case "notePage": {
      const fields = fieldsOf(question, languages);
      return {
        parts: fields.map((_, nth) => readBySomebody(response(nth), "string")),
        body: fields.flatMap((field, nth) => [element("p", {}, field.name), written(response(nth), 2)]),
      };
    }
    case "photo":
    case "speech":
    case "clip":
    case "sketch":
      return {
        parts: [readBySomebody("RESPONSE", "file")],
        body: [element("uploadInteraction", { responseIdentifier: "RESPONSE", type: uploaded[question.type] })],
      };
    case "points":
    case "place":
    case "longText":
      return {
        parts: [readBySomebody("RESPONSE", "string")],
        body: [written("RESPONSE", question.type === "longText" ? question.lines : 2)],
      };
  }
}
