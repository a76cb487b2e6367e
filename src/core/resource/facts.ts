import { countries, type Country } from "../locale/names";
import type { Device } from "../content/device";
import { belongsTo, type Sign } from "../locale/country";
import { readingGrade } from "../readability/grade";
import { activitiesIn } from "./activity";
import type { Activity } from "../content/vocabulary";
import { allQuestions, type Document, type GradeSpan, type Kind, type Licence, type Subject } from "./document";
import { everyText } from "./every-text";
import { inLanguage } from "../content/language";
import { filmSeconds, minutesOf, soundSeconds, sumOver, type Minutes } from "./minutes";
import { readByPerson } from "../question/mark";
import { countWords, isForStudents, measuredText, studentText } from "./student-text";

/** What a line of results shows; computed from the document, never typed in twice. */
export interface Facts extends Minutes {
  title: string;
  summary: string;
  kind: Kind;
  languages: string[];
  grades: GradeSpan;
  subjects: Subject[];
  words: number;
  questions: number;
  marks: number;
  /** Steps students see. */
  steps: number;
  /** What those ask for, step by step: what each is about first. */
  doing: Activity[];
  /** Reading grade of what students read; null where there is too little text or no formula for the language. */
  readingGrade: number | null;
  readingFormula: string | null;
  licence: Licence;
  standards: string[];
  devices: Device[];
  /** Stated, or found by what in the text belongs to one country only. */
  country: Country;
  /** What speaks of a country: at most eight, each wording once. */
  signs: Sign[];
  /** Seconds of sound and recorded instructions. */
  audioSeconds: number;
  /** Seconds of film, as far as their lengths are known. Facts of long ago have none, nor months. */
  filmSeconds?: number;
  /** Months 1-12 it belongs to; none: to the whole year. */
  months?: number[];
  /** Printed pages, estimated. */
  pages: number;
  topics: string[];
}

/** What a line of a list shows of them. */
export type LineFacts = Pick<
  Facts,
  "title" | "languages" | "grades" | "minutes" | "doing" | "readingGrade" | "country"
>;

/** `doing` has each activity once, in the order it first comes. `lineFacts({ doing: ["read", "read"] }).doing` gives `["read"]`. */
export const lineFacts = ({ title, languages, grades, minutes, doing, readingGrade, country }: Facts): LineFacts => ({
  title,
  languages,
  grades,
  minutes,
  doing: [...new Set(doing)],
  readingGrade,
  country,
});

/** Common practice for a printed page a child reads: some 250 words, or five questions with room to answer. */
const WORDS_A_PAGE = 250;
const QUESTIONS_A_PAGE = 5;

const MOST_SIGNS = 8;

const audioOf = (document: Document): number =>
  Math.round(
    sumOver(document, soundSeconds) +
      document.steps.reduce(
        (sum, step) => sum + (inLanguage(step.instructions, document.languages)?.recording?.seconds ?? 0),
        0,
      ),
  );

/** `factsOf(lesson).questions` gives `1`. */
export function factsOf(document: Document): Facts {
  const text = studentText(document);
  const words = countWords(text);
  const asked = allQuestions(document);
  const measured = readingGrade(measuredText(document), document.languages[0]!);
  const belonging = belongsTo(text, document.languages[0]!);
  const stated = countries.find((country) => country === document.region?.slice(0, 2));
  return {
    title: inLanguage(document.title, document.languages) || "Untitled",
    summary: inLanguage(document.summary, document.languages) ?? "",
    kind: document.kind,
    languages: document.languages,
    grades: document.grades,
    subjects: document.subjects,
    ...minutesOf(document, words),
    words,
    questions: asked.length,
    marks: asked.reduce((sum, { question }) => sum + (readByPerson(question.type) ? 0 : question.marks), 0),
    steps: document.steps.filter(isForStudents).length,
    doing: document.steps.filter(isForStudents).flatMap(activitiesIn),
    readingGrade: measured?.grade ?? null,
    readingFormula: measured?.formula ?? null,
    licence: document.licence,
    standards: document.standards.map((standard) => standard.code),
    devices: document.devices,
    country: stated ?? belonging.country,
    signs: belonging.signs.slice(0, MOST_SIGNS),
    audioSeconds: audioOf(document),
    filmSeconds: Math.round(sumOver(document, filmSeconds)),
    months: document.months ?? [],
    pages: Math.max(1, Math.ceil(words / WORDS_A_PAGE + asked.length / QUESTIONS_A_PAGE)),
    topics: document.topics,
  };
}

/** The texts the search weighs, heaviest first; the author comes between the last two. */
export interface SearchTexts {
  title: string;
  /** Summary, topics, codes, the words of its word list. */
  about: string;
  /** Everything else there is to read. */
  body: string;
}

/**
 * What of a document is written in one language; what belongs to none is found with the first.
 * `searchTextsIn(lesson, "en").title` gives `"Tides"`.
 */
export function searchTextsIn(document: Document, language: string): SearchTexts {
  const first = language === document.languages[0];
  return {
    title: document.title[language] ?? "",
    about: [
      document.summary[language] ?? "",
      ...document.vocabulary.map((word) => word.meaning[language] ?? ""),
      ...(first
        ? [
            document.kind,
            ...document.topics,
            ...document.subjects,
            ...document.standards.map((standard) => standard.code),
            ...document.vocabulary.map((word) => word.term),
          ]
        : []),
    ].join(" "),
    body: everyText(document, language),
  };
}

/** The same of all its languages together. `searchTexts(lesson).title.trim()` gives `"Tides"`. */
export function searchTexts(document: Document): SearchTexts {
  const each = document.languages.map((language) => searchTextsIn(document, language));
  const of = (name: keyof SearchTexts) => each.map((texts) => texts[name]).join(" ");
  return { title: of("title"), about: of("about"), body: of("body") };
}
