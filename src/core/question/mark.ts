import {
  readByPerson,
  writtenText,
  type Question,
  type QuestionOf,
  type QuestionType,
  type ResponseOf,
  type ResponseValue,
} from "./question";
import { mapResponse, matchCorrect } from "../scoring/qti";
import { decimalSign, numberIsRight } from "../scoring/number";
import { isAccepted } from "../scoring/spelling";

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
  /** A BCP 47 tag: decides the decimal sign, and which of the passages was read. */
  language: string,
) => Share;

const sharesOf = (parts: Record<string, boolean>): Share => {
  const all = Object.values(parts);
  return { share: all.length === 0 ? 0 : all.filter(Boolean).length / all.length, parts };
};

/** Off by no more than the tolerance; a little more for what binary fractions cannot say (0.1 + 0.2). */
const near = (given: number | undefined, right: number, tolerance: number): boolean =>
  given !== undefined && Math.abs(given - right) <= tolerance + 1e-9 * Math.max(1, Math.abs(right));

/** Each right one earns its share, each wrong one costs as much, never below nothing: marking everything earns nothing. */
function sharesOfMarked(given: readonly string[], right: ReadonlySet<string>): Share {
  const worth = 1 / Math.max(1, right.size);
  const share = mapResponse(given, {
    entries: new Map([...right].map((one) => [one, worth])),
    defaultValue: -worth,
    lowerBound: 0,
    upperBound: 1,
  });
  return { share, parts: Object.fromEntries(given.map((one) => [one, right.has(one)])) };
}

/** Pairs of which the first of each is a part: what belongs where. */
function sharesOfPairs(
  given: readonly (readonly [string, string])[],
  right: readonly (readonly [string, string])[],
): Share {
  const placed = new Map(given);
  return sharesOf(Object.fromEntries(right.map(([part, place]) => [part, placed.get(part) === place])));
}

/** By the id of each gap: whether what was written there is accepted. */
const sharesOfGaps = ({ gaps, spelling }: QuestionOf<"gaps" | "cells">, given: Record<string, string>): Share =>
  sharesOf(
    Object.fromEntries(
      gaps.map((gap) => [gap.id, gap.accepted.some((accepted) => isAccepted(given[gap.id] ?? "", accepted, spelling))]),
    ),
  );

const pairKey = ([left, right]: readonly [string, string]) => `${left} ${right}`;

/** Marks by type, before "all or nothing" is applied. Sources: QTI match_correct and map_response, see qti.ts. */
const markers: {
  [Type in Exclude<QuestionType, "longText" | "sketch" | "poll" | "photo" | "speech" | "notePage">]: Marker<Type>;
} = {
  choice: (question, response) => ({
    share: question.right === null ? 0 : matchCorrect([response], [question.right], "single"),
    parts: {},
  }),

  choices: (question, response) => sharesOfMarked(response, new Set(question.right)),

  shortText: (question, response) => {
    const earned = question.accepted
      .filter((answer) => isAccepted(response, answer.text, question.spelling))
      .map((answer) => answer.share);
    return { share: Math.max(0, ...earned), parts: {} };
  },

  number: (question, response, language) =>
    sharesOf(
      Object.fromEntries(
        question.parts.map((part) => [
          part.id,
          part.id in response && numberIsRight(part, response[part.id]!, decimalSign(language)),
        ]),
      ),
    ),

  gaps: sharesOfGaps,
  cells: sharesOfGaps,

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

  groups: (question, response) => sharesOfPairs(response, question.right),
  labels: (question, response) => sharesOfPairs(response, question.right),

  line: (question, response) => ({ share: near(response, question.right, question.tolerance) ? 1 : 0, parts: {} }),

  bars: (question, response) =>
    sharesOf(
      Object.fromEntries(question.bars.map((bar) => [bar.id, near(response[bar.id], bar.right, bar.tolerance)])),
    ),

  /** A point that is asked for can be hit once; what hits none costs as much as one earns. */
  points: (question, response) => {
    const left = question.right.map((point, at) => ({ point, name: `right ${at}` }));
    const given = response.map(([x, y], at) => {
      const hit = left.findIndex(
        ({ point }) => near(x, point[0], question.tolerance) && near(y, point[1], question.tolerance),
      );
      return hit < 0 ? `wrong ${at}` : left.splice(hit, 1)[0]!.name;
    });
    const { share } = sharesOfMarked(given, new Set(question.right.map((_, at) => `right ${at}`)));
    return { share, parts: Object.fromEntries(given.map((name, at) => [String(at), name.startsWith("right")])) };
  },

  /** Each language's passage has its own words; which was read is not kept, so the one the answer fits best counts. */
  highlight: (question, response, language) => {
    const marked = response.map(String);
    const passages = [language, ...Object.keys(question.right).filter((one) => one !== language)];
    const [first = { share: 0, parts: {} }, ...others] = passages
      .flatMap((one) => (question.right[one] ? [question.right[one].map(String)] : []))
      .map((right) => sharesOfMarked(marked, new Set(right)));
    return others.reduce((best, one) => (one.share > best.share ? one : best), first);
  },
};

/** Whether there is anything in a response at all. */
export function isBlankResponse(type: QuestionType, value: unknown): boolean {
  if (value === undefined || value === null || value === "") return true;
  if (Array.isArray(value)) return value.length === 0;
  if (typeof value === "string") return value.trim() === "";
  if (typeof value === "number") return false;
  if (type === "longText") return writtenText(value as ResponseOf<"longText">).trim() === "";
  if (type === "speech") return (value as ResponseOf<"speech">).media === "";
  if (type === "bars") return Object.keys(value).length === 0;
  if (type === "number") return Object.values(value as ResponseOf<"number">).every((part) => part.number.trim() === "");
  return Object.values(value as ResponseOf<"gaps">).every((text) => text.trim() === "");
}

const hundredths = (value: number) => Math.round(value * 100) / 100;

/** Marks one response (undefined: no answer). `language` decides the decimal sign. */
export function mark(question: Question, value: ResponseValue | undefined, language = "en"): Mark {
  const outOf = question.marks;
  if (value === undefined || isBlankResponse(question.type, value)) {
    return { verdict: "blank", marks: readByPerson(question.type) ? null : 0, outOf, parts: {} };
  }
  if (readByPerson(question.type)) return { verdict: "to read", marks: null, outOf, parts: {} };
  const marker = markers[question.type as keyof typeof markers] as (
    q: Question,
    r: ResponseValue,
    language: string,
  ) => Share;
  const { share, parts } = marker(question, value, language);
  const whole = share > 1 - 1e-9;
  const earned = question.partial === "all" && !whole ? 0 : share;
  const verdict = whole ? "right" : earned > 0 ? "partly" : "wrong";
  return { verdict, marks: hundredths(earned * outOf), outOf, parts };
}
