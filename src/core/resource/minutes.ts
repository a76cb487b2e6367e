import type { Block } from "./block";
import { allQuestions, type Document } from "./document";
import { type Question } from "../question/question";
import { readByPerson } from "../question/mark";
import { countWords, isForStudents, studentText } from "./student-text";

/** How long a resource takes: as stated, by its steps, or estimated. */
export interface Minutes {
  /** Stated minutes, else the sum of the steps', else an estimate. */
  minutes: number;
  minutesFrom: "stated" | "steps" | "estimate";
  /** Without what its author states; said beside it where the two are far apart. Facts of long ago have none. */
  minutesEstimated?: number;
}

/** Common practice: silent reading in primary school, words a minute, and minutes for each question. Films and sounds take their time. */
const WORDS_A_MINUTE = 100;
const MINUTES_A_QUESTION = 1.5;
const MINUTES_TO_WRITE = 8;

/** Seconds of all blocks that students see. `sumOver(lesson, () => 2)` gives `4`. */
export const sumOver = (document: Document, seconds: (block: Block) => number): number =>
  document.steps
    .filter(isForStudents)
    .reduce((sum, { blocks }) => sum + blocks.reduce((all, one) => all + seconds(one), 0), 0);

/** `soundSeconds(lesson.steps[0].blocks[0])` gives `0`. */
export const soundSeconds = (block: Block): number => (block.type === "sound" ? (block.seconds ?? 0) : 0);

/** Of a film only what has an end has a known length. `filmSeconds({ ...film, from: 20 })` gives `40`. */
export function filmSeconds(block: Block): number {
  if (block.type !== "film") return 0;
  const end = block.to ?? block.seconds;
  return end === undefined ? 0 : Math.max(0, end - (block.from ?? 0));
}

/** What students listen to and watch. */
const mediaSeconds = (block: Block): number => filmSeconds(block) + soundSeconds(block);

/** No longer than its time, where it has one. */
const minutesToAnswer = ({ type, seconds }: Question): number =>
  Math.min(readByPerson(type) ? MINUTES_TO_WRITE : MINUTES_A_QUESTION, (seconds ?? Infinity) / 60);

/** `minutesOf({ ...lesson, minutes: 20 }).minutesFrom` gives `"stated"`. */
export function minutesOf(document: Document, words = countWords(studentText(document))): Minutes {
  const found = withoutStated(document, words);
  return document.minutes === undefined
    ? found
    : { minutes: document.minutes, minutesFrom: "stated", minutesEstimated: found.minutes };
}

function withoutStated(document: Document, words: number): Minutes {
  const steps = document.steps.filter((step) => step.minutes !== undefined);
  if (steps.length > 0 && steps.length === document.steps.length) {
    return {
      minutes: Math.max(
        1,
        steps.reduce((sum, step) => sum + step.minutes!, 0),
      ),
      minutesFrom: "steps",
    };
  }
  const asked = allQuestions(document);
  const answering = asked.reduce((sum, { question }) => sum + minutesToAnswer(question), 0);
  const estimate = words / WORDS_A_MINUTE + answering + sumOver(document, mediaSeconds) / 60;
  return { minutes: Math.max(1, Math.round(estimate)), minutesFrom: "estimate" };
}

/**
 * How long it takes by its steps, words and questions, whatever its author states.
 * `minutesEstimated({ ...lesson, minutes: 20 })` gives `minutesEstimated(lesson)`.
 */
export const minutesEstimated = (document: Document): number =>
  withoutStated(document, countWords(studentText(document))).minutes;

/** Whether what is stated is more than a third away from what is estimated: then both are said. `minutesDisagree(30, 45)` gives `false`. */
export const minutesDisagree = (stated: number, estimated: number): boolean =>
  Math.abs(stated - estimated) > estimated / 3;
