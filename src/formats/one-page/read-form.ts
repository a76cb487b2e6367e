import type { Question, ResponseValue } from "@/core/question/question";
import { COLUMNS, ROWS } from "@/core/question/types/place/squares";
import { parseNumber } from "@/core/scoring/number";

/** What stands in the controls of a question, by `data-part`: what is written or chosen; for buttons and boxes whether they are pressed. */
export type FormValues = ReadonlyMap<string, string | boolean>;

const written = (values: FormValues): [string, string][] =>
  [...values].flatMap(([part, value]) =>
    typeof value === "string" && value.trim() !== "" ? [[part, value.trim()]] : [],
  );
const pressed = (values: FormValues): string[] =>
  [...values].flatMap(([part, value]) => (value === true ? [part] : []));

/** Points as they are typed, "(2, 3) (4 | 5)". */
function pointsIn(text: string): [number, number][] {
  const numbers = (text.match(/-?\d+(?:[.]\d+)?/g) ?? []).map(Number);
  return Array.from({ length: Math.floor(numbers.length / 2) }, (_, at) => [numbers[2 * at]!, numbers[2 * at + 1]!]);
}

function middleOfSquare(square: string): [number, number] {
  return [(square.charCodeAt(0) - 65 + 0.5) / COLUMNS, (Number(square.slice(1)) - 0.5) / ROWS];
}

/** The answer that stands in a question's controls, in the shape the marking knows; undefined: there is none yet. */
export function responseFrom(question: Question, values: FormValues): ResponseValue | undefined {
  const texts = written(values);
  const record = Object.fromEntries(texts);
  switch (question.type) {
    case "choice":
    case "poll":
      return pressed(values)[0];
    case "choices":
      return pressed(values);
    case "highlight":
      return pressed(values).map(Number);
    case "shortText":
    case "longText":
      return record.answer;
    case "line":
      return record.answer === undefined ? undefined : (parseNumber(record.answer) ?? undefined);
    case "number":
      return Object.fromEntries(
        question.parts.flatMap(({ id }) =>
          record[id] === undefined
            ? []
            : [[id, { number: record[id], ...(record[`${id} unit`] && { unit: record[`${id} unit`] }) }]],
        ),
      );
    case "bars":
      return Object.fromEntries(
        texts.flatMap(([part, text]) => {
          const number = parseNumber(text);
          return number === null ? [] : [[part, number]];
        }),
      );
    case "match":
    case "groups":
    case "labels":
      return texts;
    case "order":
      return texts.toSorted(([, one], [, other]) => Number(one) - Number(other)).map(([part]) => part);
    case "place":
      return texts.map(([, square]) => middleOfSquare(square));
    case "points":
      return pointsIn(record.answer ?? "");
    case "gaps":
    case "cells":
    case "notePage":
      return record;
    case "photo":
    case "speech":
    case "clip":
    case "sketch":
      return undefined;
  }
}
