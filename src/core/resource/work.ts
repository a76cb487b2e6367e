import type { Document } from "./document";
import { works } from "../content/vocabulary";

export type Work = (typeof works)[number];

export const workNames: Readonly<Record<Work, string>> = {
  alone: "alone",
  pairs: "in pairs",
  groups: "in groups",
  class: "the whole class",
};

/** Of single steps, by step id: how students work there, otherwise than the document says. */
export type StepWork = Readonly<Record<string, Work>>;

/**
 * A document as one class does it. Step ids survive adapting, so that this holds for every version given.
 * `withWork(lesson, { ask: "pairs" }).steps[1].work` gives `"pairs"`.
 */
export function withWork(document: Document, stepWork: StepWork | null): Document {
  if (!stepWork) return document;
  return {
    ...document,
    steps: document.steps.map((step) => ({ ...step, work: stepWork[step.id] ?? step.work })),
  };
}

/**
 * What is said of changed steps: "step 2 in pairs", "step 2 of “Tides” in pairs". Steps are counted as students see them.
 * `formatStepWork(lesson, { ask: "pairs" })` gives `["step 2 in pairs"]`.
 */
export function formatStepWork(document: Pick<Document, "steps">, stepWork: StepWork, of = ""): string[] {
  return document.steps
    .filter((step) => step.audience !== "teacher")
    .flatMap((step, at) => {
      const work = stepWork[step.id];
      if (!work || work === step.work) return [];
      return [`step ${at + 1}${of} ${work === "class" ? "with the whole class" : workNames[work]}`];
    });
}
