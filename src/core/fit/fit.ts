import { gradeName, formatReadingGrade } from "../content/grade";
import { countryName, languageName, type Country } from "../locale/names";
import type { Device } from "../content/device";
import { foreignSigns } from "../locale/country";
import type { Facts } from "../resource/facts";

/** What is known about a class that decides whether something fits it. */
export interface ClassProfile {
  name: string;
  periodMinutes: number;
  grades: { from: number; to: number };
  /** Reading grades of the weakest and the strongest reader; null: nobody measured. */
  reading: { from: number; to: number } | null;
  languages: readonly string[];
  devices: readonly Device[];
  country: Country;
  /** Codes this class has met already. */
  covered: readonly string[];
}

export type Aspect = "length" | "reading" | "grade" | "standards" | "country" | "language" | "devices";

export interface FitReason {
  aspect: Aspect;
  /** 2 fits, 1 with some care, 0 does not. */
  level: 0 | 1 | 2;
  text: string;
}

export interface Fit {
  /** "fits": nothing in the way; "with care"; "does not": something would go wrong in the lesson. */
  verdict: "fits" | "with care" | "does not";
  reasons: FitReason[];
  /** 0 to 1, for sorting only; never shown without the reasons. */
  order: number;
}

/**
 * What weighs how much in the order. Common practice: a text too hard or a lesson too long spoils the hour; another
 * country's coins or a missing standard can be mended. Sum 1.
 */
export const weights: Record<Aspect, number> = {
  reading: 0.25,
  length: 0.2,
  grade: 0.2,
  standards: 0.12,
  language: 0.1,
  country: 0.08,
  devices: 0.05,
};

function fitLength(facts: Facts, period: number): FitReason {
  const text = `${facts.minutes} of your ${period} minutes`;
  if (facts.minutes <= period) return { aspect: "length", level: 2, text };
  const lessons = Math.ceil(facts.minutes / period);
  return {
    aspect: "length",
    level: facts.minutes <= period * 2 ? 1 : 0,
    text: `takes ${facts.minutes} minutes: ${lessons} of your periods`,
  };
}

/** Two grades below the weakest reader is written for younger children. */
const FAR_BELOW = 2;

/** Common practice: half a grade above the strongest reader is still read with help, more than one and a half is not. */
function fitReading(facts: Facts, reading: ClassProfile["reading"], name: string): FitReason | null {
  if (facts.readingGrade === null || reading === null) return null;
  const range = `${name} reads at ${reading.from.toFixed(1)} to ${reading.to.toFixed(1)}`;
  const grade = formatReadingGrade(facts.readingGrade);
  if (facts.readingGrade > reading.to + 1.5)
    return { aspect: "reading", level: 0, text: `reads at ${grade}, far above everyone: ${range}` };
  if (facts.readingGrade > reading.to)
    return { aspect: "reading", level: 1, text: `reads at ${grade}, above your strongest: ${range}` };
  if (facts.readingGrade < reading.from - FAR_BELOW)
    return { aspect: "reading", level: 1, text: `reads at ${grade}, far below everyone: ${range}` };
  const middle = (reading.from + reading.to) / 2;
  return facts.readingGrade > middle
    ? { aspect: "reading", level: 1, text: `reads at ${grade}, hard for half of them: ${range}` }
    : { aspect: "reading", level: 2, text: `reads at ${grade}, ${range}` };
}

function fitGrade(facts: Facts, grades: ClassProfile["grades"]): FitReason {
  const overlap = facts.grades.from <= grades.to && facts.grades.to >= grades.from;
  const whole = facts.grades.from <= grades.from && facts.grades.to >= grades.to;
  const meant =
    facts.grades.from === facts.grades.to
      ? `grade ${gradeName(facts.grades.from)}`
      : `grades ${gradeName(facts.grades.from)} to ${gradeName(facts.grades.to)}`;
  const away = overlap ? 0 : Math.min(Math.abs(facts.grades.from - grades.to), Math.abs(grades.from - facts.grades.to));
  if (whole) return { aspect: "grade", level: 2, text: `made for ${meant}` };
  return { aspect: "grade", level: overlap || away === 1 ? 1 : 0, text: `made for ${meant}` };
}

function fitStandards(facts: Facts, covered: readonly string[]): FitReason | null {
  if (facts.standards.length === 0) return null;
  const open = facts.standards.filter((code) => !covered.includes(code));
  return open.length > 0
    ? { aspect: "standards", level: 2, text: `covers ${open.join(", ")}, not met yet` }
    : { aspect: "standards", level: 1, text: `${facts.standards.join(", ")} again: met already` };
}

function fitCountry(facts: Facts, home: Country): FitReason {
  if (facts.country === home) return { aspect: "country", level: 2, text: `made for ${countryName(home)}` };
  if (facts.country === "any") return { aspect: "country", level: 2, text: "nothing in it belongs to another country" };
  const signs = foreignSigns(facts.signs, home)
    .slice(0, 3)
    .map((sign) => sign.text);
  return {
    aspect: "country",
    level: 1,
    text: `made for ${countryName(facts.country)}${signs.length > 0 ? `: ${signs.join(", ")}` : ""}`,
  };
}

function fitLanguage(facts: Facts, languages: readonly string[]): FitReason {
  const shared = facts.languages.filter((tag) => languages.includes(tag.split("-")[0]!));
  const [first] = facts.languages;
  return shared.length > 0
    ? { aspect: "language", level: 2, text: `in ${shared.map(languageName).join(" and ")}` }
    : { aspect: "language", level: 0, text: `in ${languageName(first!)}, which the class does not read` };
}

function fitDevices(facts: Facts, has: readonly Device[]): FitReason | null {
  const needed = facts.devices.filter((device) => device !== "any" && device !== "none");
  const missing = needed.filter((device) => !has.includes(device));
  if (missing.length > 0) return { aspect: "devices", level: 0, text: `needs a ${missing.join(" and a ")}` };
  return needed.length > 0 ? { aspect: "devices", level: 2, text: `you have the ${needed.join(", ")} it needs` } : null;
}

/**
 * How one resource suits one class: a statement for each thing that can be said, those in the way first.
 * `fitOf({ ...facts, minutes: 90 }, group).verdict` gives `"with care"`.
 */
export function fitOf(facts: Facts, group: ClassProfile): Fit {
  const reasons = [
    fitLength(facts, group.periodMinutes),
    fitReading(facts, group.reading, group.name),
    fitGrade(facts, group.grades),
    fitStandards(facts, group.covered),
    fitCountry(facts, group.country),
    fitLanguage(facts, group.languages),
    fitDevices(facts, group.devices),
  ].filter((reason) => reason !== null);
  const weighed = reasons.reduce((sum, reason) => sum + weights[reason.aspect], 0);
  const order = reasons.reduce((sum, reason) => sum + (weights[reason.aspect] * reason.level) / 2, 0) / weighed;
  // Met already is no harm: it only puts what is still open before it.
  const worst = Math.min(...reasons.filter((reason) => reason.aspect !== "standards").map((reason) => reason.level));
  return {
    verdict: worst === 2 ? "fits" : worst === 1 ? "with care" : "does not",
    reasons: [...reasons].sort((one, other) => one.level - other.level),
    order,
  };
}
