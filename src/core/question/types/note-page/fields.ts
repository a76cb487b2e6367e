import { noteTemplates } from "../../../content/vocabulary";
import { inLanguage } from "../../../content/language";
import type { QuestionOf } from "../../question";

export type NoteTemplate = (typeof noteTemplates)[number];

export interface NoteField {
  id: string;
  /** Said to those who do not see where it stands, and shown over it. */
  name: string;
}

/** What stands over the parts of a page when nothing else is written there (common practice of these organisers). */
export const usualHeadings: Record<NoteTemplate, readonly string[]> = {
  blank: ["Notes"],
  "two columns": ["What it says", "What I think", "In one sentence"],
  compare: ["Only the first", "Both", "Only the second"],
  sequence: [],
  "word map": ["The word", "around it"],
  "data table": ["What", "First", "Second"],
};

/** How many headings she may write: of a table, its columns. `headingsOf({ template: "two columns", headings: [] })` gives `3`. */
export const headingsOf = ({ template, headings }: Pick<QuestionOf<"notePage">, "template" | "headings">): number =>
  template === "data table" ? Math.max(2, headings.length || 3) : usualHeadings[template].length;

/**
 * What a field is headed: as the teacher wrote, else as its template has it.
 * `headingAt({ template: "two columns", headings: [] }, 0, ["en"])` gives `"What it says"`.
 */
export function headingAt(question: QuestionOf<"notePage">, at: number, languages: readonly string[]): string {
  return inLanguage(question.headings[at], languages)?.trim() || (usualHeadings[question.template][at] ?? `${at + 1}`);
}

/**
 * The fields of a page; ids are stable for one template, so answers stay when a heading is rewritten.
 * `fieldsOf({ template: "blank", headings: [], count: 1 }, ["en"])` gives `[{ id: "notes", name: "Notes" }]`.
 */
export function fieldsOf(question: QuestionOf<"notePage">, languages: readonly string[]): NoteField[] {
  const heading = (at: number) => headingAt(question, at, languages);
  const numbers = Array.from({ length: question.count }, (_, at) => at + 1);
  switch (question.template) {
    case "blank":
      return [{ id: "notes", name: heading(0) }];
    case "two columns":
      return [
        ...numbers.flatMap((row) => [
          { id: `left-${row}`, name: `${heading(0)}, ${row}` },
          { id: `right-${row}`, name: `${heading(1)}, ${row}` },
        ]),
        { id: "sum", name: heading(2) },
      ];
    case "compare":
      return ["first", "both", "second"].map((id, at) => ({ id, name: heading(at) }));
    case "sequence":
      return numbers.map((nth) => ({ id: `box-${nth}`, name: `${nth}` }));
    case "word map":
      return [
        { id: "centre", name: heading(0) },
        ...numbers.map((nth) => ({ id: `around-${nth}`, name: `${heading(1)}, ${nth}` })),
      ];
    case "data table":
      return numbers.flatMap((row) =>
        Array.from({ length: headingsOf(question) }, (_, column) => ({
          id: `cell-${row}-${column + 1}`,
          name: `${heading(column)}, row ${row}`,
        })),
      );
  }
}
