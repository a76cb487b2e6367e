import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";
import { questionsOf, type Document } from "../resource/document";
import { factsOf } from "../resource/facts";

/** Things a family may need, by what students do in a resource. */
export const familyThings = ["paper", "coloured", "camera", "microphone", "screen", "printer"] as const;
export type FamilyThing = (typeof familyThings)[number];

/** An activity as a family does it at home: without the teacher's part and without answers. */
export interface FamilyEdition {
  minutes: number;
  ready: FamilyThing[];
  /** What to do, in order; "" where a step has no words of its own. */
  steps: { id: string; title: string; say: string }[];
  /** What the child can be asked at the end, to see that it went well; null: nothing is asked. */
  ask: string | null;
}

const needs: Readonly<Record<string, FamilyThing>> = {
  sketch: "coloured",
  photo: "camera",
  speech: "microphone",
  clip: "camera",
};

/**
 * What to have ready, what to do, how long it takes and what to ask, in the language that is read first.
 * `familyEdition(lesson, ["en"]).ready` gives `["paper"]`.
 */
export function familyEdition(document: Document, languages: readonly string[]): FamilyEdition {
  const steps = document.steps.filter(({ audience }) => audience !== "teacher");
  const asked = steps.flatMap((step) => questionsOf(step).map((question) => ({ step, question })));
  const found = new Set<FamilyThing>(asked.length > 0 ? ["paper"] : []);
  for (const { question } of asked) if (needs[question.type]) found.add(needs[question.type]!);
  if (steps.some(({ blocks }) => blocks.some(({ type }) => ["film", "sound", "manipulative", "link"].includes(type))))
    found.add("screen");
  if (document.devices.includes("printer")) found.add("printer");
  // A checking step asks what was learnt; else the last thing that is asked.
  const last = asked.findLast(({ step }) => step.phase === "check" || step.phase === "close") ?? asked.at(-1);
  return {
    minutes: factsOf(document).minutes,
    ready: familyThings.filter((thing) => found.has(thing)),
    steps: steps.map(({ id, title, instructions }) => ({
      id,
      title: inLanguage(title, languages) ?? "",
      say: plainText(inLanguage(instructions, languages)?.text),
    })),
    ask: last ? plainText(inLanguage(last.question.prompt, languages)) || null : null,
  };
}
