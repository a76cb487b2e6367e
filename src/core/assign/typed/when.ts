import { plainWord, type Token } from "./token";
import { numberIn } from "./how";
import { startsWith } from "./people";

/** A day as typed, before it is known from which day on one counts. Weekdays 1 Monday … 7 Sunday. */
export type DayWords =
  | { by: "today" }
  | { by: "tomorrow" }
  | { by: "weekday"; weekday: number; next: boolean }
  /** The weekday said with the date; null: none was said. Year null: the next one. */
  | { by: "date"; year: number | null; month: number; day: number; weekday: number | null }
  | { by: "day of month"; day: number };

export type LessonWords =
  { by: "nth"; n: number } | { by: "last" } | { by: "period"; period: number } | { by: "label"; label: string };

export type WhenWords =
  | { kind: "now" }
  /** `at`: where day and lesson stand, without the hour; null where only an hour was said. */
  | {
      kind: "moment";
      day: DayWords | null;
      time: string | null;
      lesson: LessonWords | null;
      at: { from: number; to: number } | null;
    }
  | { kind: "lesson end" }
  | { kind: "span"; count: number; unit: "school day" | "day" | "week"; time: string | null };

const weekdays = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];
const months = [
  "january",
  "february",
  "march",
  "april",
  "may",
  "june",
  "july",
  "august",
  "september",
  "october",
  "november",
  "december",
];

/** `weekdayIn("tuesday")` gives `2`. */
export function weekdayIn(word: string | undefined): number | null {
  if (!word || !/^(?:mon|tues?|wed|thu|thurs?|fri|sat|sun)/.test(word)) return null;
  const at = weekdays.findIndex(
    (name) => name === word || `${name}s` === word || (word.length <= 5 && name.startsWith(word)),
  );
  return at < 0 ? null : at + 1;
}

function monthIn(word: string | undefined): number | null {
  if (!word || word.length < 3) return null;
  const at = months.findIndex(
    (name) => name === word || (word.length <= 4 && name.startsWith(word)) || (word === "sept" && name === "september"),
  );
  return at < 0 ? null : at + 1;
}

const dayIn = (word: string | undefined): number | null => {
  const day = /^(\d{1,2})(?:st|nd|rd|th)?$/.exec(word ?? "");
  return day && Number(day[1]) >= 1 && Number(day[1]) <= 31 ? Number(day[1]) : null;
};

const yearIn = (word: string | undefined): number | null => (/^20\d\d$/.test(word ?? "") ? Number(word) : null);

