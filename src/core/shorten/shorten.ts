import { allQuestions, questionsOf, type Document, type Step } from "../resource/document";
import { standardsOf } from "../resource/aligned";
import { minutesEstimated } from "../resource/minutes";
import { isForStudents } from "../resource/student-text";

/**
 * Minutes of each step by its id: as stated, else estimated from what there is to read and to answer. Where the whole is stated and its
 * steps are not, they share its minutes as their estimates are to each other.
 * `[...minutesOfSteps(lesson)]` gives `[["look", 5], ["ask", 5]]`.
 */
export function minutesOfSteps(document: Document): Map<string, number> {
  const steps = document.steps.filter(isForStudents);
  const guess = (step: Step) => minutesEstimated({ ...document, minutes: undefined, steps: [step] });
  const unstated = steps.filter(({ minutes }) => minutes === undefined);
  const stated = steps.reduce((sum, { minutes = 0 }) => sum + minutes, 0);
  const guessed = unstated.reduce((sum, step) => sum + guess(step), 0);
  const share = document.minutes === undefined ? 1 : Math.max(0, document.minutes - stated) / Math.max(1, guessed);
  return new Map(steps.map((step) => [step.id, step.minutes ?? Math.max(1, Math.round(guess(step) * share))]));
}

/** Why a step stays whatever else goes. */
export type Reason = "opens" | "checks" | "standard";

export interface Shortened {
  /** Ids of the steps to leave out, in their order. */
  leaveOut: string[];
  /** Steps that must stay, and why. */
  because: Record<string, Reason>;
  minutes: number;
  /** False: what must stay takes longer already. */
  enough: boolean;
}

/** What is lost with steps that are left out. */
export interface Lost {
  minutes: number;
  questions: number;
  marks: number;
  /** Codes nothing that is left asks about. */
  standards: string[];
}

const codesOf = (document: Document, step: Step): string[] => [
  ...new Set(questionsOf(step).flatMap((question) => standardsOf(document, question).map(({ code }) => code))),
];

/** Worth of what a part of a lesson does, where there is no room for all; common practice: teaching before practising. */
const worth: Readonly<Record<Step["phase"], number>> = { open: 2, teach: 5, practise: 3, check: 3, close: 2 };

/**
 * What to leave out so that a resource takes this many minutes at most. The opener and one check stay, and for every standard a step that
 * asks about it, as long as they fit; of the others those worth most. Steps for teachers only stay: they take no time of the children's.
 *
 * `shorten(lesson, 60).leaveOut` gives `[]`.
 * @param minutes 1 or more
 */
export function shorten(document: Document, minutes: number): Shortened {
  const steps = document.steps.filter(isForStudents);
  const takes = minutesOfSteps(document);
  const because: Record<string, Reason> = {};
  const sum = (ids: Iterable<string>) => [...ids].reduce((total, id) => total + takes.get(id)!, 0);
  const must = new Set<string>();
  const keep = (step: Step | undefined, reason: Reason) => {
    if (!step || must.has(step.id)) return;
    must.add(step.id);
    because[step.id] = reason;
  };
  keep(
    steps.find(({ phase }) => phase === "open"),
    "opens",
  );
  const checks = steps.filter(
    (step) => (step.phase === "check" || step.phase === "close") && questionsOf(step).length > 0,
  );
  // The shortest check, the last of those as long.
  keep(checks.toReversed().toSorted((one, other) => takes.get(one.id)! - takes.get(other.id)!)[0], "checks");
  const enough = sum(must) <= minutes;
  // For each standard the cheapest step, those that take part in most first; what does not fit is lost, and said.
  const missing = new Set(steps.flatMap((step) => codesOf(document, step)));
  for (const id of must)
    for (const code of codesOf(
      document,
      steps.find((step) => step.id === id)!,
    ))
      missing.delete(code);
  while (missing.size > 0) {
    const covers = (step: Step) => codesOf(document, step).filter((code) => missing.has(code)).length;
    const room = minutes - sum(must);
    const [best] = steps
      .filter((step) => !must.has(step.id) && covers(step) > 0 && takes.get(step.id)! <= room)
      .toSorted((one, other) => takes.get(one.id)! / covers(one) - takes.get(other.id)! / covers(other));
    if (!best) break;
    keep(best, "standard");
    for (const code of codesOf(document, best)) missing.delete(code);
  }
  const chosen = fill(
    steps.filter(({ id }) => !must.has(id)),
    takes,
    Math.floor(minutes - sum(must)),
  );
  const stays = new Set([...must, ...chosen]);
  return {
    leaveOut: steps.filter(({ id }) => !stays.has(id)).map(({ id }) => id),
    because,
    minutes: sum(stays),
    enough,
  };
}

/** The steps that are worth most in this many minutes, by trying all sums of minutes (the knapsack's exact way). */
function fill(steps: readonly Step[], takes: ReadonlyMap<string, number>, minutes: number): string[] {
  if (minutes < 0) return [];
  let best: { worth: number; ids: string[] }[] = Array.from({ length: minutes + 1 }, () => ({ worth: 0, ids: [] }));
  for (const step of steps) {
    const time = Math.ceil(takes.get(step.id)!);
    // A little for every minute: of two worth the same the longer one fills the lesson.
    const value = worth[step.phase] + time / 100;
    best = best.map((now, room) => {
      const before = room >= time ? best[room - time]! : null;
      return before && before.worth + value > now.worth
        ? { worth: before.worth + value, ids: [...before.ids, step.id] }
        : now;
    });
  }
  return best[minutes]!.ids;
}

/** `withoutSteps(lesson, ["look"]).steps.map(({ id }) => id)` gives `["ask", "answers"]`. */
export const withoutSteps = (document: Document, ids: readonly string[]): Document => ({
  ...document,
  minutes: undefined,
  steps: document.steps.filter(({ id }) => !ids.includes(id)),
});

/** What a document loses when steps are left out of it. `lost(lesson, ["ask"]).questions` gives `1`. */
export function lost(document: Document, ids: readonly string[]): Lost {
  const left = withoutSteps(document, ids);
  const takes = minutesOfSteps(document);
  const asked = allQuestions({ ...document, steps: document.steps.filter(({ id }) => ids.includes(id)) });
  const codes = (of: Document) => new Set(of.steps.filter(isForStudents).flatMap((step) => codesOf(document, step)));
  const stays = codes(left);
  return {
    minutes: document.steps
      .filter((step) => ids.includes(step.id) && isForStudents(step))
      .reduce((sum, { id }) => sum + takes.get(id)!, 0),
    questions: asked.length,
    marks: asked.reduce((sum, { question }) => sum + question.marks, 0),
    standards: [...codes(document)].filter((code) => !stays.has(code)),
  };
}
