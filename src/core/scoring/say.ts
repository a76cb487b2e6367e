import { inLanguage } from "../resource/language";
import { passageParts, responseSchemas, type Option, type Question } from "../resource/question";

/** Responses and right answers as a person would write them down: for results, CSV and the light table. */

const named = (options: readonly Option[], id: string, languages: readonly string[]): string => {
  const option = options.find((candidate) => candidate.id === id);
  return option ? (inLanguage(option.text, languages) ?? id) : "?";
};

/** One line of text; "" for no answer. */
export function sayResponse(question: Question, value: unknown, languages: readonly string[]): string {
  if (!responseSchemas[question.type].safeParse(value).success) return "";
  switch (question.type) {
    case "choice":
      return named(question.options, value as string, languages);
    case "choices":
      return (value as string[]).map((id) => named(question.options, id, languages)).join(" · ");
    case "shortText":
    case "longText":
      return value as string;
    case "number": {
      const given = value as Record<string, { number: string; unit?: string }>;
      return question.parts
        .filter((part) => given[part.id]?.number)
        .map((part) => [given[part.id]!.number, given[part.id]!.unit ?? part.unit].filter(Boolean).join(" "))
        .join(" ");
    }
    case "gaps": {
      const given = value as Record<string, string>;
      return question.gaps.map((gap) => given[gap.id] || "–").join(" · ");
    }
    case "match":
      return (value as [string, string][])
        .map(([left, right]) => `${named(question.left, left, languages)} → ${named(question.right, right, languages)}`)
        .join(" · ");
    case "order":
      return (value as string[]).map((id) => named(question.items, id, languages)).join(" → ");
  }
}

/** The right answer; for questions a person reads, what that means. */
export function sayAnswer(question: Question, languages: readonly string[]): string {
  switch (question.type) {
    case "choice":
      return question.right ? named(question.options, question.right, languages) : "no answer given";
    case "choices":
      return question.right.map((id) => named(question.options, id, languages)).join(" · ");
    case "shortText":
      return question.accepted.map((answer) => answer.text + (answer.share < 1 ? " (in part)" : "")).join(" or ");
    case "number":
      return question.parts
        .map((part) => {
          const unit = part.unit ?? part.units?.[0]?.name;
          const value = [part.right.toLocaleString(languages[0]), unit].filter(Boolean).join(" ");
          return part.tolerance ? `${value} (${part.tolerance} either way)` : value;
        })
        .join(" ");
    case "gaps": {
      const passage = inLanguage(question.passage, languages) ?? "";
      const order = passageParts(passage).flatMap((part) => ("gap" in part ? [part.gap] : []));
      return order
        .map((id) => question.gaps.find((gap) => gap.id === id))
        .map((gap) => gap?.accepted.join(" or ") ?? "?")
        .join(" · ");
    }
    case "match":
      return question.pairs
        .map(([left, right]) => `${named(question.left, left, languages)} → ${named(question.right, right, languages)}`)
        .join(" · ");
    case "order":
      return question.right.map((id) => named(question.items, id, languages)).join(" → ");
    case "longText":
      return "In the student's own words; a person reads it.";
  }
}
