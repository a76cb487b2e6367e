import { plainText } from "../content/rich-text";
import type { Document } from "../resource/document";

/**
 * A document to be read for its own sake: no questions, and no step in which nothing is left.
 * `readOnlyDocument(lesson).steps.map(({ id }) => id)` gives `["look"]`.
 */
export function readOnlyDocument(document: Document): Document {
  const steps = document.steps.map((step) => ({
    ...step,
    blocks: step.blocks.filter((block) => block.type !== "question" && block.type !== "manipulative"),
  }));
  const says = (step: (typeof steps)[number]) =>
    step.blocks.length > 0 || Object.values(step.instructions).some(({ text }) => plainText(text).trim() !== "");
  return { ...document, steps: steps.filter(says) };
}
