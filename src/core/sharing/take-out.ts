import type { Document } from "../resource/document";
import { removeBlock } from "../resource/edit";

/**
 * A document without what keeps it from going farther: a block of a step, or (no block) what others say there in recordings. As it was
 * when there is no such part.
 * `withoutPart(lesson, { step: "ask", block: "block" }, 0).steps[1].blocks` gives `[]`.
 *
 * @example withoutPart(document, { step: "s2", block: "b1" }, 7)
 */
export function withoutPart(document: Document, part: { step: string; block: string | null }, by: number): Document {
  return {
    ...document,
    steps: document.steps.map((step) => {
      if (step.id !== part.step) return step;
      if (part.block !== null) return removeBlock(step, part.block);
      const instructions = Object.entries(step.instructions).map(([language, { recording, ...written }]) => [
        language,
        recording && recording.by === by ? { ...written, recording } : written,
      ]);
      return { ...step, instructions: Object.fromEntries(instructions) as typeof step.instructions };
    }),
  };
}
