import { sayList } from "../say-list";
import { sayMoment } from "../calendar/say-moment";
import { sayFactor } from "./extra-time";
import type { When } from "./form";

/** What is said of things that do not come all at once. */
function sayPieces({ pieces, openDays, after }: Pick<Share, "pieces" | "openDays" | "after">): string {
  const said = [
    ...(after ? [`once ${after} is handed in`] : []),
    ...(pieces?.parts ? [`in ${sayNumber(pieces.parts)} parts`] : []),
    ...(pieces?.oneALesson ? ["one in each lesson from then on"] : []),
    ...(pieces?.inOrder ? ["each when the one before is handed in"] : []),
    ...(openDays === null ? [] : [`open on ${openDays === 1 ? "one day" : `${sayNumber(openDays)} days`} only`]),
  ];
  return said.map((text) => `, ${text}`).join("");
}

const small = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"];
/** Numbers up to twelve in words, as in running text. */
export const sayNumber = (n: number): string => small[n] ?? String(n);

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
  /** The work each waits for, in quotes; null: none. */
  after: string | null;
  /** On how many single days it is open; null: on every day. */
  openDays: number | null;
  /** Steps done otherwise than their author says: "step 2 in twos". */
  stepWork: readonly string[];
  /** Those for whom something is different: another version ("the shorter version"), more time. One entry a student. */
  special: readonly { version: string | null; factor: number }[];
}

const gets = (students: number) => (students === 1 ? "gets" : "get");

const sayTries = (tries: number | null) => (tries === null ? "as many tries as they want" : `${tries} tries`);

/** What is given, in quotes; more than three are counted. */
export function sayTitles(titles: readonly string[]): string {
  return titles.length <= 3 ? sayList(titles.map((title) => `“${title}”`)) : `${titles.length} resources`;
}

/** " and closed then", ", and it closes on Fri 4 Dec, 3 in the afternoon"; nothing where it stays open. */
const sayCloses = (due: Date, closes: Date | null, zone: string, now: Date): string =>
  closes === null
    ? ""
    : closes.getTime() === due.getTime()
      ? " and closed then"
      : `, and it closes on ${sayMoment(closes, zone, now)}`;

/**
 * Everything said back in one sentence a class before it goes out: "22 students of 5 Kittiwake get “Reading a tide table”
 * on Tue 1 Dec, 7 in the morning, due Thu 3 Dec, 3 in the afternoon; two of them get the shorter version and one and a
 * half times as long."
 */
export function sayShare(share: Share, titles: readonly string[], opensNow: boolean, now: Date): string {
  const { students, all, className, when, zone } = share;
  const whole = all && students > 1;
  const who = whole
    ? `All ${students} students of ${className}`
    : `${students} ${students === 1 ? "student" : "students"} of ${className}`;
  const opens = opensNow ? "now" : `on ${sayMoment(when.opens, zone, now)}`;
  const due = `due ${sayMoment(when.due, zone, now)}${sayCloses(when.due, when.closes, zone, now)}`;
  const different = share.special.map(({ version, factor }) =>
    sayList([...(version ? [version] : []), ...(factor === 1 ? [] : [sayFactor[factor] ?? `${factor} times as long`])]),
  );
  const aside = [...new Set(different)].map((what) => {
    const some = different.filter((one) => one === what).length;
    return `${sayNumber(some)} of them ${gets(some)} ${what}`;
  });
  const sentence = `${who} ${gets(students)} ${sayTitles(titles)} ${opens}, ${due}${share.tries === 1 ? "" : `, with ${sayTries(share.tries)}`}${sayPieces(share)}`;
  if (share.stepWork.length > 0) aside.push(sayList(share.stepWork));
  return `${[sentence, ...aside].join("; ")}.`;
}
