import type { Activity } from "../content/vocabulary";
import type { Option, Question, QuestionOf, QuestionType, ResponseOf } from "./question";

/**
 * Everything the core knows of one type of question, in one place: `types/<type>/`. The schema is in a file beside it, since pages
 * that show a question need not load what checks one. `kinds.ts` lists them all.
 */
export interface QuestionKind<Type extends QuestionType> {
  /** What it is called in the editor. */
  name: string;
  /** What students do in it; searched for and counted. */
  activity: Activity;
  /** An empty one, ready to be written. */
  empty(asked: Asked, make: Make): QuestionOf<Type>;
  /** What must not be missing before it is published, as a sentence; null when nothing is. */
  missing?(question: QuestionOf<Type>, languages: readonly string[]): string | null;
  /** The lists students choose from. */
  lists?(question: QuestionOf<Type>): ChoiceList[];
  /** Whether there is nothing in a response; without it, an empty list, text or record. */
  isBlank?(response: ResponseOf<Type>): boolean;
  /** How much of it is right. Without it a person reads the answer, or (a poll) nobody marks it. */
  mark?: Marker<Type>;
  /** A response on one line, as a person would write it down. */
  formatResponse(question: QuestionOf<Type>, response: ResponseOf<Type>, languages: readonly string[]): string;
  /** The right answer on one line; for what a person reads, what that means. */
  formatAnswer(question: QuestionOf<Type>, languages: readonly string[]): string;
  /** What may go to students: nothing of what is right. */
  withoutAnswers(question: QuestionOf<Type>): QuestionOf<Type>;
  /** Ids and orders that could tell what is right, and how they go to students under other names. */
  disguised?: Disguised<Type>;
  /** What there is to read aloud beside the prompt, in the order it is read. */
  aloud?(question: QuestionOf<Type>, languages: readonly string[]): Said[];
  /** What there is to choose from or to read beside the prompt, a line each: what two revisions are compared by. */
  lines?(question: QuestionOf<Type>, languages: readonly string[]): string[];
}

/** What every question begins with. */
export type Asked = Pick<Question, "id" | "prompt" | "marks" | "partial" | "checked">;

/** What an empty question is made with: new ids, and texts in the language that is written. */
export interface Make {
  id: () => string;
  text: (words: string) => Record<string, string>;
  option: () => Option;
  language: string;
}

export interface ChoiceList {
  options: readonly Option[];
  /** What one of them is called. */
  name: string;
  /** Two may say the same: two pebbles are sorted one after the other. */
  alike?: boolean;
}

/** Of the whole, 0 to 1; and for questions with parts, which were right, by the id of the part. */
export interface Share {
  share: number;
  parts: Record<string, boolean>;
}

/** `language`: a BCP 47 tag that decides the decimal sign, and which of the passages was read. */
export type Marker<Type extends QuestionType> = (
  question: QuestionOf<Type>,
  response: ResponseOf<Type>,
  language: string,
) => Share;

/** One thing of what is read aloud: words for the device's voice, somebody's recording, or silence where a gap is. */
export type Said =
  { text: string } | { recording: string; /** What is said in it. */ lines: string[] } | { pause: number };

type HasId = { id: string };
/** Names that students see, by the document's own. */
export type Names = ReadonlyMap<string, string>;

export interface Disguised<Type extends QuestionType> {
  /** What an answer names first, and second. */
  of(question: QuestionOf<Type>): { first: readonly HasId[]; second: readonly HasId[] };
  /** The question under other names. */
  question(question: QuestionOf<Type>, first: Names, second: Names): QuestionOf<Type>;
  /** An answer with each id put through `one` (what is named first) or `other`. It may be anything: it is not checked yet. */
  response(value: unknown, one: (id: unknown) => unknown, other: (id: unknown) => unknown): unknown;
}
