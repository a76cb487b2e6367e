import {
  responseSchemas,
  type Question,
  type QuestionOf,
  type QuestionType,
  type ResponseOf,
  type ResponseValue,
} from "../resource/question";
import { mapResponse, matchCorrect } from "./qti";
import { decimalSign, numberIsRight } from "./number";
import { isAccepted } from "./spelling";

export type Verdict = "right" | "partly" | "wrong" | "blank" | "to read";

/** What one answer earned. The same question and the same response always give the same mark. */
export interface Mark {
  verdict: Verdict;
  /** Between 0 and `outOf`, rounded to hundredths. Null when a person must read it. */
  marks: number | null;
  outOf: number;
  /** For questions with parts: which were right, by the id of the part. */
  parts: Record<string, boolean>;
}

interface Share {
  /** Of the whole, 0 to 1. */
  share: number;
  parts: Record<string, boolean>;
}

type Marker<Type extends QuestionType> = (
  question: QuestionOf<Type>,
  response: ResponseOf<Type>,
  decimal: "." | ",",
) => Share;

const sharesOf = (parts: Record<string, boolean>): Share => {
  const all = Object.values(parts);
  return { share: all.length === 0 ? 0 : all.filter(Boolean).length / all.length, parts };
};

const pairKey = ([left, right]: readonly [string, string]) => `${left} ${right}`;

/** Marks by type, before "all or nothing" is applied. Sources: QTI match_correct and map_response, see qti.ts. */
const markers: { [Type in Exclude<QuestionType, "longText">]: Marker<Type> } = {
  choice: (question, response) => ({
    share: question.right === null ? 0 : matchCorrect([response], [question.right], "single"),
    parts: {},
  }),

  /** Each right option earns its share, each wrong one costs as much, never below nothing: ticking everything earns nothing. */
  choices: (question, response) => {
    const worth = 1 / Math.max(1, question.right.length);
    const share = mapResponse(response, {
      entries: new Map(question.right.map((id) => [id, worth])),
      defaultValue: -worth,
      lowerBound: 0,
      upperBound: 1,
    });
    const parts = Object.fromEntries(response.map((id) => [id, question.right.includes(id)]));
    return { share, parts };
  },

  shortText: (question, response) => {
    const earned = question.accepted
      .filter((answer) => isAccepted(response, answer.text, question.spelling))
      .map((answer) => answer.share);
    return { share: Math.max(0, ...earned), parts: {} };
  },

  number: (question, response, decimal) =>
    sharesOf(
      Object.fromEntries(
        question.parts.map((part) => [
          part.id,
          part.id in response && numberIsRight(part, response[part.id]!, decimal),
        ]),
      ),
    ),

  gaps: (question, response) =>
    sharesOf(
      Object.fromEntries(
        question.gaps.map((gap) => [
          gap.id,
          gap.accepted.some((accepted) => isAccepted(response[gap.id] ?? "", accepted, question.spelling)),
        ]),
      ),
    ),

  match: (question, response) => {
    const worth = 1 / Math.max(1, question.pairs.length);
    const right = new Set(question.pairs.map(pairKey));
    const share = mapResponse(response.map(pairKey), {
      entries: new Map([...right].map((pair) => [pair, worth])),
      defaultValue: 0,
      lowerBound: 0,
      upperBound: 1,
    });
    const given = new Map(response);
    const parts = Object.fromEntries(
      question.left.map((item) => [item.id, right.has(pairKey([item.id, given.get(item.id) ?? ""]))]),
    );
    return { share, parts };
  },

  /** In full by match_correct; by part, an item counts when it stands in its own place. */
  order: (question, response) => {
    const parts = Object.fromEntries(question.right.map((id, at) => [id, response[at] === id]));
    return matchCorrect(response, question.right, "ordered") ? { share: 1, parts } : sharesOf(parts);
  },
};

/** Whether there is anything in a response at all. */
export function isBlankResponse(type: QuestionType, value: unknown): boolean {
  if (value === undefined || value === null || value === "") return true;
  if (Array.isArray(value)) return value.length === 0;
  if (typeof value === "string") return value.trim() === "";
  if (type === "number") return Object.values(value as ResponseOf<"number">).every((part) => part.number.trim() === "");
  return Object.values(value as ResponseOf<"gaps">).every((text) => text.trim() === "");
}

const hundredths = (value: number) => Math.round(value * 100) / 100;

/**
 * Marks one response. `value` is what was stored (or undefined for no answer); one that is not of the question's shape,
 * because the question was changed since, counts as blank. `language` decides the decimal sign.
 */
export function mark(question: Question, value: unknown, language = "en"): Mark {
  const outOf = question.marks;
  const parsed = responseSchemas[question.type].safeParse(value);
  if (!parsed.success || isBlankResponse(question.type, value)) {
    return { verdict: "blank", marks: question.type === "longText" ? null : 0, outOf, parts: {} };
  }
  if (question.type === "longText") return { verdict: "to read", marks: null, outOf, parts: {} };
  const marker = markers[question.type] as (q: Question, r: ResponseValue, decimal: "." | ",") => Share;
  const { share, parts } = marker(question, parsed.data, decimalSign(language));
  const whole = share > 1 - 1e-9;
  const earned = question.partial === "all" && !whole ? 0 : share;
  const verdict = whole ? "right" : earned > 0 ? "partly" : "wrong";
  return { verdict, marks: hundredths(earned * outOf), outOf, parts };
}
