import { questionsOf, withQuestions, type Document, type Step } from "./document";
import { marksAfterEdit } from "../question/types/gaps/edit-passage";
import { isBlank, isRichText, type RichText } from "../content/rich-text";
import { isChosen } from "../question/types/gaps/word-list";

/**
 * Every text of a step that exists by language, found by its shape, so that no kind of block or question is forgotten: an
 * object whose keys are languages of the document and whose values are texts, rich texts or rows of cells.
 */
export interface Translatable {
  /** Where it is: keys and places from the step down, for example ["blocks", 0, "question", "options", 2, "text"]. */
  path: (string | number)[];
  /** A cell of a table has its row and column behind the language. */
  cell?: [row: number, column: number];
  kind: "plain" | "rich";
  original: string | RichText;
  /** Undefined: not written yet. */
  translation: string | RichText | undefined;
}

// References to files by language are no texts; instructions hold a recording beside theirs.
const notTexts = new Set(["captions", "origin", "teacherNotes", "instructions"]);

const isBlankText = (value: string | RichText): boolean =>
  typeof value === "string" ? value.trim() === "" : isBlank(value);

type ByLanguage = Record<string, string | RichText | string[][]>;

function byLanguage(value: unknown, languages: readonly string[]): value is ByLanguage {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return false;
  const entries = Object.entries(value);
  return (
    entries.length > 0 &&
    entries.every(
      ([key, inner]) => languages.includes(key) && (typeof inner === "string" || isRichText(inner) || isRows(inner)),
    )
  );
}

const isRows = (value: unknown): value is string[][] =>
  Array.isArray(value) && value.length > 0 && value.every((row) => Array.isArray(row));

/**
 * The texts of a step that say something in the first language, in the order they are read, with what they say in `to`.
 * `translatables(lesson.steps[0], ["en"], "es").length` gives `2`.
 */
export function translatables(step: Step, languages: readonly string[], to: string): Translatable[] {
  const [from] = languages as [string];
  const found: Translatable[] = [];
  const look = (value: unknown, path: (string | number)[]): void => {
    if (byLanguage(value, languages)) {
      const original = value[from];
      if (isRows(original)) {
        const rows = isRows(value[to]) ? value[to] : undefined;
        original.forEach((row, at) =>
          row.forEach((text, column) => {
            if (text.trim() && !/^[\d.,:\s–-]+$|^\[\[[A-Za-z0-9_-]+\]\]$/.test(text))
              found.push({
                path,
                cell: [at, column],
                kind: "plain",
                original: text,
                translation: rows?.[at]?.[column],
              });
          }),
        );
      } else if (original !== undefined && !isBlankText(original)) {
        const there = value[to] as string | RichText | undefined;
        found.push({
          path,
          kind: isRichText(original) ? "rich" : "plain",
          original,
          translation: there === undefined || isBlankText(there) ? undefined : there,
        });
      }
    } else if (Array.isArray(value)) value.forEach((inner, at) => look(inner, [...path, at]));
    else if (typeof value === "object" && value !== null)
      for (const [key, inner] of Object.entries(value)) if (!notTexts.has(key)) look(inner, [...path, key]);
  };
  look({ title: step.title }, []);
  look({ blocks: step.blocks }, []);
  return found;
}

/**
 * The step with one text written in a language. A table that has no rows in it yet gets those of the first language.
 * `withTranslation(lesson.steps[0], { path: ["title"] }, "es", "Mira", "en").title` gives `{ en: "Look", es: "Mira" }`.
 */
export function withTranslation(
  step: Step,
  { path, cell }: Pick<Translatable, "path" | "cell">,
  language: string,
  text: string | RichText,
  from: string,
): Step {
  const put = (value: unknown, [key, ...rest]: readonly (string | number)[]): unknown => {
    if (key === undefined) {
      const texts = value as ByLanguage;
      if (!cell) return { ...texts, [language]: text };
      const rows = (texts[language] ?? texts[from]) as string[][];
      const [row, column] = cell;
      return { ...texts, [language]: rows.with(row, rows[row]!.with(column, text as string)) };
    }
    if (Array.isArray(value)) return value.with(key as number, put(value[key as number], rest));
    const holder = value as Record<string, unknown>;
    return { ...holder, [key]: put(holder[key], rest) };
  };
  return marksFollow(step, put(step, path) as Step, language);
}

/** Words that were marked as right move along with the passage they stand in. */
const marksFollow = (before: Step, after: Step, language: string): Step => {
  const passages = new Map(
    questionsOf(before).flatMap((one) => (one.type === "highlight" ? [[one.id, one.passage[language] ?? ""]] : [])),
  );
  return withQuestions(after, (question) => {
    if (question.type !== "highlight") return question;
    const [was, is, marked] = [
      passages.get(question.id) ?? "",
      question.passage[language] ?? "",
      question.right[language],
    ];
    if (was === is || !marked) return question;
    return { ...question, right: { ...question.right, [language]: marksAfterEdit(was, is, question.unit, marked) } };
  });
};

/**
 * How far a language is: texts that are written, of all there are, instructions counted.
 * `translated(withLanguage(lesson, "es"), "es").written` gives `0`.
 */
export function translated(document: Document, language: string): { written: number; all: number } {
  const [from] = document.languages as [string];
  let [written, all] = [0, 0];
  for (const step of document.steps) {
    const said = step.instructions[from];
    if (said && !isBlank(said.text)) {
      all += 1;
      if (!isBlank(step.instructions[language]?.text)) written += 1;
    }
    for (const question of questionsOf(step)) {
      if (question.type !== "gaps" || !isChosen(question.gaps)) continue;
      all += 1;
      if (question.gaps.some((gap) => (gap.optionsIn?.[language]?.length ?? 0) > 0)) written += 1;
    }
    for (const text of translatables(step, document.languages, language)) {
      all += 1;
      if (text.translation !== undefined) written += 1;
    }
  }
  return { written, all };
}

/**
 * A document in one more language, which nothing says anything in yet; the main one stays the first.
 * `withLanguage(lesson, "es").languages` gives `["en", "es"]`.
 */
export const withLanguage = (document: Document, language: string): Document =>
  document.languages.includes(language) ? document : { ...document, languages: [...document.languages, language] };

/**
 * Without a language; what is written in it stays where it is, so that undo is not needed to have it back.
 * `withoutLanguage(withLanguage(lesson, "es"), "es").languages` gives `["en"]`.
 */
export const withoutLanguage = (document: Document, language: string): Document =>
  document.languages[0] === language
    ? document
    : { ...document, languages: document.languages.filter((one) => one !== language) };
