import type { Drawing } from "../drawing/drawing";
import { silence } from "../media/shipped";
import { missingAnswer } from "../question/missing-answer";
import { questionsOf, type Document, type Licence, type Step } from "./document";
import { filmProblem } from "./film";
import { inLanguage } from "../content/language";
import { isBlank } from "../content/rich-text";
import { undecidedVoices } from "./voices";

export interface Unfinished {
  step: string | null;
  /** The block of the step, where it is about one. */
  block?: string;
  /** A licence that would do, for a press. */
  licence?: Licence;
  problem: string;
}

/**
 * What must be fixed before publishing: said as a sentence, with the step it is about. `owner` is the person whose it is:
 * the voices of others need her leave.
 * `unfinished({ ...lesson, title: { en: " " } }, 1)[0].step` gives `null`.
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
      const shown =
        question.type === "labels" ||
        question.type === "place" ||
        (question.type === "sketch" && question.over !== undefined);
      if (shown && !inLanguage(question.description, document.languages)?.trim())
        found.push({ step: step.id, block, problem: "A picture in a question has no description." });
      if (question.type === "sketch" && question.on)
        for (const problem of drawingProblems(question.on, document.languages))
          found.push({ step: step.id, block, problem });
      if (question.toCheck)
        found.push({
          step: step.id,
          block,
          problem: "The numbers of a question were changed: is its answer still right?",
        });
      const answer = missingAnswer(question, document.languages);
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
