import { languageName } from "../find/also";
import type { Block } from "./block";
import { questionsOf, type Recording, type Step } from "./document";
import { inLanguage } from "../content/language";
import type { Question } from "../question/question";
import { plainText } from "../content/rich-text";
import { stepText } from "./words-changed";
import { workNames } from "./work";

const seenBy = { student: "for students", teacher: "only for the teacher", both: "for everybody" } as const;
const checkedWhen = {
  "at once": "checked at once",
  "at the end": "checked at the end",
  "after due": "checked after the due date",
  never: "not checked",
} as const;

/** A shipped file by its name, a stored one by the beginning of its hash: enough to see that it is another. */
const fileName = (media: string) => (media.includes(":") ? media.split(":")[1]! : media.slice(0, 8));

const settings = (step: Step): string =>
  [
    step.minutes === undefined ? "no minutes stated" : `${step.minutes} min`,
    step.phase,
    workNames[step.work],
    seenBy[step.audience],
    ...(step.locked ? ["locked"] : []),
  ].join(" · ");

/** What is chosen from, sorted or labelled in a question, each on a line of its own. */
function choices(question: Question, languages: readonly string[]): string[] {
  const list = (
    options: readonly { text: Record<string, string>; picture?: string | undefined }[],
    right?: readonly string[],
  ) =>
    (options as readonly { id?: string; text: Record<string, string>; picture?: string | undefined }[]).map(
      ({ id, text, picture }) =>
        `${right === undefined ? "-" : id !== undefined && right.includes(id) ? "(right)" : "( )"} ${inLanguage(text, languages) ?? ""}${picture ? ` [picture ${fileName(picture)}]` : ""}`,
    );
  switch (question.type) {
    case "choice":
      return list(question.options, question.right ? [question.right] : []);
    case "choices":
      return list(question.options, question.right);
    case "poll":
      return list(question.options);
    case "match":
      return [...list(question.left), ...list(question.right)];
    case "order":
      return list(question.items);
    case "groups":
      return [...list(question.groups), ...list(question.items)];
    case "labels":
      return [
        `[picture ${fileName(question.media)}: ${inLanguage(question.description, languages) ?? ""}]`,
        ...list(question.labels),
      ];
    case "longText":
      return list(question.checklist ?? []);
    case "gaps":
    case "highlight":
      return [inLanguage(question.passage, languages) ?? ""];
    case "cells":
      return (inLanguage(question.rows, languages) ?? []).map((row) => row.join(" | "));
    case "bars":
      return list(question.bars);
    default:
      return [];
  }
}

function questionDetails(question: Question, languages: readonly string[]): string[] {
  const said = (name: string, text: Question["prompt"] | undefined) => {
    const words = plainText(inLanguage(text, languages));
    return words.trim() ? [`${name}: ${words}`] : [];
  };
  return [
    ...choices(question, languages),
    ...said("Hint", question.hint),
    ...said("When right", question.feedback?.right),
    ...said("When not right", question.feedback?.wrong),
    ...said("After any answer", question.feedback?.general),
    ...(inLanguage(question.aloud, languages)?.trim() ? [`Read aloud: ${inLanguage(question.aloud, languages)}`] : []),
    `${checkedWhen[question.checked]} · ${question.partial === "all" ? "all or nothing" : "each part earns its share"}`,
  ];
}

const files = (block: Block): string[] => {
  switch (block.type) {
    case "picture":
      return [`picture ${fileName(block.media)}${block.decorative ? ", decorative" : ""}`];
    case "sound":
      return [`sound ${fileName(block.media)}${block.speaker ? `, spoken by ${block.speaker.name}` : ""}`];
    case "film":
      return [
        `film ${fileName(block.media)}${block.from === undefined ? "" : `, from ${block.from} s`}${block.to === undefined ? "" : `, to ${block.to} s`}`,
        ...Object.keys(block.captions).map((language) => `captions in ${languageName(language)}`),
      ];
    case "file":
      return [`file ${fileName(block.media)}`];
    case "maths":
      return [block.tex];
    default:
      return [];
  }
};

const spoken = (recording: Recording | undefined) =>
  recording ? [`spoken by ${recording.name} (${fileName(recording.media)})`] : [];

/**
 * Everything there is to a step, a line each: what is read in it, in every language it is written in, then choices, hints, feedback,
 * pictures, voices and settings. Two steps that differ in anything a teacher can change differ here.
 */
export function stepInFull(step: Step, languages: readonly string[]): string {
  const [first, ...others] = languages;
  const details = (only: readonly string[]) => questionsOf(step).flatMap((question) => questionDetails(question, only));
  const translated = others.flatMap((language) => {
    const words = [stepText(step, [language]), ...details([language])].join("\n");
    const written = [step.title[language], step.instructions[language], ...Object.values(step.teacherNotes ?? {})];
    return written.some(Boolean) ? [`In ${languageName(language)}:`, words] : [];
  });
  return [
    stepText(step, languages),
    ...details(languages),
    ...step.blocks.flatMap(files),
    ...spoken(step.instructions[first!]?.recording),
    settings(step),
    ...translated,
  ]
    .filter((line) => line.trim() !== "")
    .join("\n");
}
