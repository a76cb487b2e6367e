import type { QuestionType, ResponseOf } from "./schema";

export type {
  AcceptedUnit,
  CheckingTime,
  Gap,
  NumberPart,
  Option,
  Question,
  QuestionOf,
  QuestionType,
  ResponseOf,
  ResponseValue,
  SpellingRule,
  Stroke,
} from "./schema";

/** Whether only a person can say how good an answer is. */
export const readByPerson = (type: QuestionType): boolean =>
  ["longText", "sketch", "photo", "speech", "notePage", "poll"].includes(type);

/** The gaps of a passage in order: text and gap ids in turn. */
export function passageParts(passage: string): ({ text: string } | { gap: string })[] {
  return passage
    .split(/(\[\[[A-Za-z0-9_-]+\]\])/)
    .filter((part) => part !== "")
    .map((part) => (/^\[\[.*\]\]$/.test(part) ? { gap: part.slice(2, -2) } : { text: part }));
}

/** What was written, without what was ticked beside it. */
export const writtenText = (value: ResponseOf<"longText">): string => (typeof value === "string" ? value : value.text);

/** The words (or sentences) of a passage and what stands between them; `place` counts only what can be marked. */
export function passageWords(passage: string, unit: "word" | "sentence"): { text: string; place: number | null }[] {
  // Once begun, neither can fail: a run is read to its end and never read again.
  // eslint-disable-next-line regexp/no-super-linear-move
  const pattern = unit === "word" ? /[\p{L}\p{N}][\p{L}\p{M}\p{N}'’-]*/gu : /[^.!?…\s][^.!?…]*(?:[.!?…]+["”’)]*|$)/gu;
  const parts: { text: string; place: number | null }[] = [];
  let end = 0;
  let place = 0;
  for (const found of passage.matchAll(pattern)) {
    if (found.index > end) parts.push({ text: passage.slice(end, found.index), place: null });
    parts.push({ text: found[0], place: place++ });
    end = found.index + found[0].length;
  }
  if (end < passage.length) parts.push({ text: passage.slice(end), place: null });
  return parts;
}
