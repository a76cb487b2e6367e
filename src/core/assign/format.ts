import { formatList } from "../format-list";
import { formatMoment } from "../calendar/format-moment";
import { formatFactor } from "./extra-time";
import type { Document } from "../resource/document";
import type { When } from "./form";

/** What is said of things that do not come all at once. */
function formatPieces({ pieces, openDays, after }: Pick<Share, "pieces" | "openDays" | "after">): string {
  const said = [
    ...(after ? [`once ${after} is handed in`] : []),
    ...(pieces?.parts ? [`in ${formatNumber(pieces.parts)} parts`] : []),
    ...(pieces?.oneALesson ? ["one in each lesson from then on"] : []),
    ...(pieces?.inOrder ? ["each when the one before is handed in"] : []),
    ...(openDays === null ? [] : [`open on ${openDays === 1 ? "one day" : `${formatNumber(openDays)} days`} only`]),
  ];
  return said.map((text) => `, ${text}`).join("");
}

const small = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"];
/** Numbers up to twelve in words, as in running text. `formatNumber(7)` gives `"seven"`. */
export const formatNumber = (n: number): string => small[n] ?? String(n);

/** One class's share of what is given. */
export interface Share {
  className: string;
  students: number;
  /** Whether that is the whole class. */
  all: boolean;
  when: When;
  zone: string;
  /** null: as often as they want. Once is not said. */
  tries: number | null;
  /** How many pieces there are and how they follow one another; null: all at the times said. */
  pieces: { parts: number | null; oneALesson: boolean; inOrder: boolean } | null;
  /** Which steps, where it is not all of them: "steps 2 and 4"; null: all. */
  steps: string | null;
  /** The work each waits for, in quotes; null: none. */
  after: string | null;
  /** On how many single days it is open; null: on every day. */
  openDays: number | null;
  /** Steps done otherwise than their author says: "step 2 in pairs". */
  stepWork: readonly string[];
  /** What classmates see and what she looks at first, as core/review says it. */
  sharing: readonly string[];
  /** Those for whom something is different: another version ("the shorter version"), more time. One entry a student. */
  special: readonly { version: string | null; factor: number }[];
}

const gets = (students: number) => (students === 1 ? "gets" : "get");

const formatTries = (tries: number | null) => (tries === null ? "as many tries as they want" : `${tries} tries`);

/** "step 4", "steps 2 and 4": by their numbers in the document. `formatSteps(lesson, ["look", "ask"])` gives `"steps 1 and 2"`. */
export function formatSteps(document: Pick<Document, "steps">, steps: readonly string[]): string {
  const numbers = document.steps.flatMap(({ id }, at) => (steps.includes(id) ? [String(at + 1)] : []));
  return `${numbers.length === 1 ? "step" : "steps"} ${formatList(numbers)}`;
}

/** What is given, in quotes; more than three are counted. `formatTitles(["Tides", "Ferry fares"])` gives `"“Tides” and “Ferry fares”"`. */
export function formatTitles(titles: readonly string[]): string {
  return titles.length <= 3 ? formatList(titles.map((title) => `“${title}”`)) : `${titles.length} resources`;
}

/** " and closed then", ", and it closes on Fri 4 Dec, 3 in the afternoon"; nothing where it stays open. */
const formatCloses = (due: Date, closes: Date | null, zone: string, now: Date): string =>
  closes === null
    ? ""
    : closes.getTime() === due.getTime()
      ? " and closed then"
      : `, and it closes on ${formatMoment(closes, zone, now)}`;

/**
 * Everything said back in one sentence a class before it goes out: "22 students of 5 Kittiwake get “Reading a tide table”
 * on Tue 1 Dec, 7 in the morning, due Thu 3 Dec, 3 in the afternoon; two of them get the shorter version and one and a
 * half times as long."
 */
export function formatShare(share: Share, titles: readonly string[], opensNow: boolean, now: Date): string {
  const { students, all, className, when, zone } = share;
  const whole = all && students > 1;
  const who = whole
    ? `All ${students} students of ${className}`
    : `${students} ${students === 1 ? "student" : "students"} of ${className}`;
  const opens = opensNow ? "now" : `on ${formatMoment(when.opens, zone, now)}`;
  const due = `due ${formatMoment(when.due, zone, now)}${formatCloses(when.due, when.closes, zone, now)}`;
  const different = share.special.map(({ version, factor }) =>
    formatList([
      ...(version ? [version] : []),
      ...(factor === 1 ? [] : [formatFactor[factor] ?? `${factor} times as long`]),
    ]),
  );
  const aside = [...new Set(different)].map((what) => {
    const some = different.filter((one) => one === what).length;
    return `${formatNumber(some)} of them ${gets(some)} ${what}`;
  });
  const sentence = `${who} ${gets(students)} ${share.steps ? `${share.steps} of ` : ""}${formatTitles(titles)} ${opens}, ${due}${share.tries === 1 ? "" : `, with ${formatTries(share.tries)}`}${formatPieces(share)}`;
  if (share.stepWork.length > 0) aside.push(formatList(share.stepWork));
  if (share.sharing.length > 0) aside.push(formatList(share.sharing));
  return `${[sentence, ...aside].join("; ")}.`;
}
