import { z } from "zod";
import { inLanguage, readFirst } from "../content/language";
import { progressOf, standingOf, type Criterion, type Point } from "./progress";

const line = z.string().min(1).max(400);

/** A letter about results in one language, as its file says it; "{student}" and the like stand for what is said of the child. */
export const ResultLetterText = z
  .object({
    greeting: line,
    opening: line,
    /** What stands for {works}: of one, and of {count}. */
    oneWork: line,
    works: line,
    nothing: line,
    can: line,
    onTheWay: line,
    needsTime: line,
    met: line,
    working: line,
    results: line,
    marks: line,
    /** Said where statements stand in another language than the letter; empty: never. */
    english: z.string().max(400),
    /** An activity to do at home; empty: such a letter speaks of none. */
    home: z.string().max(400).default(""),
    closing: line,
  })
  .superRefine((text, context) => {
    for (const [word] of Object.values(text)
      .join(" ")
      .matchAll(/\{\w{1,20}\}/g))
      if (!/^\{(?:student|className|from|to|works|count|gained|outOf|activity|minutes)\}$/.test(word))
        context.addIssue({ code: "custom", message: `Nothing is known for ${word}.` });
  });
export type ResultLetterText = z.infer<typeof ResultLetterText>;
export type ResultLetters = Readonly<Record<string, ResultLetterText>>;

/** Something to do at home: its title by language, and how long it takes. */
export interface HomeActivity {
  resource: number;
  languages: string[];
  title: Record<string, string>;
  minutes: number;
}

/** What there is to say of one child. */
export interface LetterResults {
  /** As the family calls the child. */
  student: string;
  className: string;
  /** The first and the last day it is about, ISO 8601. */
  from: string;
  to: string;
  points: readonly Point[];
  standards: readonly { code: string; statement: string; points: readonly Point[] }[];
  goals: readonly { goal: string; closed: boolean; criterion: Criterion | null; points: readonly Point[] }[];
}

/** What a teacher puts into a letter. */
export interface LetterParts {
  standards: boolean;
  goals: boolean;
  results: boolean;
}

export interface LetterSection {
  heading: string;
  lines: string[];
}

export interface ResultLetter {
  language: string;
  greeting: string;
  opening: string;
  sections: LetterSection[];
  /** That some of it stands in another language; empty: nothing does. */
  remark: string;
  /** What to do at home; empty: nothing. */
  home: string;
  closing: string;
}

/** From these shares of the last results on, as in coverage. */
const HALF = 0.5;
const DONE = 0.8;
const FIRST = "en";

/**
 * The letter in the family's language, where there is one, else in English. Only what has results is spoken of.
 * `resultLetter({ en: { greeting: "Dear family of {student}", nothing: "No results yet.", works: "", closing: "" } }, { student: "Ana", points: [], standards: [], goals: [] }, {}, "es", String).opening` gives `"No results yet."`.
 */
export function resultLetter(
  letters: ResultLetters,
  of: LetterResults,
  parts: LetterParts,
  language: string | null,
  formatDate: (date: string, language: string) => string,
  home: HomeActivity | null = null,
): ResultLetter {
  const chosen = [language, language?.split("-")[0]].find((one) => one && letters[one]) ?? FIRST;
  const text = letters[chosen]!;
  const facts: Record<string, string> = {
    ...{ student: of.student, className: of.className },
    works: of.points.length === 1 ? text.oneWork : text.works.replace("{count}", String(of.points.length)),
    ...{ from: formatDate(of.from, chosen), to: formatDate(of.to, chosen) },
  };
  const filled = (pattern: string, more: Record<string, string> = {}) =>
    pattern.replace(/\{(\w{1,20})\}/g, (whole, name: string) => more[name] ?? facts[name] ?? whole);
  const levelled = of.standards.flatMap(({ code, statement, points }) => {
    const { level } = progressOf(points);
    return level === null ? [] : [{ said: statement || code, level }];
  });
  const section = (pattern: string, lines: string[]): LetterSection[] =>
    lines.length === 0 ? [] : [{ heading: filled(pattern), lines }];
  const between = (from: number, to: number) =>
    levelled.filter(({ level }) => level >= from && level < to).map(({ said }) => said);
  const own = of.goals.map(({ goal, closed, criterion, points }) => ({
    goal,
    met: criterion ? standingOf(points, criterion).met !== null : closed,
  }));
  const sections = [
    ...(parts.standards
      ? [
          ...section(text.can, between(DONE, Infinity)),
          ...section(text.onTheWay, between(HALF, DONE)),
          ...section(text.needsTime, between(0, HALF)),
        ]
      : []),
    ...(parts.goals
      ? [
          ...section(
            text.met,
            own.filter(({ met }) => met).map(({ goal }) => goal),
          ),
          ...section(
            text.working,
            own.filter(({ met }) => !met).map(({ goal }) => goal),
          ),
        ]
      : []),
    ...(parts.results
      ? section(
          text.results,
          of.points.map(
            ({ title, gained, outOf }) => `${title}: ${filled(text.marks, { gained: `${gained}`, outOf: `${outOf}` })}`,
          ),
        )
      : []),
  ];
  return {
    ...{ language: chosen, sections, greeting: filled(text.greeting), closing: text.closing },
    opening: filled(of.points.length === 0 ? text.nothing : text.opening),
    remark: parts.standards && levelled.length > 0 ? text.english : "",
    home: home
      ? filled(text.home, {
          activity: inLanguage(home.title, readFirst(home.languages, chosen)) ?? "",
          minutes: String(home.minutes),
        })
      : "",
  };
}
