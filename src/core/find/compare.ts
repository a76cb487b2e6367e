import { formatMonths } from "../calendar/format-moment";
import { licenceNames } from "../licence/licence";
import { clockTime } from "../media/captions";
import type { Facts } from "../resource/facts";
import { minutesDisagree } from "../resource/minutes";
import { countryName, languageName } from "../locale/names";
import { deviceName } from "../content/device";
import { formatGradeSpan, formatReadingGrade } from "../content/grade";

/** More columns than this cannot be read beside one another. */
export const MOST_COMPARED = 4;

export interface Candidate {
  facts: Facts;
  author: string;
  usedHere: number;
}

export interface CompareRow {
  what: string;
  /** One for each candidate, in the order given. */
  values: string[];
  differs: boolean;
}

const formatMinutes = ({ minutes, minutesFrom, minutesEstimated }: Facts): string =>
  minutesEstimated !== undefined && minutesDisagree(minutes, minutesEstimated)
    ? `${minutes}, about ${minutesEstimated} going by its steps`
    : minutesFrom === "estimate"
      ? `about ${minutes}`
      : String(minutes);

/**
 * Facts of two to four resources as a table; rows in which they differ are marked.
 * `compareFacts([{ facts, author: "Ana" }, { facts: { ...facts, minutes: 30 }, author: "Ana" }])[0].values` gives `["25", "30"]`.
 */
export function compareFacts(candidates: readonly Candidate[]): CompareRow[] {
  const rows: [what: string, value: (one: Candidate) => string][] = [
    ["Minutes", ({ facts }) => formatMinutes(facts)],
    ["Grades", ({ facts }) => formatGradeSpan(facts.grades)],
    [
      "Reads at",
      ({ facts }) => (facts.readingGrade === null ? "not measured" : formatReadingGrade(facts.readingGrade)),
    ],
    ["Words", ({ facts }) => String(facts.words)],
    ["Steps", ({ facts }) => String(facts.steps)],
    ["Questions", ({ facts }) => `${facts.questions}, ${facts.marks} ${facts.marks === 1 ? "mark" : "marks"}`],
    ["Students", ({ facts }) => [...new Set(facts.doing)].join(", ")],
    [
      "Film",
      ({ facts }) =>
        facts.filmSeconds ? clockTime(facts.filmSeconds) : facts.doing.includes("watch") ? "length not known" : "none",
    ],
    ["Months", ({ facts }) => (facts.months?.length ? formatMonths(facts.months) : "the whole year")],
    ["Standards", ({ facts }) => facts.standards.join(", ") || "none said"],
    ["Languages", ({ facts }) => facts.languages.map(languageName).join(", ")],
    ["Made for", ({ facts }) => countryName(facts.country)],
    ["Devices", ({ facts }) => facts.devices.map(deviceName).join(", ")],
    ["Licence", ({ facts }) => licenceNames[facts.licence]],
    ["Author", ({ author }) => author],
    [
      "Used at your school",
      ({ usedHere }) => (usedHere === 0 ? "not yet" : `${usedHere} ${usedHere === 1 ? "class" : "classes"}`),
    ],
  ];
  return rows.map(([what, value]) => {
    const values = candidates.map(value);
    return { what, values, differs: new Set(values).size > 1 };
  });
}
