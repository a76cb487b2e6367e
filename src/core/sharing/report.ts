import { z } from "zod";

/** What a reader can report of something on a shelf, and what can come of it. */

export const reportKinds = ["wrong", "unsuitable", "rights", "broken"] as const;
export type ReportKind = (typeof reportKinds)[number];
export const reportKindNames: Record<ReportKind, string> = {
  wrong: "an answer or a fact is wrong",
  unsuitable: "it is not suitable for children",
  rights: "it uses something without permission",
  broken: "something does not work",
};

/** What is wrong with something, and in which of its steps; null: with all of it. */
export const ReportInput = z.object({
  resource: z.number().int().positive(),
  kind: z.enum(reportKinds, "Choose what is wrong."),
  step: z.string().max(60).nullable(),
  note: z.string().trim().max(1000, "Keep it under 1,000 characters.").default(""),
});

/** As it is filled in: a list to choose from has no nothing. */
export const TypedReport = ReportInput.extend({ step: z.string().transform((id) => id || null) });

/** "right": it may stay as it is. "mend": its author is asked to fix it. "removed": it is off the shelves curators keep. */
export const reportOutcomes = ["right", "mend", "removed"] as const;
export type ReportOutcome = (typeof reportOutcomes)[number];
export const reportOutcomeNames: Record<ReportOutcome, string> = {
  right: "Keep it as it is",
  mend: "Ask the author to fix it",
  removed: "Take it off the shelf",
};
/** As a message says it. */
export const formatOutcome: Record<ReportOutcome, string> = {
  right: "A curator has looked at it: it stays as it is.",
  mend: "A curator has asked its author to fix it.",
  removed: "A curator has taken it off the shelf.",
};
