import type { Question } from "../question/question";
import { allQuestions, type Document } from "./document";

type Alignment = Document["standards"][number];

/**
 * Codes of what the questions of a document ask about; where it asks nothing, of all it teaches or assesses.
 * `codesAsked(lesson)` gives `[]`.
 */
export function codesAsked(document: Document): string[] {
  const asked = allQuestions(document).flatMap(({ question }) => standardsOf(document, question));
  const about = asked.length > 0 ? asked : document.standards.filter(({ relation }) => relation !== "requires");
  return [...new Set(about.map(({ code }) => code))];
}

/**
 * The statements an answer to a question is evidence for: those the question names, where its resource is aligned to them;
 * otherwise all that the resource assesses, and where it says nothing of that, all it teaches. What it only requires is none.
 * `standardsOf({ standards: [{ framework: "x", code: "A1", relation: "requires" }] }, question)` gives `[]`.
 */
export function standardsOf(document: Pick<Document, "standards">, question: Pick<Question, "standards">): Alignment[] {
  const about = document.standards.filter(({ relation }) => relation !== "requires");
  const named = about.filter(({ code }) => question.standards?.includes(code));
  const assessed = about.filter(({ relation }) => relation === "assesses");
  const chosen = named.length > 0 ? named : assessed.length > 0 ? assessed : about;
  // Taught and assessed: it is one statement.
  return chosen.filter(
    (one, at) => chosen.findIndex(({ framework, code }) => framework === one.framework && code === one.code) === at,
  );
}
