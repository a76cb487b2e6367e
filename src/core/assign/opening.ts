import type { AssignForm, Opens } from "./form";

interface Meets {
  id: number;
  meetings: readonly { date: string; period: number }[];
}

/** `firstOpening(undefined)` gives `{ kind: "now" }`. */
export const firstOpening = (group: Meets | undefined): Opens => {
  const [next] = group?.meetings ?? [];
  return next ? { kind: "place", date: next.date, period: next.period } : { kind: "now" };
};

/**
 * When work opens after other classes have been chosen: a lesson that was picked stays only for the one class that has it;
 * several classes have it at the next lesson of each.
 * `openingFor([], [], { kind: "now" })` gives `{ kind: "now" }`.
 */
export function openingFor(classes: readonly Meets[], to: AssignForm["to"], opens: Opens): Opens {
  if (opens.kind !== "place" && opens.kind !== "meeting") return opens;
  const groups = classes.filter(({ id }) => to.some((one) => one.class === id));
  const [only] = groups;
  if (groups.length > 1) return opens.kind === "meeting" ? opens : { kind: "meeting", n: 1 };
  if (!only) return opens;
  const has =
    opens.kind === "place" && only.meetings.some(({ date, period }) => date === opens.date && period === opens.period);
  return has ? opens : firstOpening(only);
}
