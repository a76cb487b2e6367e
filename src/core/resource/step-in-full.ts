import { languageName } from "../locale/names";
import type { Block } from "./block";
import { questionsOf, type Recording, type Step } from "./document";
import { inLanguage } from "../content/language";
import { kindOf } from "../question/kinds";
import { fileName } from "../question/wording";
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

const settings = (step: Step): string =>
  [
    step.minutes === undefined ? "no minutes stated" : `${step.minutes} min`,
    step.phase,
    workNames[step.work],
    seenBy[step.audience],
    ...(step.locked ? ["locked"] : []),
  ].join(" · ");

function questionDetails(question: Question, languages: readonly string[]): string[] {
  const said = (name: string, text: Question["prompt"] | undefined) => {
    const words = plainText(inLanguage(text, languages));
    return words.trim() ? [`${name}: ${words}`] : [];
  };
  return [
    ...(kindOf(question).lines?.(question as never, languages) ?? []),
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
 * `stepInFull(lesson.steps[0], ["en"]).includes("twice a day")` gives `true`.
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