/** "30/11", "11/30/2026", "30.11.", "2026-11-30". */
function numericDate(word: string, dayFirst: boolean): Extract<DayWords, { by: "date" }> | null {
  const iso = /^(20\d\d)-(\d{1,2})-(\d{1,2})$/.exec(word);
  if (iso) return dateOf(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const parts = /^(\d{1,2})[/.](\d{1,2})(?:[/.]?$|[/.](20\d\d|\d\d)$)/.exec(word);
  // "7.30" is an hour; a date with dots ends in one, or has its year.
  if (!parts || (word.includes(".") && !/\.$|\.\d+\./.test(word))) return null;
  const [one, two] = [Number(parts[1]), Number(parts[2])];
  const year = parts[3] ? (parts[3].length === 2 ? 2000 + Number(parts[3]) : Number(parts[3])) : null;
  const dayIsFirst = word.includes(".") ? true : one > 12 ? true : two > 12 ? false : dayFirst;
  return dayIsFirst ? dateOf(year, two, one) : dateOf(year, one, two);
}

function dateOf(year: number | null, month: number, day: number): Extract<DayWords, { by: "date" }> | null {
  return month >= 1 && month <= 12 && day >= 1 && day <= 31 ? { by: "date", year, month, day, weekday: null } : null;
}

/** A day with a month: "30 Nov", "Nov 30", "the 30th of November 2026", "30/11". */
function dateAt(
  tokens: readonly Token[],
  at: number,
  dayFirst: boolean,
): { n: number; day: Extract<DayWords, { by: "date" }> } | null {
  const { word } = tokens[at]!;
  const numeric = numericDate(word, dayFirst);
  if (numeric) return { n: 1, day: numeric };
  const the = word === "the" ? 1 : 0;
  const first = dayIn(tokens[at + the]?.word);
  if (first !== null) {
    const of = tokens[at + the + 1]?.word === "of" ? 1 : 0;
    const month = monthIn(tokens[at + the + 1 + of]?.word);
    if (month === null || tokens[at + the]!.ends) return null;
    const n = the + 2 + of;
    const year = yearIn(tokens[at + n]?.word);
    return { n: n + (year ? 1 : 0), day: dateOf(year, month, first)! };
  }
  const month = monthIn(word);
  const day = month === null || tokens[at]!.ends ? null : dayIn(tokens[at + 1]?.word);
  if (month === null || day === null) return null;
  const year = yearIn(tokens[at + 2]?.word);
  return { n: year ? 3 : 2, day: dateOf(year, month, day)! };
}

/**
 * A day: "today", "next Tuesday", "Mon 30 Nov", "the 30th", "3/12" in her country's order.
 * `dayAt(tokensOf("next Tuesday"), 0, true)` gives `{ n: 2, day: { by: "weekday", weekday: 2, next: true } }`.
 */
export function dayAt(tokens: readonly Token[], at: number, dayFirst: boolean): { n: number; day: DayWords } | null {
  const token = tokens[at];
  if (!token) return null;
  if (token.word === "today") return { n: 1, day: { by: "today" } };
  if (token.word === "tomorrow") return { n: 1, day: { by: "tomorrow" } };
  const lead = /^(?:next|this|on)$/.test(token.word) ? 1 : 0;
  const weekday = weekdayIn(tokens[at + lead]?.word);
  if (weekday !== null) {
    const dated = tokens[at + lead]!.ends ? null : tokens[at + lead + 1] && dateAt(tokens, at + lead + 1, dayFirst);
    if (dated) return { n: lead + 1 + dated.n, day: { ...dated.day, weekday } };
    return { n: lead + 1, day: { by: "weekday", weekday, next: token.word === "next" } };
  }
  const dated = dateAt(tokens, at, dayFirst);
  if (dated) return dated;
  const the = token.word === "the" ? 1 : 0;
  const ordinal = tokens[at + the]?.word ?? "";
  return /^\d{1,2}(?:st|nd|rd|th)$/.test(ordinal) && tokens[at + the + 1]?.word !== "lesson" && dayIn(ordinal) !== null
    ? { n: the + 1, day: { by: "day of month", day: dayIn(ordinal)! } }
    : null;
}

const two = (number: number) => String(number).padStart(2, "0");

/** A bare hour means one at which a school is open: 1 to 6 in the afternoon, 7 to 12 as it is. */
const schoolHour = (hour: number, exact: boolean) => (!exact && hour >= 1 && hour <= 6 ? hour + 12 : hour);

/**
 * "at 3", "7:30", "3 pm", "noon", "half past 2", "7 in the morning". `bare`: a number alone is an hour.
 * `timeAt(tokensOf("half past 2"), 0, false)` gives `{ n: 3, time: "14:30" }`.
 */
export function timeAt(tokens: readonly Token[], at: number, bare: boolean): { n: number; time: string } | null {
  const lead = tokens[at]?.word === "at" || tokens[at]?.word === "," ? 1 : 0;
  const token = tokens[at + lead];
  if (!token) return null;
  if (token.word === "noon" || token.word === "midday") return { n: lead + 1, time: "12:00" };
  const past = /^(?:half|quarter)$/.test(token.word) ? tokens[at + lead + 1]?.word : undefined;
  let n = lead + 1;
  let hour: number;
  let minute = 0;
  let exact = false;
  let sure = lead > 0 || bare;
  if (past === "past" || past === "to") {
    const said = numberIn(tokens[at + lead + 2]?.word);
    if (said === null || said < 1 || said > 12) return null;
    minute = token.word === "half" ? 30 : past === "past" ? 15 : 45;
    hour = past === "to" ? (said === 1 ? 12 : said - 1) : said;
    n = lead + 3;
    sure = true;
  } else {
    const clock = /^(\d{1,2})(?:[:.h](\d{2}))?(am|pm)?$/.exec(token.word);
    if (!clock || Number(clock[1]) > 23 || Number(clock[2] ?? 0) > 59) return null;
    hour = Number(clock[1]);
    minute = Number(clock[2] ?? 0);
    exact = clock[1]!.startsWith("0") || hour > 12;
    if (clock[2] || clock[3]) sure = true;
    if (clock[3]) {
      hour = (hour % 12) + (clock[3] === "pm" ? 12 : 0);
      exact = true;
    }
  }
  const more = tokens[at + n - 1]!.ends ? "" : (tokens[at + n]?.word ?? "");
  const inThe = more === "in" && tokens[at + n + 1]?.word === "the" ? 2 : 0;
  const part = inThe ? (tokens[at + n + 2]?.word ?? "") : more;
  if (/^(?:am|pm|morning|afternoon|evening)$/.test(part)) {
    hour = (hour % 12) + (part === "am" || part === "morning" ? 0 : 12);
    if (part === "morning" && hour === 0) hour = 12;
    exact = sure = true;
    n += inThe + 1;
  } else if (more === "o'clock" || more === "oclock") {
    sure = true;
    n += 1;
  } else if (
    /^(?:try|tries|times|attempts?|days?|weeks?|lessons?|school|minutes?|min)$/.test(more) ||
    monthIn(more) !== null
  )
    return null;
  return sure ? { n, time: `${two(schoolHour(hour, exact))}:${two(minute)}` } : null;
}

const ordinal: Record<string, number> = {
  first: 1,
  second: 2,
  third: 3,
  fourth: 4,
  fifth: 5,
  "1st": 1,
  "2nd": 2,
  "3rd": 3,
  "4th": 4,
  "5th": 5,
};

/** "first lesson", "lesson 2", "last lesson", "period 3", "the maths lesson". */
function lessonAt(
  tokens: readonly Token[],
  at: number,
  labels: readonly string[],
): { n: number; lesson: LessonWords } | null {
  const skip = /^(?:the|in|at)$/.test(tokens[at]?.word ?? "") ? 1 + (tokens[at + 1]?.word === "the" ? 1 : 0) : 0;
  const [one, next] = [tokens[at + skip]?.word ?? "", tokens[at + skip + 1]?.word ?? ""];
  const number = numberIn(next);
  if (one === "period" && number) return { n: skip + 2, lesson: { by: "period", period: number } };
  if (one === "lesson" && number && !tokens[at + skip]!.ends && /^\d+$/.test(next))
    return { n: skip + 2, lesson: { by: "nth", n: number } };
  if (one === "lesson") return { n: skip + 1, lesson: { by: "nth", n: 1 } };
  if (!/^(?:lesson|period)$/.test(next)) {
    const label = labels.find((name) => plainWord(name) === one);
    return label ? { n: skip + 1, lesson: { by: "label", label } } : null;
  }
  if (ordinal[one]) return { n: skip + 2, lesson: { by: "nth", n: ordinal[one] } };
  if (one === "last") return { n: skip + 2, lesson: { by: "last" } };
  if (one === "next") return { n: skip + 2, lesson: { by: "nth", n: 1 } };
  const label = labels.find((name) => plainWord(name) === one);
  return label ? { n: skip + 2, lesson: { by: "label", label } } : null;
}

/** "in 3 school days", "for two weeks", "5 days later". */
function spanAt(
  tokens: readonly Token[],
  at: number,
): { n: number; when: Extract<WhenWords, { kind: "span" }> } | null {
  const lead = /^(?:in|for|after|within)$/.test(tokens[at]?.word ?? "") ? 1 : 0;
  const count = numberIn(tokens[at + lead]?.word);
  if (count === null || count > 90 || !tokens[at + lead + 1]) return null;
  const school = tokens[at + lead + 1]!.word === "school" ? 1 : 0;
  const unit = tokens[at + lead + 1 + school]?.word ?? "";
  if (!/^(?:days?|weeks?)$/.test(unit)) return null;
  let n = lead + 2 + school;
  const later = !tokens[at + n - 1]!.ends && /^(?:later|after|on|from)$/.test(tokens[at + n]?.word ?? "");
  if (later) n += 1;
  const time = tokens[at + n - 1]!.ends ? null : timeAt(tokens, at + n, false);
  const weeks = unit.startsWith("week");
  if (!lead && !later && !school && !weeks) return null;
  return {
    n: n + (time?.n ?? 0),
    when: { kind: "span", count, unit: weeks ? "week" : school ? "school day" : "day", time: time?.time ?? null },
  };
}

const lessonEnds = [
  "in that lesson",
  "in the lesson",
  "in class",
  "at the end of the lesson",
  "end of the lesson",
  "end of lesson",
  "the same lesson",
  "when the lesson ends",
].map((text) => text.split(" "));
const atOnce = ["now", "right now", "straight away", "right away", "immediately", "at once"].map((text) =>
  text.split(" "),
);

/** A moment without the word that says what it is for. */
function momentAt(
  tokens: readonly Token[],
  at: number,
  dayFirst: boolean,
  labels: readonly string[],
  bare: boolean,
): { n: number; when: WhenWords } | null {
  if (at >= tokens.length) return null;
  for (const words of atOnce) if (startsWith(tokens, at, words)) return { n: words.length, when: { kind: "now" } };
  const day = dayAt(tokens, at, dayFirst);
  const after = at + (day?.n ?? 0);
  const ended = day !== null && tokens[after - 1]!.ends;
  const lesson = ended ? null : lessonAt(tokens, after, labels);
  const time = ended || lesson ? null : timeAt(tokens, after, day !== null || bare);
  const n = (day?.n ?? 0) + (lesson?.n ?? 0) + (time?.n ?? 0);
  if (n === 0) return null;
  const dated = (day?.n ?? 0) + (lesson?.n ?? 0);
  const where = dated > 0 ? { from: tokens[at]!.from, to: tokens[at + dated - 1]!.to } : null;
  return {
    n,
    when: {
      kind: "moment",
      day: day?.day ?? null,
      time: time?.time ?? null,
      lesson: lesson?.lesson ?? null,
      at: where,
    },
  };
}

const dueWords = /^(?:due|by|until|till|til|through)$/;
const openWords = /^(?:from|opens?|opening|starts?|starting|on|for)$/;

/**
 * When it opens or is due. `role`: what the words say it is for; null where they leave it open ("Tue first lesson").
 * `labels`: what lessons are called ("Reading").
 * `whenAt(tokensOf("due Thursday at 3"), 0, true, []).role` gives `"due"`.
 */
export function whenAt(
  tokens: readonly Token[],
  at: number,
  dayFirst: boolean,
  labels: readonly string[],
): { n: number; role: "opens" | "due" | "to" | null; when: WhenWords } | null {
  const { word } = tokens[at]!;
  if (dueWords.test(word) && !tokens[at]!.ends) {
    const lead = 1 + (/^(?:on|by|at|until)$/.test(tokens[at + 1]?.word ?? "") ? 1 : 0);
    for (const words of lessonEnds)
      if (startsWith(tokens, at + 1, words)) return { n: 1 + words.length, role: "due", when: { kind: "lesson end" } };
    const read = (tokens[at + 1] && spanAt(tokens, at + 1)) || momentAt(tokens, at + lead, dayFirst, labels, true);
    return read ? { n: (read.when.kind === "span" ? 1 : lead) + read.n, role: "due", when: read.when } : null;
  }
  if (word === "to" && !tokens[at]!.ends) {
    const read = momentAt(tokens, at + 1, dayFirst, labels, false);
    return read ? { n: 1 + read.n, role: "to", when: read.when } : null;
  }
  const span = spanAt(tokens, at);
  if (span) return { n: span.n, role: "due", when: span.when };
  if (openWords.test(word) && !tokens[at]!.ends) {
    const lead = 1 + (/^(?:on|at|in)$/.test(tokens[at + 1]?.word ?? "") ? 1 : 0);
    const read = momentAt(tokens, at + lead, dayFirst, labels, false);
    return read ? { n: lead + read.n, role: word === "for" ? null : "opens", when: read.when } : null;
  }
  const read = momentAt(tokens, at, dayFirst, labels, false);
  return read ? { n: read.n, role: null, when: read.when } : null;
}
