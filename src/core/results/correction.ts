import { z } from "zod";
import type { Mark } from "../question/mark";

/**
 * What a teacher changes about a question after it was answered. Nothing that was answered is touched: marks are worked out from the
 * answers, the question and these, and are what they were when it is taken back.
 */
export const Correction = z.discriminatedUnion("kind", [
  /** It counts for nobody. */
  z.object({ kind: z.literal("void") }),
  /** This answer, in words, counts as right as well. */
  z.object({ kind: z.literal("accept"), said: z.string().trim().min(1).max(2000) }),
  /** It is worth this many marks. */
  z.object({ kind: z.literal("marks"), marks: z.number().min(0.5).max(100) }),
]);
export type Correction = z.infer<typeof Correction>;

/** By question, in the order they were made. */
export type Corrections = Readonly<Record<string, readonly Correction[]>>;

const same = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();
const hundredths = (value: number) => Math.round(value * 100) / 100;

/**
 * A mark as it counts. A person's own marks are only voided or rescaled.
 * `corrected({ marks: 1, outOf: 2 }, "", [{ kind: "void" }])` gives `{ marks: 0, outOf: 0 }`.
 */
export function corrected(mark: Mark, said: string, corrections: readonly Correction[] = []): Mark {
  return corrections.reduce<Mark>((so, correction) => {
    switch (correction.kind) {
      case "void":
        return { ...so, marks: so.marks === null ? null : 0, outOf: 0 };
      case "accept":
        return so.marks !== null && same(said, correction.said)
          ? {
              ...{ verdict: "right", marks: so.outOf, outOf: so.outOf },
              parts: Object.fromEntries(Object.keys(so.parts).map((part) => [part, true])),
            }
          : so;
      case "marks": {
        const share = so.marks === null || so.outOf === 0 ? null : so.marks / so.outOf;
        // Voided before: it stays out.
        if (so.outOf === 0) return so;
        return { ...so, marks: share === null ? null : hundredths(share * correction.marks), outOf: correction.marks };
      }
    }
  }, mark);
}

/** Whether a question counts for nobody. `isVoided([])` gives `false`. */
export const isVoided = (corrections: readonly Correction[] = []): boolean =>
  corrections.some(({ kind }) => kind === "void");

/** How many marks a question is worth. `worth(3)` gives `3`. */
export const worth = (marks: number, corrections: readonly Correction[] = []): number =>
  corrections.reduce((so, one) => (one.kind === "void" ? 0 : one.kind === "marks" && so > 0 ? one.marks : so), marks);
