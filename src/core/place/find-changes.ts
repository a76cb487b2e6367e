import { americanOf, britishOf, dependsOnSense } from "../locale/spelling";
import type { Place } from "./places";
import { datesAndTimes } from "./dates";
import { mentionsIn } from "./units";

/** What a change is about. */
export const changeKinds = [
  "money",
  "spelling",
  "school words",
  "paper",
  "dates",
  "times",
  "holiday",
  "units",
] as const;
export type ChangeKind = (typeof changeKinds)[number];

/** Something in a text that belongs elsewhere. */
export interface Found {
  kind: ChangeKind;
  /** Where it stands in the text. */
  start: number;
  end: number;
  from: string;
  /** What it becomes here; null: nobody can say but she. */
  to: string | null;
  /** False: it may mean something else, so it is only changed when she says so. */
  sure: boolean;
}

/** With capitals as they stood: "Dollars", "DOLLARS". `likeCase("Dollars", "pounds")` gives `"Pounds"`. */
export function likeCase(from: string, to: string): string {
  if (from.length > 1 && from === from.toUpperCase() && from !== from.toLowerCase()) return to.toUpperCase();
  return /^\p{Lu}/u.test(from) ? to[0]!.toUpperCase() + to.slice(1) : to;
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
const whole = (words: readonly string[], flags = "giu") =>
  new RegExp(`(?<![\\p{L}\\p{N}])(?:${words.map(escaped).join("|")})(?![\\p{L}\\p{N}])`, flags);

/** How a kind of thing is found, and what each becomes. */
interface Pattern {
  kind: ChangeKind;
  finds: RegExp;
  to: (found: string) => string | null;
  sure: boolean;
}

/** Names of the money, and amounts with its sign: numbers stay what they are. */
function money(from: Place, to: Place): Pattern[] {
  const [of, as] = [from.money, to.money];
  const [names, others] = [
    [...of.major, ...of.minor],
    [...as.major, ...as.minor],
  ];
  const patterns: Pattern[] = [];
  if (names.join() !== others.join())
    patterns.push({
      ...{ kind: "money", finds: whole(names), sure: true },
      to: (word) => likeCase(word, others[names.indexOf(word.toLowerCase())]!),
    });
  if (of.sign !== as.sign || of.before !== as.before) {
    const amount = "\\d{1,12}(?:[.,]\\d{1,6})?";
    const sign = escaped(of.sign);
    patterns.push({
      ...{ kind: "money", sure: true },
      finds: of.before
        ? new RegExp(`${sign}\\s?${amount}`, "gu")
        : new RegExp(`(?<![\\d.,])${amount}\\s${sign}(?![\\p{L}\\p{N}])`, "gu"),
      to: (found) => {
        const number = found.replace(of.sign, "").trim();
        return as.before ? `${as.sign}${number}` : `${number} ${as.sign}`;
      },
    });
  }
  if (of.coins.length > 0 && of.coins.join() !== as.coins.join())
    patterns.push({ kind: "money", finds: whole(of.coins), to: () => null, sure: false });
  return patterns;
}

function spelling(text: string, from: Place, to: Place): Found[] {
  if (from.spelling === to.spelling) return [];
  const [there, back] = to.spelling === "british" ? [britishOf, americanOf] : [americanOf, britishOf];
  return [...text.matchAll(/(?<![\p{L}\p{N}])\p{L}{3,}(?![\p{L}\p{N}])/gu)].flatMap(({ 0: word, index }): Found[] => {
    const low = word.toLowerCase();
    const other = there.get(low);
    if (!other) return [];
    const at = { kind: "spelling" as const, start: index, end: index + word.length, from: word };
    // A capital inside a sentence is a name: it is not changed by itself. One that would not come back as it was is asked about too.
    const named = word !== low && !/(?:^|[.!?]["”’)]*\s+)$/u.test(text.slice(0, index));
    return [{ ...at, to: likeCase(word, other), sure: !dependsOnSense(low) && !named && back.get(other) === low }];
  });
}

/** "Grade", "year" and "holiday" mean other things as well. */
const schoolWords = (from: Place, to: Place): Pattern[] =>
  Object.entries(from.words).flatMap(([meaning, word]) => {
    const other = to.words[meaning]!;
    if (word === other) return [];
    return [
      { kind: "school words" as const, finds: whole([word]), to: (found) => likeCase(found, other), sure: false },
    ];
  });

/** How long something is is not only a matter of words: its answers would have to change as well. */
const measures = (text: string, from: Place, to: Place): Found[] =>
  from.units === to.units
    ? []
    : mentionsIn(text, from.units).flatMap(({ start, end, text: found, amount }): Found[] =>
        amount === null ? [] : [{ kind: "units", start, end, from: found, to: null, sure: false }],
      );

const made = new Map<string, Pattern[]>();

/** Made once for each two places: a long resource has thousands of texts. */
function patternsFor(from: Place, to: Place): Pattern[] {
  const key = `${from.code} ${to.code}`;
  const known = made.get(key);
  if (known) return known;
  const away = from.holidays.filter((holiday) => !to.holidays.includes(holiday));
  const patterns: Pattern[] = [
    ...money(from, to),
    ...schoolWords(from, to),
    ...(from.paper.name === to.paper.name
      ? []
      : [
          {
            ...{ kind: "paper" as const, finds: whole([from.paper.name, ...from.paper.also]), sure: true },
            to: (found: string) => likeCase(found, to.paper.name),
          },
        ]),
    ...(away.length === 0 ? [] : [{ kind: "holiday" as const, finds: whole(away, "gu"), to: () => null, sure: false }]),
  ];
  made.set(key, patterns);
  return patterns;
}

/**
 * Everything in a text that belongs to one place and not to another, in its order; none lies over another.
 * `changesIn("the colour", britain, america)[0].to` gives `"color"`.
 */
export function changesIn(text: string, from: Place, to: Place): Found[] {
  if (from.code === to.code) return [];
  const all = [
    ...patternsFor(from, to).flatMap(({ kind, finds, to: becomes, sure }) =>
      [...text.matchAll(finds)].map(({ 0: found, index }): Found => ({
        ...{ kind, start: index, end: index + found.length, from: found, sure },
        to: becomes(found),
      })),
    ),
    ...spelling(text, from, to),
    ...datesAndTimes(text, from, to),
    ...measures(text, from, to),
  ].sort((one, other) => one.start - other.start || other.end - one.end);
  let end = 0;
  return all
    .filter((one) => {
      if (one.start < end) return false;
      end = one.end;
      return true;
    })
    .map((one) => (isQuoted(text, one.start) ? { ...one, sure: false } : one));
}

const count = (text: string, sign: string) => text.split(sign).length - 1;

/** Inside “ ”: somebody's own words, which are not changed by themselves. */
const isQuoted = (text: string, at: number): boolean => count(text.slice(0, at), "“") > count(text.slice(0, at), "”");
