import { silence } from "../media/shipped";
import { readingGrade } from "../readability/grade";
import { questionsOf, type Document, type Step } from "./document";
import { measuredText } from "./facts";
import { filmProblem } from "./film";
import { inLanguage } from "./language";
import type { Question } from "./question";
import { isBlank, plainText } from "./rich-text";
import { translated } from "./translate";
import { undecidedVoices } from "./voices";

export interface Unfinished {
  step: string | null;
  problem: string;
}

/**
 * What stands in the way of publishing: said as a sentence, with the step it is about. `owner` is the person whose it is:
 * the voices of others need her leave.
 */
export function unfinished(document: Document, owner: number): Unfinished[] {
  const found: Unfinished[] = [];
  if (!inLanguage(document.title, document.languages)?.trim())
    found.push({ step: null, problem: "The resource has no title." });
  if (document.steps.length === 0) found.push({ step: null, problem: "There are no steps yet." });
  for (const step of document.steps) {
    for (const block of step.blocks) {
      if (block.type === "picture" && !block.decorative && !inLanguage(block.description, document.languages)?.trim()) {
        found.push({ step: step.id, problem: "A picture has no description." });
      }
      if (block.type === "film") {
        const wrong = filmProblem(block);
        if (wrong) found.push({ step: step.id, problem: wrong });
        if (block.stops.some(({ link }) => link && !inLanguage(link.label, document.languages)?.trim()))
          found.push({ step: step.id, problem: "A link in a film says nothing." });
      }
      if (block.type === "sound" && block.media === silence)
        found.push({ step: step.id, problem: "Nothing has been recorded to listen to." });
      if (block.type === "link" && !inLanguage(block.label, document.languages)?.trim())
        found.push({ step: step.id, problem: "A link says nothing." });
      if (block.type === "maths" && !block.tex.trim()) found.push({ step: step.id, problem: "Maths is empty." });
    }
    for (const tool of toolsOf(step))
      if (tool.tool === "ruler" && !inLanguage(tool.description, document.languages)?.trim())
        found.push({ step: step.id, problem: "A picture to measure has no description." });
    for (const question of questionsOf(step)) {
      if (isBlank(inLanguage(question.prompt, document.languages)) && question.type !== "gaps") {
        found.push({ step: step.id, problem: "A question asks nothing yet." });
      }
      const shown = question.type === "labels" || (question.type === "sketch" && question.over !== undefined);
      if (shown && !inLanguage(question.description, document.languages)?.trim())
        found.push({ step: step.id, problem: "A picture in a question has no description." });
      const answer = missingAnswer(question);
      if (answer) found.push({ step: step.id, problem: answer });
    }
  }
  const voices = undecidedVoices(document, owner).map(({ step, name }) => ({
    step,
    problem: `${name} speaks here: record yours, keep theirs, or take it out.`,
  }));
  return [...found, ...voices];
}

const toolsOf = (step: Step) => [
  ...step.blocks.flatMap((block) => (block.type === "manipulative" ? [block.tool] : [])),
  ...questionsOf(step).flatMap((question) => (question.type === "number" && question.tool ? [question.tool] : [])),
];

