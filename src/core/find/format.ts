import { months } from "../calendar/format-moment";
import { formatList } from "../format-list";
import type { Kind, Licence } from "../resource/document";
import { countryName, languageName } from "../locale/names";
import { deviceName } from "../content/device";
import { gradeName } from "../content/grade";
import type { Blank, Need, Shelf } from "./need";

/** Runs of neighbouring grades: "4–5", "K, 3–4". `formatGrades([0, 3, 4])` gives `"K, 3–4"`. */
export function formatGrades(grades: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const grade of [...grades].sort((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last && grade === last[1] + 1) last[1] = grade;
    else runs.push([grade, grade]);
  }
  return runs.map(([from, to]) => (from === to ? gradeName(from) : `${gradeName(from)}–${gradeName(to)}`)).join(", ");
}

const either = (words: readonly string[]) => formatList(words, "or");

export const shelfNames: Record<Shelf, string> = {
  satchel: "my satchel",
  staffroom: "the staffroom",
  district: "the district shelf",
  commons: "the commons",
};

/** Where something is that is on a shelf. */
export const atShelf: Record<Shelf, string> = {
  satchel: "in my satchel",
  staffroom: "in the staffroom",
  district: "on the district shelf",
  commons: "in the commons",
};

const kindPlural: Record<Kind, string> = {
  lesson: "lessons",
  activity: "activities",
  reading: "readings",
  quiz: "quizzes",
  film: "films",
  printable: "printables",
  template: "templates",
};

/** `kindName("lesson")` gives `"lessons"`. */
export const kindName = (kind: Kind): string => kindPlural[kind];

/** A licence in few words, for a blank; core/licence has its full name. `licenceWord("CC-BY-4.0")` gives `"CC BY 4.0"`. */
export const licenceWord = (licence: Licence): string =>
  licence === "all-rights-reserved" ? "all rights reserved" : licence.replace(/^CC-/, "CC ").replace(/-(\d)/, " $1");

/** Names only the database knows: of authors, sets and her classes, by id. */
export interface Names {
  authors: Readonly<Record<number, string>>;
  sets: Readonly<Record<number, string>>;
  classes: Readonly<Record<number, string>>;
}
export const noNames: Names = { authors: {}, sets: {}, classes: {} };

/** "2026-11-24T10:20" is "24 Nov 2026". */
const formatIsoDay = (day: string): string =>
  `${Number(day.slice(8, 10))} ${months[Number(day.slice(5, 7)) - 1]} ${day.slice(0, 4)}`;

/** What a blank says when filled, and what it says when not. `formatBlank(need, "grades")` gives `"grades 4–5"`. */
export function formatBlank(need: Need, blank: Blank, names: Names = noNames): string {
  switch (blank) {
    case "kind":
      return either(need.kinds.map(kindName)) || "anything";
    case "words":
      return need.words.trim() || "anything";
    case "grades":
      return need.grades.length
        ? `${need.grades.length === 1 ? "grade" : "grades"} ${formatGrades(need.grades)}`
        : "any grade";
    case "subject":
      return either(need.subjects) || "any subject";
    case "minutes":
      return need.minutes !== null ? `up to ${need.minutes} minutes` : "any time";
    case "shelf":
      return need.shelf ? shelfNames[need.shelf] : "every shelf";
    case "language":
      return either(need.languages.map(languageName)) || "any language";
    case "country":
      return either(need.countries.map(countryName)) || "anywhere";
    case "standard":
      return either(need.standards) || "any standard";
    case "licence":
      return either(need.licences.map(licenceWord)) || "any licence";
    case "doing":
      return either(need.doing) || "do anything";
    case "device":
      return either(need.devices.map(deviceName)) || "any device";
    case "author":
      return either(need.authors.map((id) => names.authors[id] ?? "someone")) || "anyone";
    case "topic":
      return either(need.topics) || "any topic";
    case "since":
      return need.since.map(formatIsoDay).join("") || "any day";
    case "uncovered":
      return either(need.uncovered.map((id) => names.classes[id] ?? "a class")) || "any class";
    case "undone":
      return either(need.undone.map((id) => names.classes[id] ?? "a class")) || "any class";
    case "reads":
      return need.reads.map((grade) => `up to grade ${gradeName(grade)}`).join("") || "any grade";
    case "set":
      return either(need.sets.map((id) => `“${names.sets[id] ?? "a set"}”`)) || "any set";
  }
}

/**
 * What a line says that stands for several: "4 versions, 2 at your school", "editions of 2011 and 2023".
 * `formatVersions({ versions: 4, versionsHere: 2, years: [] })` gives `"4 versions, 2 at your school"`.
 */
export function formatVersions({
  versions,
  versionsHere,
  years,
}: {
  versions: number;
  versionsHere: number;
  years: readonly number[];
}): string {
  const editions = years.length > 1 ? `editions of ${formatList(years.map(String))}` : "";
  const many = versions > Math.max(1, years.length) ? `${versions} versions` : "";
  const here = versionsHere > 0 ? `${versionsHere} at your school` : "";
  return [many, editions, here].filter(Boolean).join(", ");
}

/** A count as a person reads it: exact up to ten thousand. `formatCount(9876, "en-GB")` gives `"9,876"`. */
export const formatCount = (count: number, locale: string): string =>
  count > 10_000 ? `${(10_000).toLocaleString(locale)}+` : count.toLocaleString(locale);
