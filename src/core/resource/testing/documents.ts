import type { Document, Step } from "../document";
import { parseDocument } from "../schema/document";

/** A lesson of the given steps, right in all that a test does not ask about. */
export const lessonOf = (steps: Step[], more: Partial<Document> = {}): Document =>
  parseDocument({
    schema: 1,
    languages: ["en"],
    title: { en: "Tides" },
    kind: "lesson",
    grades: { from: 4, to: 5 },
    subjects: ["science"],
    licence: "CC-BY-4.0",
    steps,
    ...more,
  });
