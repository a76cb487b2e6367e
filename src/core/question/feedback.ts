import type { CheckingTime, Question } from "./question";
import type { Verdict } from "./mark";

/** When a student may see how an answer went, and what the author wrote about it. */

const strictness: Record<CheckingTime, number> = { "at once": 0, "at the end": 1, "after due": 2, never: 3 };

/** The stricter of what the question says and what the assignment says. `checkingOf("at once", "after due")` gives `"after due"`. */
export const checkingOf = (question: CheckingTime, assignment: CheckingTime): CheckingTime =>
  strictness[question] > strictness[assignment] ? question : assignment;

/**
 * Whether marks may be seen now. "after due": only when it was due for everybody who has it, so that nobody passes on what
 * others still have to find out.
 * `marksAreOpen("at the end", { checked: true, handedIn: false, allDue: new Date(0), now: new Date(1) })` gives `false`.
 */
export function marksAreOpen(
  checking: CheckingTime,
  at: { checked: boolean; handedIn: boolean; allDue: Date; now: Date },
): boolean {
  switch (checking) {
    case "at once":
      return at.checked || at.handedIn;
    case "at the end":
      return at.handedIn;
    case "after due":
      return at.handedIn && at.now >= at.allDue;
    case "never":
      return false;
  }
}

/**
 * Of what is written about answers only what is said of this one: the rest would give the right answer away.
 * `feedbackFor(question, "right")` gives `undefined`.
 */
export function feedbackFor({ feedback }: Question, verdict: Verdict): Question["feedback"] {
  if (!feedback) return undefined;
  const { right, wrong, general } = feedback;
  const said =
    verdict === "right"
      ? { ...(right && { right }) }
      : verdict === "wrong" || verdict === "partly"
        ? { ...(wrong && { wrong }) }
        : {};
  const told = { ...said, ...(general && { general }) };
  return Object.keys(told).length > 0 ? told : undefined;
}
