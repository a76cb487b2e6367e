import type { Kind, Subject } from "../resource/document";
import { lengthLimits } from "./need";
import { readIsbn } from "./edition";
import { gradeNamed, ordinalPattern } from "../content/grade";

/** A part of what was typed that is more than words, as typed. In quotes it is just words again. */
export interface TakenPart {
  text: string;
  /** Where it stands in what was typed. */
  from: number;
  to: number;
  means:
    | { as: "grades"; grades: number[] }
    | { as: "minutes"; /** Null: longer than any limit, so any length will do. */ minutes: number | null }
    | { as: "subject"; subject: Subject }
    | { as: "kind"; kind: Kind }
    | { as: "code"; code: string }
    | { as: "isbn"; isbn: string }
    | { as: "wrong isbn"; isbn: string }
    | { as: "author"; name: string }
    | { as: "topic"; name: string }
    | { as: "set"; name: string };
}

export interface Typed {
  /** The words that are left, as typed. */
  words: string;
  /** In the order they were typed. */
  taken: TakenPart[];
}

const CODE = /^(?:[A-Z]{1,4}[0-9]?|\d{1,2})(?:[.-](?:[A-Z]{1,3}|K|\d{1,2}))+[a-z]?\.?$/i;
const BY = /(?:^|\s)by\s+([\p{L}][\p{L}.'’-]*(?:\s+[\p{L}][\p{L}.'’-]*){0,2}?)(?=\s+(?:for|about|in|on)\b|\s*$)/iu;
/** "topic negative numbers", "set Sea week": named as such, or they are words like any other. */
const TOPIC = /(?:^|\s)topic:?\s+([\p{L}\p{N}][\p{L}\p{N} '’-]{1,58}?)(?=\s+(?:for|in|by)\s|\s*$)/iu;
const SET = /(?:^|\s)(?:the\s+)?set:?\s+([\p{L}\p{N}][\p{L}\p{N} '’-]{1,78}?)(?=\s+(?:for|by)\s|\s*$)/iu;
const ISBN = /(?:isbn[-:\s]*)?\b97[89](?:[\s-]?\d){10}\b|\b\d(?:-?\d){8}-?[\dXx]\b/gi;

const span = "(?:\\s*(?:-|–|to|and)\\s*(\\d{1,2}))?";

/** "grade 4", "grades 3-5", "4th grade", "first grade", "K-2", "kindergarten"; "year 5" as in England: one more than the grade. */
const GRADES: readonly [RegExp, (found: RegExpExecArray) => [number, number] | null][] = [
  [
    new RegExp(`\\b(?:for\\s+)?(?:my\\s+)?(?:grades?|gr\\.?)\\s+(k|\\d{1,2})${span}\\b(?!\\.\\w)`, "i"),
    ([, from, to]) => upTo(gradeNamed(from!)!, to),
  ],
  [
    new RegExp(`\\b(?:for\\s+)?(?:my\\s+)?(?:years?|yr)\\s+(\\d{1,2})${span}\\b(?!\\.\\w)`, "i"),
    ([, from, to]) => upTo(Number(from) - 1, to && String(Number(to) - 1)),
  ],
  [
    new RegExp(`\\b(?:for\\s+)?(?:my\\s+)?(${ordinalPattern})[\\s-]grade(?:rs?)?\\b`, "i"),
    ([, which]) => upTo(gradeNamed(which!)!, undefined),
  ],
  [/\b(?:for\s+)?k\s*(?:-|–|to)\s*(\d{1,2})\b/i, ([, to]) => upTo(0, to)],
  [/\b(?:for\s+)?(?:kindergarten|kindergart(?:e)?ners|kinder)\b/i, () => [0, 0]],
];

const upTo = (from: number, to: string | undefined): [number, number] | null => {
  const last = to === undefined ? from : Number(to);
  return from >= 0 && from <= last && last <= 12 ? [from, last] : null;
};

/** "45 min", "under 20 minutes", "up to half an hour", "15-minute", "an hour and a half", "1.5 hours", "two hours". */
const MINUTES =
  /\b(?:(?:in\s+)?(?:under|up to|at most|less than|no more than|max(?:imum)?|within|for|about)\s+)?(?:(\d{1,3})[\s-]*(?:min(?:ute)?s?\b\.?)|(half an hour|(?:(?:an|one|1) hour and a half|one and a half hours)|(?:an|one|two|three|\d(?:\.5)?)[\s-]hours?)\b)/i;
/** How many minutes words for hours say. */
const hours = (said: string): number => {
  const lower = said.toLowerCase();
  if (lower.startsWith("half")) return 30;
  if (lower.includes("half")) return 90;
  const count = { an: 1, one: 1, two: 2, three: 3 }[lower.split(/[\s-]/)[0]!] ?? Number.parseFloat(lower);
  return count * 60;
};

const subjectWords: Record<string, Subject> = {
  math: "mathematics",
  maths: "mathematics",
  mathematics: "mathematics",
  science: "science",
  geography: "geography",
  music: "music",
  art: "art",
  languages: "languages",
  wellbeing: "wellbeing",
};
const kindWords: Record<string, Kind> = {
  quiz: "quiz",
  quizzes: "quiz",
  worksheet: "printable",
  worksheets: "printable",
  printable: "printable",
  printables: "printable",
  film: "film",
  films: "film",
  video: "film",
  videos: "film",
  template: "template",
  templates: "template",
  story: "reading",
  stories: "reading",
  activity: "activity",
  activities: "activity",
};
/** A kind or a subject stands at the end, or before one of these: "quiz about tides", "maths for grade 4"; "story writing" is words. */
const opens = new Set(["about", "on", "for", "with", "of", "in", "at", "to"]);

/** Words somebody types to a person and that say nothing of what is looked for. */
const filler = new Set(
  "lesson lessons resource resources material materials idea ideas class classroom student students pupil pupils kid kids child children teacher teaching teach need want looking find show give something anything stuff please good great fun nice easy quick some any my our your i we me us am is are was do does did can could would like love have has want wants to for the a an and or of on in at with about how what why when where which who that this it its".split(
    " ",
  ),
);

class Reading {
  readonly taken: TakenPart[] = [];
  /** What is still words; what was taken, and what stands in quotes, is blank here, so that places stay the same. */
  left: string;

  constructor(private readonly typed: string) {
    this.left = typed.replace(/-?["“][^"”]*["”]?/g, (quoted) => " ".repeat(quoted.length));
  }

  take(from: number, length: number, means: TakenPart["means"]) {
    const text = this.typed.slice(from, from + length);
    const lead = text.length - text.trimStart().length;
    const bare = text.trim();
    this.taken.push({ text: bare, from: from + lead, to: from + lead + bare.length, means });
    this.left = this.left.slice(0, from) + " ".repeat(length) + this.left.slice(from + length);
  }

  /** What is not taken, with what stands in quotes. */
  words(): string {
    if (this.taken.length === 0) return this.typed;
    let words = "";
    let last = 0;
    for (const { from, to } of [...this.taken].sort((one, other) => one.from - other.from)) {
      words += `${this.typed.slice(last, from)} `;
      last = to;
    }
    return (words + this.typed.slice(last)).replace(/\s+/g, " ").trim();
  }
}

/**
 * Takes apart what was typed. Nothing is decided here: a code is one only if a framework has it, a name only if somebody
 * is called that. Text in quotes is always just words.
 * `readTyped("tides by Ada")` gives `{ words: "tides", taken: [{ text: "by Ada", from: 6, to: 12, means: { as: "author", name: "Ada" } }] }`.
 */
export function readTyped(typed: string): Typed {
  const reading = new Reading(typed);
  const by = BY.exec(reading.left);
  if (by) reading.take(by.index, by[0].length, { as: "author", name: by[1]! });
  const topic = TOPIC.exec(reading.left);
  if (topic) reading.take(topic.index, topic[0].length, { as: "topic", name: topic[1]! });
  const set = SET.exec(reading.left);
  if (set) reading.take(set.index, set[0].length, { as: "set", name: set[1]! });
  // An ISBN may be typed with spaces: look for it in the whole first. A mistyped one finds nothing, and is said to be wrong.
  for (const found of reading.left.matchAll(ISBN)) {
    const read = readIsbn(found[0]);
    if (read && !("wrong" in read)) reading.take(found.index, found[0].length, { as: "isbn", isbn: read.isbn13 });
    else if (read) reading.take(found.index, found[0].length, { as: "wrong isbn", isbn: read.wrong });
  }
  for (const [pattern, read] of GRADES) {
    const found = pattern.exec(reading.left);
    const grades = found && read(found);
    if (!found || !grades) continue;
    const [from, to] = grades;
    reading.take(found.index, found[0].length, {
      as: "grades",
      grades: Array.from({ length: to - from + 1 }, (_, at) => from + at),
    });
    break;
  }
  const minutes = MINUTES.exec(reading.left);
  if (minutes) {
    const count = minutes[1] ? Number(minutes[1]) : hours(minutes[2]!);
    if (count > 0)
      reading.take(minutes.index, minutes[0].length, {
        as: "minutes",
        minutes: lengthLimits.find((most) => most >= count) ?? null,
      });
  }
  const tokens = [...reading.left.matchAll(/\S+/g)];
  for (const { 0: word, index } of tokens)
    if (CODE.test(word)) reading.take(index, word.length, { as: "code", code: word.toUpperCase().replace(/\.$/, "") });
  takeKindAndSubject(reading);
  return { words: reading.words(), taken: reading.taken.sort((one, other) => one.from - other.from) };
}

function takeKindAndSubject(reading: Reading): void {
  const tokens = [...reading.left.matchAll(/[^\s,;]+/g)].map((found) => ({
    word: found[0].toLowerCase(),
    at: found.index,
    length: found[0].length,
  }));
  tokens.forEach(({ word, at, length }, n) => {
    const next = tokens[n + 1]?.word;
    const ends = next === undefined || opens.has(next);
    const subject = subjectWords[word];
    // "maths games" is a subject and a word; "art of the sea" is words.
    if (subject && next !== "of" && !reading.taken.some(({ means }) => means.as === "subject"))
      reading.take(at, length, { as: "subject", subject });
    const kind = kindWords[word];
    if (kind && ends && tokens.length > 1 && !reading.taken.some(({ means }) => means.as === "kind"))
      reading.take(at, length, { as: "kind", kind });
  });
}

/**
 * The words without those that only make a sentence of them; all of them where nothing else is left.
 * `withoutFiller("something about the tides")` gives `"tides"`.
 */
export function withoutFiller(words: string): string {
  if (/["“]/.test(words)) return words;
  const kept = words.split(/\s+/).filter((word) => !filler.has(word.toLowerCase().replace(/[.,;:!?]$/, "")));
  return kept.length > 0 ? `${kept.join(" ")}${/\s$/.test(words) ? " " : ""}` : words;
}

/**
 * What was typed with one part of it in quotes: just words again.
 * `asWords("tides RI.4.7", { from: 6, to: 12, text: "RI.4.7" })` gives `"tides \"RI.4.7\""`.
 */
export const asWords = (typed: string, part: TakenPart): string =>
  `${typed.slice(0, part.from)}"${part.text}"${typed.slice(part.to)}`;
