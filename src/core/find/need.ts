import { activities, type Activity } from "../content/vocabulary";
import type { Kind, Licence, Subject } from "../resource/document";
import { kinds, licences, subjects } from "../content/vocabulary";
import { idFrom } from "../ids";
import { countries, isLanguage, type Country, type Language } from "../locale/names";
import { devices, type Device } from "../content/device";

/** The need line: what she looks for, as a sentence with blanks. Its text form is the address of the page. */
export const shelves = ["satchel", "staffroom", "district", "commons"] as const;
export type Shelf = (typeof shelves)[number];

/** "Up to 20 minutes"; the last is everything longer than the one before. */
export const lengthLimits = [10, 15, 20, 30, 45, 60, 90] as const;

export interface Need {
  words: string;
  kinds: Kind[];
  grades: number[];
  subjects: Subject[];
  /** At most this many minutes; null: any time. */
  minutes: number | null;
  shelf: Shelf | null;
  languages: Language[];
  countries: Country[];
  /** Codes of statements; what stands below one in the tree counts as well. */
  standards: string[];
  licences: Licence[];
  doing: Activity[];
  devices: Device[];
  /** Ids of people and partner organisations. */
  authors: number[];
  topics: string[];
  /** A curated set, by id. */
  sets: number[];
  /** Ids of her classes: what has a statement that one of them has not met yet. */
  uncovered: number[];
  /** Ids of her classes: what neither of them was assigned in any version. */
  undone: number[];
  /** Text that can be read in this grade; one at the most. */
  reads: number[];
  /** What could first be found after this day or moment (UTC), "2026-11-24" or "2026-11-24T10:20"; one at the most. */
  since: string[];
}

export const anyNeed: Need = {
  words: "",
  kinds: [],
  grades: [],
  subjects: [],
  minutes: null,
  shelf: null,
  languages: [],
  countries: [],
  standards: [],
  licences: [],
  doing: [],
  devices: [],
  authors: [],
  topics: [],
  sets: [],
  uncovered: [],
  undone: [],
  reads: [],
  since: [],
};

export const LONGEST_WORDS = 200;
const MOST_CHOICES = 40;

type Parameters = Record<string, string | string[] | undefined>;

/** The blanks that hold a list: their name in the address, their field, and what of a text they know. */
const oneOf =
  <Value extends string>(known: readonly Value[]) =>
  (text: string): Value | undefined =>
    known.find((value) => value === text);
const gradeIn = (text: string) => (/^\d{1,2}$/.test(text) && Number(text) <= 12 ? Number(text) : undefined);
const textIn = (text: string) => (text.length > 0 && text.length <= 80 ? text : undefined);

const dayIn = (text: string) =>
  /^20\d\d-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])(?:T[0-2]\d:[0-5]\d)?$/.test(text) &&
  !Number.isNaN(Date.parse(text))
    ? text
    : undefined;

const lists = {
  kind: ["kinds", oneOf(kinds)],
  grades: ["grades", gradeIn],
  subject: ["subjects", oneOf(subjects)],
  language: ["languages", (text) => (isLanguage(text) ? text : undefined)],
  country: ["countries", oneOf(countries)],
  standard: ["standards", textIn],
  licence: ["licences", oneOf(licences)],
  doing: ["doing", oneOf(activities)],
  device: ["devices", oneOf(devices)],
  author: ["authors", idFrom],
  topic: ["topics", textIn],
  set: ["sets", idFrom],
  uncovered: ["uncovered", idFrom],
  undone: ["undone", idFrom],
  reads: ["reads", gradeIn],
  since: ["since", dayIn],
} as const satisfies Record<string, readonly [keyof Need, (text: string) => string | number | undefined]>;

export type ListBlank = keyof typeof lists;
const listBlanks = Object.keys(lists) as ListBlank[];

/** Those behind "and also…": said only when filled. */
export const alsoBlanks = [
  "topic",
  "standard",
  "uncovered",
  "undone",
  "reads",
  "language",
  "doing",
  "device",
  "country",
  "licence",
  "author",
  "set",
  "since",
] as const satisfies readonly ListBlank[];
export type AlsoBlank = (typeof alsoBlanks)[number];