/** What is written for teachers, in the languages of the demo. Words that stand over answers and notes, not any mention. */
const forTeachers =
  /\b(answer key|answers? for the teacher|teacher['’]?s? notes?|notes? for teachers?|clave de respuestas|notas? para (?:el|la) docente|soluciones para el profesor)\b/iu;

const stepWords = (step: Step, languages: readonly string[]): string =>
  [
    plainText(inLanguage(step.instructions, languages)?.text),
    ...step.blocks.map((block) => (block.type === "text" ? plainText(inLanguage(block.text, languages)) : "")),
  ].join("\n");

/** Places inside this application that students have. Anything else a link leads to inside it is not there for them. */
const placesOfStudents = /^\/(help|student)(\/|$)/;

function addressesIn(value: unknown): string[] {
  if (Array.isArray(value)) return value.flatMap(addressesIn);
  if (typeof value !== "object" || value === null) return [];
  const { type, attrs } = value as { type?: unknown; attrs?: { href?: unknown } };
  if (type === "link" && typeof attrs?.href === "string") return [attrs.href];
  return Object.values(value).flatMap(addressesIn);
}

/** How far above the grade a text may read before it is worth a word: formulas differ by as much. */
const GRADES_ABOVE = 1;

/** What is worth a look before it goes out, and stops nothing. */
export function remarks(document: Document): Unfinished[] {
  const found: Unfinished[] = [];
  const { languages } = document;
  const measured = readingGrade(measuredText(document), languages[0]!);
  if (measured && measured.grade > document.grades.to + GRADES_ABOVE)
    found.push({
      step: null,
      problem: `It reads like grade ${Math.round(measured.grade)} (${measured.formula}); it is for grade ${document.grades.to === 0 ? "K" : document.grades.to} at most.`,
    });
  for (const step of document.steps) {
    for (const block of step.blocks) {
      if (block.type === "film" && Object.keys(block.captions).length === 0)
        found.push({ step: step.id, problem: "A film has no captions." });
      if (block.type === "sound" && block.media !== silence && !inLanguage(block.transcript, languages)?.trim())
        found.push({ step: step.id, problem: "What is said in a sound is not written down." });
    }
    if (step.audience === "teacher") continue;
    if (forTeachers.test(stepWords(step, languages)))
      found.push({ step: step.id, problem: "Students would read something written for teachers." });
    if (addressesIn(step).some((address) => address.startsWith("/") && !placesOfStudents.test(address)))
      found.push({ step: step.id, problem: "A link leads to a page students do not have." });
  }
  for (const language of languages.slice(1)) {
    const { written, all } = translated(document, language);
    if (written < all)
      found.push({ step: null, problem: `${all - written} of ${all} texts are not written in “${language}” yet.` });
  }
  return found;
}

function missingAnswer(question: Question): string | null {
  switch (question.type) {
    case "choice":
      return question.right && question.options.some((option) => option.id === question.right)
        ? null
        : "A choice has no right answer.";
    case "choices":
      return question.right.length > 0 ? null : "A question with several choices has no right answer.";
    case "shortText":
      return question.accepted.some((answer) => answer.text.trim()) ? null : "A short answer has no accepted answer.";
    case "gaps":
      return question.gaps.length > 0 ? null : "A passage has no gaps yet.";
    case "match":
      return question.left.every((item) => question.pairs.some(([left]) => left === item.id))
        ? null
        : "Something to match has no partner.";
    case "groups":
      return question.groups.length < 2
        ? "There is only one group to sort into."
        : question.items.every((item) => question.right.some(([id]) => id === item.id))
          ? null
          : "Something to sort belongs to no group.";
    case "labels":
      return question.spots.length === 0
        ? "Nothing in the picture is to be labelled yet."
        : question.spots.every((spot) => question.right.some(([id]) => id === spot.id))
          ? null
          : "A place in the picture has no label.";
    case "line":
      return question.right >= question.axis.from && question.right <= question.axis.to
        ? null
        : "The right number is not on the line.";
    case "bars":
      return question.bars.every((bar) => bar.right >= question.axis.from && bar.right <= question.axis.to)
        ? null
        : "A bar is higher than the scale.";
    case "points":
      return question.right.length > 0 ? null : "No point is asked for.";
    case "highlight":
      return Object.values(question.right).some((places) => places.length > 0)
        ? null
        : "Nothing in the passage is to be marked.";
    case "cells":
      return question.gaps.length > 0 ? null : "No cell of the table is to be filled.";
    case "order":
      return question.items.length >= 2 && question.right.length === question.items.length
        ? null
        : "An order needs two items or more.";
    case "poll":
      return question.options.length >= 2 ? null : "A poll has only one answer.";
    default:
      return null;
  }
}
