import type { Drawing } from "../drawing/drawing";
import { silence } from "../media/shipped";
import { emptyChoice } from "../question/empty-choices";
import { questionsOf, type Document, type Licence, type Step } from "./document";
import { filmProblem } from "./film";
import { inLanguage } from "../content/language";
import type { Question } from "../question/question";
import { isBlank } from "../content/rich-text";
import { undecidedVoices } from "./voices";
import { hasRightWord } from "../question/word-list";

export interface Unfinished {
  step: string | null;
  /** The block of the step, where it is about one. */
  block?: string;
  /** A licence that would do, for a press. */
  licence?: Licence;
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
        found.push({ step: step.id, block: block.id, problem: "A picture has no description." });
      }
      if (block.type === "drawing")
        for (const problem of drawingProblems(block.drawing, document.languages))
          found.push({ step: step.id, block: block.id, problem });
      if (block.type === "film") {
        const wrong = filmProblem(block);
        if (wrong) found.push({ step: step.id, block: block.id, problem: wrong });
        if (block.stops.some(({ link }) => link && !inLanguage(link.label, document.languages)?.trim()))
          found.push({ step: step.id, block: block.id, problem: "A link in a film says nothing." });
      }
      if (block.type === "sound" && block.media === silence)
        found.push({ step: step.id, block: block.id, problem: "Nothing has been recorded to listen to." });
      if (block.type === "link" && !inLanguage(block.label, document.languages)?.trim())
        found.push({ step: step.id, block: block.id, problem: "A link says nothing." });
      if (block.type === "maths" && !block.tex.trim())
        found.push({ step: step.id, block: block.id, problem: "Maths is empty." });
    }
    for (const { tool, block } of toolsOf(step))
      if (tool.tool === "ruler" && !inLanguage(tool.description, document.languages)?.trim())
        found.push({ step: step.id, block, problem: "A picture to measure has no description." });
    for (const { question, block } of askedIn(step)) {
      if (isBlank(inLanguage(question.prompt, document.languages)) && question.type !== "gaps") {
        found.push({ step: step.id, block, problem: "A question asks nothing yet." });
      }
      const shown = question.type === "labels" || (question.type === "sketch" && question.over !== undefined);
      if (shown && !inLanguage(question.description, document.languages)?.trim())
        found.push({ step: step.id, block, problem: "A picture in a question has no description." });
      if (question.type === "sketch" && question.on)
        for (const problem of drawingProblems(question.on, document.languages))
          found.push({ step: step.id, block, problem });
      const answer = missingAnswer(question, document.languages) ?? emptyChoice(question, document.languages);
      if (answer) found.push({ step: step.id, block, problem: answer });
    }
  }
  if (document.vocabulary.some(({ term }) => !term.trim()))
    found.push({ step: null, problem: "A word in the word list is still empty." });
  if (document.edition && !document.edition.work.trim())
    found.push({ step: null, problem: "The book it belongs to has no title." });
  const voices = undecidedVoices(document, owner).map(({ step, block, name }) => ({
    step,
    ...(block && { block }),
    problem: `${name} speaks here: record yours, keep theirs, or take it out.`,
  }));
  return [...found, ...voices];
}

function drawingProblems(drawing: Drawing, languages: readonly string[]): string[] {
  if (drawing.items.length === 0 && !drawing.over) return ["Nothing has been drawn yet."];
  return [
    ...(inLanguage(drawing.description, languages)?.trim() ? [] : ["A drawing has no description."]),
    ...(drawing.items.some((item) => item.type === "words" && !inLanguage(item.text, languages)?.trim())
      ? ["Some words in a drawing are still empty."]
      : []),
  ];
}

const toolsOf = (step: Step) => [
  ...step.blocks.flatMap((block) => (block.type === "manipulative" ? [{ tool: block.tool, block: block.id }] : [])),
  ...askedIn(step).flatMap(({ question, block }) =>
    question.type === "number" && question.tool ? [{ tool: question.tool, block }] : [],
  ),
];

/** The questions of a step, with the block each stands in: itself, or a film. */
const askedIn = (step: Step) =>
  step.blocks.flatMap((block) => questionsOf({ blocks: [block] }).map((question) => ({ question, block: block.id })));

function missingAnswer(question: Question, languages: readonly string[]): string | null {
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
      if (question.gaps.length === 0) return "A passage has no gaps yet.";
      return languages
        .filter((one, nth) => nth === 0 || Boolean(question.passage[one]?.trim()))
        .every((one) => question.gaps.every((gap) => hasRightWord(gap, one, question.spelling)))
        ? null
        : "No word of the list is right in one of the gaps, or not in every language.";
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
      // Each passage has its own words: one that is written in a language wants its marks there.
      return languages.every((one, nth) => {
        const written = nth === 0 || Boolean(question.passage[one]?.trim());
        return !written || (question.right[one]?.length ?? 0) > 0;
      })
        ? null
        : "Nothing in the passage is to be marked, or not in every language.";
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