/** In the order the sentence says them. */
export const blanks = ["kind", "words", "grades", "subject", "minutes", "shelf", ...alsoBlanks] as const;
export type Blank = (typeof blanks)[number];

/** What a list blank holds, as texts. `chosenIn(need, "grades")` gives `["4", "5"]`. */
export const chosenIn = (need: Need, blank: ListBlank): string[] => need[lists[blank][0]].map(String);

/**
 * The need with a list blank holding exactly these; texts the blank does not know are left out.
 * `withChosen(need, "grades", ["5", "3", "?"]).grades` gives `[3, 5]`.
 */
export function withChosen(need: Need, blank: ListBlank, texts: readonly string[]): Need {
  const [field, known] = lists[blank] as readonly [keyof Need, (text: string) => string | number | undefined];
  const values = [...new Set(texts.map((text) => known(text)).filter((value) => value !== undefined))];
  // Of two days, or two grades to read at, the one chosen last is meant.
  if (blank === "since" || blank === "reads") values.splice(0, values.length - 1);
  if (blank === "grades") (values as number[]).sort((a, b) => a - b);
  return { ...need, [field]: values.slice(0, MOST_CHOICES) };
}

/** `toggled(need, "grades", "4").grades` gives `[5]`. */
export function toggled(need: Need, blank: ListBlank, value: string): Need {
  const chosen = chosenIn(need, blank);
  return withChosen(need, blank, chosen.includes(value) ? chosen.filter((one) => one !== value) : [...chosen, value]);
}

// A list stands in the address with commas between; a comma that belongs to a text is written otherwise.
const written = (text: string) => text.replace(/[%,]/g, (sign) => (sign === "," ? "%2C" : "%25"));
const readBack = (text: string) => text.replace(/%2C|%25/g, (sign) => (sign === "%2C" ? "," : "%"));

/**
 * Reads an address; what it does not know it leaves out, so an old or mistyped link still opens.
 * `needFromParameters({ words: "tides", grades: "4,5" })` gives `need`.
 */
export function needFromParameters(parameters: Parameters): Need {
  const first = (name: string) => [parameters[name]].flat()[0] ?? "";
  const minutes = Number(first("minutes"));
  const need: Need = {
    ...anyNeed,
    words: first("words").slice(0, LONGEST_WORDS),
    minutes: (lengthLimits as readonly number[]).includes(minutes) ? minutes : null,
    shelf: shelves.find((shelf) => shelf === first("shelf")) ?? null,
  };
  return listBlanks.reduce(
    (read, blank) => withChosen(read, blank, [parameters[blank] ?? []].flat().join(",").split(",").map(readBack)),
    need,
  );
}

/** `needToParameters(need).get("grades")` gives `"4,5"`. */
export function needToParameters(need: Need): URLSearchParams {
  const parameters = new URLSearchParams();
  if (need.words.trim()) parameters.set("words", need.words.trim());
  for (const blank of listBlanks) {
    const chosen = chosenIn(need, blank);
    if (chosen.length > 0) parameters.set(blank, chosen.map(written).join(","));
  }
  if (need.minutes !== null) parameters.set("minutes", String(need.minutes));
  if (need.shelf) parameters.set("shelf", need.shelf);
  return parameters;
}

const isList = (blank: Blank): blank is ListBlank => blank in lists;

/** `isFilled(need, "shelf")` gives `false`. */
export function isFilled(need: Need, blank: Blank): boolean {
  if (isList(blank)) return need[lists[blank][0]].length > 0;
  if (blank === "words") return need.words.trim() !== "";
  return need[blank as "minutes" | "shelf"] !== null;
}

/** `isAnything(need)` gives `false`. */
export const isAnything = (need: Need): boolean => !blanks.some((blank) => isFilled(need, blank));

/** `emptied(need, "words").words` gives `""`. */
export function emptied(need: Need, blank: Blank): Need {
  if (isList(blank)) return { ...need, [lists[blank][0]]: [] };
  return { ...need, [blank]: blank === "words" ? "" : null };
}
