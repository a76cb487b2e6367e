import { countries, type Country, type Device } from "../find/also";
import { belongsTo, type Sign } from "../locale/country";
import { readingGrade } from "../readability/grade";
import { activitiesIn, type Activity } from "./activity";
import type { Block } from "./block";
import {
  allQuestions,
  type Document,
  type GradeSpan,
  type Kind,
  type Licence,
  type Step,
  type Subject,
} from "./document";
import { inLanguage } from "./language";
import { readByPerson, type Question } from "./question";
import { plainText } from "./rich-text";

/** What a line of results shows; computed from the document, never typed in twice. */
export interface Facts {
  title: string;
  summary: string;
  kind: Kind;
  languages: string[];
  grades: GradeSpan;
  subjects: Subject[];
  /** Stated minutes, else the sum of the steps', else an estimate. */
  minutes: number;
  minutesFrom: "stated" | "steps" | "estimate";
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
  /** Printed pages, estimated. */
  pages: number;
  topics: string[];
}

/** What a line of a list shows of them. */
export type LineFacts = Pick<
  Facts,
  "title" | "languages" | "grades" | "minutes" | "doing" | "readingGrade" | "country"
>;

/** `doing` has each activity once, in the order it first comes. */
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

/** Common practice: silent reading in primary school, words a minute, and minutes for each question. Films and sounds take their time. */
const WORDS_A_MINUTE = 100;
const MINUTES_A_QUESTION = 1.5;
const MINUTES_TO_WRITE = 8;

function blockWords(block: Block, languages: readonly string[]): string {
  switch (block.type) {
    case "text":
      return plainText(inLanguage(block.text, languages));
    case "picture":
      return inLanguage(block.caption, languages) ?? "";
    case "question":
      return plainText(inLanguage(block.question.prompt, languages));
    default:
      return "";
  }
}

const isForStudents = (step: Step): boolean => step.audience !== "teacher";

/** Prompts by themselves are too short and too many to say how hard a text is: without anything else to read there is no grade. */
const FEWEST_BESIDE_PROMPTS = 30;

/** The running text students read: instructions, texts and prompts; a paragraph a line. */
export function studentText(document: Document): string {
  return document.steps
    .filter(isForStudents)
    .flatMap((step) => [
      plainText(inLanguage(step.instructions, document.languages)?.text),
      ...step.blocks.map((block) => blockWords(block, document.languages)),
    ])
    .filter((text) => text.trim() !== "")
    .join("\n");
}

/** Enough connected text to measure by itself; instructions and prompts are short sentences and would make it look easier. */
const ENOUGH_TO_READ = 60;

/** What the reading grade is measured on: the texts to read if there are any, else everything students read. */
export function measuredText(document: Document): string {
  const texts = document.steps
    .filter(isForStudents)
    .flatMap((step) =>
      step.blocks.flatMap((block) =>
        block.type === "text" ? [plainText(inLanguage(block.text, document.languages))] : [],
      ),
    )
    .join("\n");
  if (countWords(texts) >= ENOUGH_TO_READ) return texts;
  const withoutPrompts = document.steps
    .filter(isForStudents)
    .map((step) => plainText(inLanguage(step.instructions, document.languages)?.text))
    .join("\n");
  return countWords(texts) + countWords(withoutPrompts) >= FEWEST_BESIDE_PROMPTS ? studentText(document) : "";
}

const countWords = (text: string): number => text.match(/\p{L}[\p{L}\p{M}'’-]*/gu)?.length ?? 0;

/** No longer than its time, where it has one. */
const minutesToAnswer = ({ type, seconds }: Question): number =>
  Math.min(readByPerson(type) ? MINUTES_TO_WRITE : MINUTES_A_QUESTION, (seconds ?? Infinity) / 60);

function minutesOf(document: Document, words: number): Pick<Facts, "minutes" | "minutesFrom"> {
  if (document.minutes !== undefined) return { minutes: document.minutes, minutesFrom: "stated" };
  const steps = document.steps.filter((step) => step.minutes !== undefined);
  if (steps.length > 0 && steps.length === document.steps.length) {
    return {
      minutes: Math.max(
        1,
        steps.reduce((sum, step) => sum + step.minutes!, 0),
      ),
      minutesFrom: "steps",
    };
  }
  const asked = allQuestions(document);
  const answering = asked.reduce((sum, { question }) => sum + minutesToAnswer(question), 0);
  const estimate = words / WORDS_A_MINUTE + answering + sumOver(document, mediaSeconds) / 60;
  return { minutes: Math.max(1, Math.round(estimate)), minutesFrom: "estimate" };
}

const MOST_SIGNS = 8;

const sumOver = (document: Document, seconds: (block: Block) => number): number =>
  document.steps
    .filter(isForStudents)
    .reduce((sum, { blocks }) => sum + blocks.reduce((all, one) => all + seconds(one), 0), 0);

const soundSeconds = (block: Block): number => (block.type === "sound" ? (block.seconds ?? 0) : 0);

/** What students listen to and watch. Of a film only a part with an end has a known length. */
const mediaSeconds = (block: Block): number =>
  block.type === "film" && block.to !== undefined ? Math.max(0, block.to - (block.from ?? 0)) : soundSeconds(block);

const audioOf = (document: Document): number =>
  Math.round(
    sumOver(document, soundSeconds) +
      document.steps.reduce(
        (sum, step) => sum + (inLanguage(step.instructions, document.languages)?.recording?.seconds ?? 0),
        0,
      ),
  );

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
    pages: Math.max(1, Math.ceil(words / WORDS_A_PAGE + asked.length / QUESTIONS_A_PAGE)),
    topics: document.topics,
  };
}

/** The texts the search weighs, heaviest first: title, summary with topics and vocabulary, the author, everything else. */
export function searchTexts(document: Document): { title: string; about: string; body: string } {
  const every = (byLanguage: Record<string, string>) => Object.values(byLanguage).join(" ");
  return {
    title: every(document.title),
    about: [
      every(document.summary),
      document.kind,
      ...document.topics,
      ...document.subjects,
      ...document.standards.map((standard) => standard.code),
      ...document.vocabulary.map((word) => word.term),
    ].join(" "),
    body: [...document.steps.map((step) => every(step.title)), studentText(document)].join(" "),
  };
}
