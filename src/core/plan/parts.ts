import type { Document } from "../resource/document";
import type { Facts } from "../resource/facts";

/** Whole minutes in the proportions of the shares, adding up to `total`. */
function shareOut(total: number, shares: readonly number[]): number[] {
  const all = shares.reduce((sum, share) => sum + share, 0);
  let upTo = 0;
  let allotted = 0;
  return shares.map((share) => {
    upTo += share;
    // Rounded over the sum so far, so that nothing is lost or made.
    const next = Math.round((total * upTo) / all);
    const minutes = next - allotted;
    allotted = next;
    return minutes;
  });
}

/**
 * The minutes of each step, adding up to the minutes of the whole: what its author says of a step stays, the rest is
 * shared out evenly. Where the steps say something else than the whole, their proportions stay.
 * `stepMinutes({ steps: [{ minutes: 10 }, {}] }, { minutes: 30 })` gives `[10, 20]`.
 */
export function stepMinutes(document: Pick<Document, "steps">, facts: Pick<Facts, "minutes">): number[] {
  const stated = document.steps.map((step) => step.minutes ?? 0);
  const sum = stated.reduce((total, minutes) => total + minutes, 0);
  const silent = document.steps.filter((step) => step.minutes === undefined).length;
  if (silent === 0) return sum === 0 ? stated : shareOut(facts.minutes, stated);
  const rest = shareOut(
    Math.max(silent, facts.minutes - sum),
    Array.from({ length: silent }, () => 1),
  );
  return document.steps.map((step) => step.minutes ?? rest.shift()!);
}

/** A document with some of its steps only, in their order; with null, all of it. `partOf(lesson, ["ask"]).steps.length` gives `1`. */
export function partOf(document: Document, steps: readonly string[] | null): Document {
  if (steps === null) return document;
  return { ...document, steps: document.steps.filter((step) => steps.includes(step.id)) };
}

/**
 * Where a lesson that is too long is best split: the steps that go into the first meeting; null when none fit whole.
 * `splitAfter([10, 15, 20, 10], 45)` gives `3`.
 */
export function splitAfter(minutes: readonly number[], room: number): number | null {
  let sum = 0;
  let count = 0;
  for (const each of minutes) {
    if (sum + each > room) break;
    sum += each;
    count += 1;
  }
  return count > 0 && count < minutes.length ? count : null;
}
