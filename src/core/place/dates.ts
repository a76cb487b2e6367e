import type { Found } from "./find-changes";
import type { Place } from "./places";

const MONTHS =
  "January|February|March|April|May|June|July|August|September|October|November|December|Jan|Feb|Mar|Apr|Jun|Jul|Aug|Sept|Sep|Oct|Nov|Dec";
const MONTH_FIRST = new RegExp(
  `(?<!\\p{L})(${MONTHS}) (\\d{1,2})(st|nd|rd|th)?(?:, (\\d{4}))?(?![\\p{L}\\p{N}:])`,
  "gu",
);
const DAY_FIRST = new RegExp(
  `(?<![\\p{N}.,:])(\\d{1,2})(st|nd|rd|th)? (${MONTHS})(?: (\\d{4}))?(?![\\p{L}\\p{N}])`,
  "gu",
);
const IN_FIGURES = /(?<![\d/])(\d{1,2})\/(\d{1,2})\/(\d{4}|\d{2})(?![\d/])/gu;
const TWELVE = /(?<![\p{N}:.,])(\d{1,2}):(\d{2})\s?([ap])\.?m\b\.?/giu;
const TWENTY_FOUR = /(?<![\p{N}:.,])(\d{1,2}):(\d{2})(?![:\p{N}]|\s?[ap]\.?m)/giu;

const isDay = (day: number) => day >= 1 && day <= 31;
const isMonth = (month: number) => month >= 1 && month <= 12;

/**
 * Dates in the order of a place, and hours by its clock. What could be read in two ways is asked about.
 * `datesAndTimes("on 12/25/2026", america, britain)[0].to` gives `"25/12/2026"`.
 */
export function datesAndTimes(text: string, from: Place, to: Place): Found[] {
  const found: Found[] = [];
  const add = (kind: "dates" | "times", match: RegExpExecArray | RegExpMatchArray, becomes: string, sure: boolean) => {
    const start = match.index ?? 0;
    if (match[0] !== becomes)
      found.push({ kind, start, end: start + match[0].length, from: match[0], to: becomes, sure });
  };
  if (from.dates !== to.dates) {
    if (from.dates === "month first")
      for (const match of text.matchAll(MONTH_FIRST)) {
        const [, month, day, th = "", year] = match;
        // "May 5 of you …": a month that is a word as well, without a year, may be none.
        if (isDay(Number(day)))
          add("dates", match, [`${day}${th}`, month, year].filter(Boolean).join(" "), month !== "May" || Boolean(year));
      }
    else
      for (const match of text.matchAll(DAY_FIRST)) {
        const [, day, th = "", month, year] = match;
        if (isDay(Number(day))) add("dates", match, `${month} ${day}${th}${year ? `, ${year}` : ""}`, true);
      }
    for (const match of text.matchAll(IN_FIGURES)) {
      const [, one, two, year] = match;
      const [month, day] = (from.dates === "month first" ? [one, two] : [two, one]).map(Number) as [number, number];
      if (isMonth(month) && isDay(day)) add("dates", match, `${two}/${one}/${year}`, day > 12);
    }
  }
  if (from.clock === 12 && to.clock === 24)
    for (const match of text.matchAll(TWELVE)) {
      const hour = (Number(match[1]) % 12) + (match[3]!.toLowerCase() === "p" ? 12 : 0);
      if (Number(match[1]) <= 12 && Number(match[2]) < 60) add("times", match, `${hour}:${match[2]}`, true);
    }
  if (from.clock === 24 && to.clock === 12)
    for (const match of text.matchAll(TWENTY_FOUR)) {
      const hour = Number(match[1]);
      // Below one in the afternoon "9:15" is said everywhere.
      if (hour >= 13 && hour < 24 && Number(match[2]) < 60) add("times", match, `${hour - 12}:${match[2]} PM`, true);
    }
  return found;
}
