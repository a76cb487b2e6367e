import type { Document, Step } from "./document";
import { inLanguage } from "../content/language";

/** What became of a step since the source. "moved" is said only of steps that changed their place among those kept. */
export type StepChange = "new" | "changed" | "moved";

const aboutNames = {
  title: "title",
  summary: "summary",
  grades: "grades",
  subjects: "subjects",
  minutes: "minutes",
  region: "place it is made for",
  runSheet: "run sheet",
} as const;

export interface Changes {
  /** By step id of the newer document; a step that is as it was has no entry. */
  steps: Record<string, StepChange>;
  removed: string[];
  about: (keyof typeof aboutNames)[];
  count: number;
}

/**
 * The same value, whatever the order of its keys (a jsonb column does not keep it).
 * `canonical({ b: 1, a: 2 })` gives `"{\"a\":2,\"b\":1}"`.
 */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(",")}]`;
  if (value !== null && typeof value === "object") {
    const entries = Object.entries(value).filter(([, inner]) => inner !== undefined);
    entries.sort(([a], [b]) => (a < b ? -1 : 1));
    return `{${entries.map(([key, inner]) => `${JSON.stringify(key)}:${canonical(inner)}`).join(",")}}`;
  }
  return JSON.stringify(value) ?? "null";
}

const content = (step: Step) => canonical({ ...step, origin: undefined });

/** Of `ids`, those that stay in the longest run that kept its order: everything else was moved. */
function keptInOrder(ids: readonly string[], before: ReadonlyMap<string, number>): Set<string> {
  // Longest increasing subsequence of old positions, quadratic: documents have at most 400 steps.
  const best: { length: number; previous: number }[] = [];
  let last = -1;
  ids.forEach((id, at) => {
    let found = { length: 1, previous: -1 };
    for (let earlier = 0; earlier < at; earlier += 1) {
      if (before.get(ids[earlier]!)! < before.get(id)! && best[earlier]!.length + 1 > found.length) {
        found = { length: best[earlier]!.length + 1, previous: earlier };
      }
    }
    best.push(found);
    if (last < 0 || found.length > best[last]!.length) last = at;
  });
  const kept = new Set<string>();
  for (let at = last; at >= 0; at = best[at]!.previous) kept.add(ids[at]!);
  return kept;
}

/**
 * The difference between two documents by step: what is new, changed, moved, removed, and what was said about it.
 * `changesBetween(lesson, { ...lesson, steps: lesson.steps.slice(1) }).removed` gives `["look"]`.
 */
export function changesBetween(source: Document, mine: Document): Changes {
  const before = new Map(source.steps.map((step, at) => [step.id, at]));
  const shared = mine.steps.map((step) => step.id).filter((id) => before.has(id));
  const kept = keptInOrder(shared, before);
  const steps: Record<string, StepChange> = {};
  for (const step of mine.steps) {
    const at = before.get(step.id);
    if (at === undefined) steps[step.id] = "new";
    else if (content(step) !== content(source.steps[at]!)) steps[step.id] = "changed";
    else if (!kept.has(step.id)) steps[step.id] = "moved";
  }
  const now = new Set(mine.steps.map((step) => step.id));
  const removed = source.steps.filter((step) => !now.has(step.id)).map((step) => step.id);
  const about = (Object.keys(aboutNames) as (keyof typeof aboutNames)[]).filter(
    (field) => canonical(source[field] ?? null) !== canonical(mine[field] ?? null),
  );
  return { steps, removed, about, count: Object.keys(steps).length + removed.length + about.length };
}

/**
 * For the credit line: "2 steps changed, 1 new, 1 removed, different title".
 * `formatChanges(changesBetween(lesson, { ...lesson, title: { en: "The sea" } }))` gives `"different title"`.
 */
export function formatChanges(changes: Changes): string {
  const of = (change: StepChange) => Object.values(changes.steps).filter((found) => found === change).length;
  const said = [
    of("changed") && `${of("changed")} ${of("changed") === 1 ? "step" : "steps"} changed`,
    of("new") && `${of("new")} new`,
    of("moved") && `${of("moved")} moved`,
    changes.removed.length && `${changes.removed.length} removed`,
    changes.about.length && `different ${changes.about.map((field) => aboutNames[field]).join(", ")}`,
  ].filter(Boolean);
  return said.length > 0 ? said.join(", ") : "nothing changed yet";
}

/** `stepTitle(lesson.steps[0], ["en"])` gives `"Look"`. */
export function stepTitle(step: Step, languages: readonly string[]): string {
  return inLanguage(step.title, languages) || "Untitled step";
}
