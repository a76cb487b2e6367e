/** What a reader can report of something on a shelf, and what can come of it. */

export const reportKinds = ["wrong", "unsuitable", "rights", "broken"] as const;
export type ReportKind = (typeof reportKinds)[number];
export const reportKindNames: Record<ReportKind, string> = {
  wrong: "an answer or a fact is wrong",
  unsuitable: "it is not suitable for children",
  rights: "it uses something without permission",
  broken: "something does not work",
};

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
