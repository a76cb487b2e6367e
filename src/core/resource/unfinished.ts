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
    case "order":
      return question.items.length >= 2 && question.right.length === question.items.length
        ? null
        : "An order needs two items or more.";
    default:
      return null;
  }
}
