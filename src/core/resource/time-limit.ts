import { allQuestions, type Document } from "./document";
import type { Question } from "../question/question";

/**
 * How much after the end an answer may still arrive, in seconds: the last press of a key is sent after a pause, and has a
 * way to go. Common practice.
 */
export const GRACE_SECONDS = 10;

/** What an editor offers, in seconds. */
export const usualLimits = [30, 60, 120, 180, 300, 600, 900, 1800, 2700, 3600] as const;

/**
 * The seconds a student has for a question, her extra time reckoned in; null: as long as she likes.
 * `allowedSeconds({ seconds: 60 }, 1.5)` gives `90`.
 */
export const allowedSeconds = (question: Pick<Question, "seconds">, factor: number): number | null =>
  question.seconds === undefined ? null : Math.round(question.seconds * factor);

/**
 * What is left of them, 0 when it is over. The clock does not stop when a lid is closed.
 * `secondsLeft(120, new Date("2026-11-30T09:00:00Z"), new Date("2026-11-30T09:00:45Z"))` gives `75`.
 */
export const secondsLeft = (seconds: number, begun: Date, now: Date): number =>
  Math.max(0, seconds - (now.getTime() - begun.getTime()) / 1000);

const isOver = (seconds: number, begun: Date, now: Date): boolean =>
  now.getTime() > begun.getTime() + (seconds + GRACE_SECONDS) * 1000;

/** "2 minutes", "1 minute 30 seconds". `formatAllowed(90)` gives `"1 minute 30 seconds"`. */
export function formatAllowed(seconds: number): string {
  const say = (count: number, unit: string) => (count === 0 ? "" : `${count} ${unit}${count === 1 ? "" : "s"}`);
  const whole = Math.round(seconds);
  return [
    say(Math.floor(whole / 3600), "hour"),
    say(Math.floor((whole % 3600) / 60), "minute"),
    say(whole % 60, "second"),
  ]
    .filter(Boolean)
    .join(" ");
}

/**
 * How an answer that arrives now stands: questions without a time are always in time.
 * `standing(question, { factor: 1, begun: new Map(), now: new Date() })` gives `"in time"`.
 */
export function standing(
  question: Pick<Question, "id" | "seconds">,
  of: { factor: number; begun: ReadonlyMap<string, Date>; now: Date },
): "in time" | "late" | "not begun" {
  const seconds = allowedSeconds(question, of.factor);
  if (seconds === null) return "in time";
  const begun = of.begun.get(question.id);
  return !begun ? "not begun" : isOver(seconds, begun, of.now) ? "late" : "in time";
}

/** A student's time for one question. */
export interface TimeLimit {
  seconds: number;
  /** Left at the moment this was read; null: she has not opened the question. */
  left: number | null;
}

/**
 * The limits of what a student was given, by question. `begun` holds when she opened those she opened.
 * `timeLimits(lesson, { factor: 1, begun: new Map(), now: new Date() })` gives `{}`.
 */
export function timeLimits(
  document: Document,
  of: { factor: number; begun: ReadonlyMap<string, Date>; now: Date },
): Record<string, TimeLimit> {
  return Object.fromEntries(
    allQuestions(document).flatMap(({ question }) => {
      const seconds = allowedSeconds(question, of.factor);
      if (seconds === null) return [];
      const begun = of.begun.get(question.id);
      return [[question.id, { seconds, left: begun ? secondsLeft(seconds, begun, of.now) : null }]];
    }),
  );
}
