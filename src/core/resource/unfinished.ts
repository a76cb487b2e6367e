import { allQuestions, type Document } from "./document";
import { inLanguage } from "./language";
import { isBlank } from "./rich-text";

export interface Unfinished {
  step: string | null;
  problem: string;
}

/** What stands in the way of publishing: said as a sentence, with the step it is about. */
export function unfinished(document: Document): Unfinished[] {
  const found: Unfinished[] = [];
  if (!inLanguage(document.title, document.languages)?.trim())
    found.push({ step: null, problem: "The resource has no title." });
  if (document.steps.length === 0) found.push({ step: null, problem: "There are no steps yet." });
  for (const step of document.steps) {
    for (const block of step.blocks) {
      if (block.type === "picture" && !block.decorative && !inLanguage(block.description, document.languages)?.trim()) {
        found.push({ step: step.id, problem: "A picture has no description." });
      }
      if (block.type !== "question") continue;
      const { question } = block;
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
  return found;
}

function missingAnswer(question: ReturnType<typeof allQuestions>[number]["question"]): string | null {
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
    default:
      return null;
  }
}
