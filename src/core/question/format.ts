import { clockTime } from "../media/captions";
import { inLanguage } from "../content/language";
import { fieldsOf } from "./note-page";
import {
  passageParts,
  passageWords,
  writtenText,
  type Option,
  type Question,
  type QuestionOf,
  type ResponseValue,
} from "./question";

/** Responses and right answers as a person would write them down: for results, CSV and the light table. */

const named = (options: readonly Option[], id: string, languages: readonly string[]): string => {
  const option = options.find((candidate) => candidate.id === id);
  return option ? (inLanguage(option.text, languages) ?? id) : "?";
};

/** One line of text; "" for no answer. */
export function formatResponse(
  question: Question,
  value: ResponseValue | undefined,
  languages: readonly string[],
): string {
  if (value === undefined) return "";
  switch (question.type) {
    case "choice":
      return named(question.options, value as string, languages);
    case "choices":
      return (value as string[]).map((id) => named(question.options, id, languages)).join(" · ");
    case "shortText":
      return value as string;
    case "longText":
      return writtenText(value as string | { text: string; done: string[] });
    case "number": {
      const given = value as Record<string, { number: string; unit?: string }>;
      return question.parts
        .filter((part) => given[part.id]?.number)
        .map((part) => [given[part.id]!.number, given[part.id]!.unit ?? part.unit].filter(Boolean).join(" "))
        .join(" ");
    }
    case "gaps": {
      const given = value as Record<string, string>;
      return question.gaps.map((gap) => given[gap.id] || "–").join(" · ");
    }
    case "match":
      return (value as [string, string][])
        .map(([left, right]) => `${named(question.left, left, languages)} → ${named(question.right, right, languages)}`)
        .join(" · ");
    case "order":
      return (value as string[]).map((id) => named(question.items, id, languages)).join(" → ");
    case "groups":
      return formatGroups(question, value as [string, string][], languages);
    case "labels":
      return formatLabels(question, value as [string, string][], languages);
    case "line":
      return (value as number).toLocaleString(languages[0]);
    case "bars": {
      const given = value as Record<string, number>;
      return formatBars(question, (bar) => given[bar.id], languages);
    }
    case "points":
      return formatPoints(value as [number, number][], languages);
    case "highlight":
      return formatHighlighted(question, value as number[], languages);
    case "cells": {
      const given = value as Record<string, string>;
      return question.gaps.map((gap) => given[gap.id] || "–").join(" · ");
    }
    case "sketch":
      return `a drawing of ${(value as unknown[]).length} ${(value as unknown[]).length === 1 ? "line" : "lines"}`;
    case "poll":
      return named(question.options, value as string, languages);
    case "photo":
      return (value as unknown[]).length === 1 ? "a photograph" : `${(value as unknown[]).length} photographs`;
    case "speech":
      return `a recording of ${clockTime((value as { seconds: number }).seconds)}`;
    case "notePage": {
      const given = value as Record<string, string>;
      return fieldsOf(question, languages)
        .flatMap(({ id, name }) => (given[id]?.trim() ? [`${name}: ${given[id]}`] : []))
        .join(" · ");
    }
  }
}

type Pairs = readonly (readonly [string, string])[];

const formatGroups = ({ groups, items }: QuestionOf<"groups">, pairs: Pairs, languages: readonly string[]): string =>
  groups
    .map((group) => {
      const inside = pairs.filter(([, to]) => to === group.id).map(([item]) => named(items, item, languages));
      return `${inLanguage(group.text, languages) ?? "?"}: ${inside.join(", ") || "–"}`;
    })
    .join(" · ");

const formatLabels = ({ spots, labels }: QuestionOf<"labels">, pairs: Pairs, languages: readonly string[]): string =>
  spots
    .map(({ id }, at) => {
      const label = pairs.find(([spot]) => spot === id)?.[1];
      return `${at + 1} ${label ? named(labels, label, languages) : "–"}`;
    })
    .join(" · ");

const formatBars = (
  { bars }: QuestionOf<"bars">,
  of: (bar: QuestionOf<"bars">["bars"][number]) => number | undefined,
  languages: readonly string[],
): string =>
  bars
    .map((bar) => `${inLanguage(bar.text, languages) ?? "?"} ${of(bar)?.toLocaleString(languages[0]) ?? "–"}`)
    .join(" · ");

const formatPoints = (points: readonly (readonly [number, number])[], languages: readonly string[]): string =>
  points.map((point) => `(${point.map((one) => one.toLocaleString(languages[0])).join(" | ")})`).join(" ");

function formatHighlighted(question: QuestionOf<"highlight">, places: readonly number[], languages: readonly string[]) {
  const marked = new Set(places);
  return passageWords(inLanguage(question.passage, languages) ?? "", question.unit)
    .filter(({ place }) => place !== null && marked.has(place))
    .map(({ text }) => text.trim())
    .join(" · ");
}

/** The right answer; for questions a person reads, what that means. */
export function formatAnswer(question: Question, languages: readonly string[]): string {
  switch (question.type) {
    case "choice":
      return question.right ? named(question.options, question.right, languages) : "no answer given";
    case "choices":
      return question.right.map((id) => named(question.options, id, languages)).join(" · ");
    case "shortText":
      return question.accepted.map((answer) => answer.text + (answer.share < 1 ? " (in part)" : "")).join(" or ");
    case "number":
      return question.parts
        .map((part) => {
          const unit = part.unit ?? part.units?.[0]?.name;
          const value = [part.right.toLocaleString(languages[0]), unit].filter(Boolean).join(" ");
          return part.tolerance ? `${value} (${part.tolerance} either way)` : value;
        })
        .join(" ");
    case "gaps": {
      const passage = inLanguage(question.passage, languages) ?? "";
      const order = passageParts(passage).flatMap((part) => ("gap" in part ? [part.gap] : []));
      return order
        .map((id) => question.gaps.find((gap) => gap.id === id))
        .map((gap) => gap?.accepted.join(" or ") ?? "?")
        .join(" · ");
    }
    case "match":
      return question.pairs
        .map(([left, right]) => `${named(question.left, left, languages)} → ${named(question.right, right, languages)}`)
        .join(" · ");
    case "order":
      return question.right.map((id) => named(question.items, id, languages)).join(" → ");
    case "groups":
      return formatGroups(question, question.right, languages);
    case "labels":
      return formatLabels(question, question.right, languages);
    case "line": {
      const right = question.right.toLocaleString(languages[0]);
      return question.tolerance ? `${right} (${question.tolerance} either way)` : right;
    }
    case "bars":
      return formatBars(question, (bar) => bar.right, languages);
    case "points":
      return formatPoints(question.right, languages);
    case "highlight":
      return formatHighlighted(question, inLanguage(question.right, languages) ?? [], languages);
    case "cells":
      return question.gaps.map((gap) => gap.accepted.join(" or ")).join(" · ");
    case "longText":
      return "In the student's own words; a person reads it.";
    case "sketch":
      return "As the student draws it; a person looks at it.";
    case "poll":
      return "What each student thinks.";
    case "photo":
      return "What the student photographs; a person looks at it.";
    case "speech":
      return "What the student says; a person listens to it.";
    case "notePage":
      return "What the student notes; a person reads it.";
  }
}
