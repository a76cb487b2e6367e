import type { Block } from "./block";
import { canonical } from "./changes";
import type { Document, Step } from "./document";

/**
 * Three versions of a document made one: what `theirs` changed since `base` is taken into `mine`, step by step, and inside
 * a step block by block. Where both changed the same thing, mine stays and the two are handed back to be chosen from.
 */
export interface Conflict {
  /** The step both changed; null for one of the document's own fields. */
  step: string | null;
  /** What of it: the fields of the document, or nothing for a step as a whole. */
  field: Field | null;
  mine: Step | null;
  theirs: Step | null;
}

export interface Merged {
  document: Document;
  /** Ids of steps in which something of theirs was taken over, new and removed ones included. */
  taken: string[];
  takenFields: Field[];
  conflicts: Conflict[];
}

/** The licence is never merged: what she may do hangs on her own. Credits only grow. */
export const fields = [
  "title",
  "summary",
  "kind",
  "grades",
  "subjects",
  "topics",
  "months",
  "minutes",
  "region",
  "devices",
  "standards",
  "edition",
  "vocabulary",
  "teacherNotes",
  "familyNote",
  "runSheet",
  "languages",
] as const satisfies readonly (keyof Document)[];
export type Field = (typeof fields)[number];

const same = (one: unknown, other: unknown): boolean => canonical(one ?? null) === canonical(other ?? null);
/** Where a step was first taken from says nothing about what is in it. `sameStep(lesson.steps[0], lesson.steps[1])` gives `false`. */
export const sameStep = (one: Step | undefined, other: Step | undefined): boolean =>
  same(one && { ...one, origin: undefined }, other && { ...other, origin: undefined });

type Outcome<Value> = { value: Value; from: "mine" | "theirs" | "both" } | "conflict";

function threeWay<Value>(base: Value, mine: Value, theirs: Value): Outcome<Value> {
  if (same(theirs, base) || same(mine, theirs)) return { value: mine, from: "mine" };
  return same(mine, base) ? { value: theirs, from: "theirs" } : "conflict";
}

/** Theirs, still known to have come from where mine came from. */
const withOrigin = (theirs: Step, mine: Step | undefined): Step =>
  mine?.origin ? { ...theirs, origin: mine.origin } : theirs;

interface Identified {
  id: string;
}

const byId = <Part extends Identified>(parts: readonly Part[]) => new Map(parts.map((part) => [part.id, part]));

/**
 * The order of what is left. Mine, unless only they moved things; what is new from the other side comes after the same
 * neighbour as there.
 */
function orderOf(
  base: readonly string[],
  mine: readonly string[],
  theirs: readonly string[],
  left: ReadonlySet<string>,
): string[] {
  const everywhere = new Set(base.filter((id) => mine.includes(id) && theirs.includes(id)));
  const shared = (ids: readonly string[]) => ids.filter((id) => everywhere.has(id)).join(" ");
  const [lead, follow] = shared(mine) === shared(base) ? [theirs, mine] : [mine, theirs];
  const order = lead.filter((id) => left.has(id));
  follow.forEach((id, at) => {
    if (!left.has(id) || order.includes(id)) return;
    const before = follow.slice(0, at).findLast((one) => order.includes(one));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id);
  });
  return order;
}

/** A step both changed, if what they changed stands apart. */
function mergeStep(base: Step, mine: Step, theirs: Step): Step | null {
  const merged: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(base), ...Object.keys(mine), ...Object.keys(theirs)])) {
    if (key === "blocks") continue;
    const of = (step: Step) => (step as Record<string, unknown>)[key];
    const outcome = key === "origin" ? ({ value: of(mine) } as const) : threeWay(of(base), of(mine), of(theirs));
    if (outcome === "conflict") return null;
    if (outcome.value !== undefined) merged[key] = outcome.value;
  }
  const [inBase, inMine, inTheirs] = [byId(base.blocks), byId(mine.blocks), byId(theirs.blocks)];
  const kept = new Map<string, Block>();
  for (const id of new Set([...inMine.keys(), ...inTheirs.keys()])) {
    const outcome = threeWay(inBase.get(id), inMine.get(id), inTheirs.get(id));
    if (outcome === "conflict") return null;
    if (outcome.value) kept.set(id, outcome.value);
  }
  const ids = (step: Step) => step.blocks.map(({ id }) => id);
  const order = orderOf(ids(base), ids(mine), ids(theirs), new Set(kept.keys()));
  return { ...(merged as Step), blocks: order.map((id) => kept.get(id)!) };
}

/** `merge(lesson, lesson, { ...lesson, title: { en: "The sea" } }).document.title` gives `{ en: "The sea" }`. */
export function merge(base: Document, mine: Document, theirs: Document): Merged {
  const conflicts: Conflict[] = [];
  const takenFields: Field[] = [];
  const document: Document = { ...mine };
  for (const field of fields) {
    const outcome = threeWay<unknown>(base[field], mine[field], theirs[field]);
    if (outcome === "conflict") conflicts.push({ step: null, field, mine: null, theirs: null });
    else if (outcome.from === "theirs") {
      takenFields.push(field);
      Object.assign(document, { [field]: outcome.value });
    }
  }
  const [inBase, inMine, inTheirs] = [byId(base.steps), byId(mine.steps), byId(theirs.steps)];
  const taken: string[] = [];
  const kept = new Map<string, Step>();
  for (const id of new Set([...inMine.keys(), ...inTheirs.keys()])) {
    const [was, my, their] = [inBase.get(id), inMine.get(id), inTheirs.get(id)];
    if (sameStep(their, was) || sameStep(my, their)) {
      if (my) kept.set(id, my);
    } else if (sameStep(my, was)) {
      taken.push(id);
      if (their) kept.set(id, withOrigin(their, my));
    } else {
      const apart = was && my && their ? mergeStep(was, my, their) : null;
      if (apart) {
        taken.push(id);
        kept.set(id, apart);
      } else {
        conflicts.push({ step: id, field: null, mine: my ?? null, theirs: their ?? null });
        if (my) kept.set(id, my);
      }
    }
  }
  const ids = (of: Document) => of.steps.map(({ id }) => id);
  const order = orderOf(ids(base), ids(mine), ids(theirs), new Set(kept.keys()));
  const credits = [
    ...theirs.credits.filter((credit) => !mine.credits.some((one) => same(one, credit))),
    ...mine.credits,
  ];
  return { document: { ...document, credits, steps: order.map((id) => kept.get(id)!) }, taken, takenFields, conflicts };
}

/**
 * One step of theirs put into mine: in its place if it is there, else after the neighbour it has with them.
 * `takeStep({ ...lesson, steps: [] }, lesson, "ask").steps.map(({ id }) => id)` gives `["ask"]`.
 */
export function takeStep(mine: Document, theirs: Document, id: string): Document {
  const step = theirs.steps.find((one) => one.id === id);
  if (!step) return { ...mine, steps: mine.steps.filter((one) => one.id !== id) };
  if (mine.steps.some((one) => one.id === id))
    return { ...mine, steps: mine.steps.map((one) => (one.id === id ? withOrigin(step, one) : one)) };
  return { ...mine, steps: mine.steps.toSpliced(placeAsIn(theirs, id, mine.steps), 0, step) };
}

/** Where a step belongs among others as it stands in a document: behind the nearest step before it there that is among them. */
function placeAsIn(document: Document, id: string, among: readonly Step[]): number {
  const at = document.steps.findIndex((one) => one.id === id);
  const before = document.steps.slice(0, at).findLast((one) => among.some((other) => other.id === one.id));
  return before ? among.findIndex((one) => one.id === before.id) + 1 : 0;
}

/**
 * Mine with one thing said of the whole as they have it.
 * `takeField(lesson, { ...lesson, title: { en: "The sea" } }, "title").title` gives `{ en: "The sea" }`.
 */
export const takeField = (mine: Document, theirs: Document, field: Field): Document => ({
  ...mine,
  [field]: theirs[field],
});

/**
 * A document with one of its steps where it stands in another.
 * `placeStepAs({ ...lesson, steps: lesson.steps.toReversed() }, lesson, "look").steps.map(({ id }) => id)` gives `["look", "answers", "ask"]`.
 */
export function placeStepAs(mine: Document, other: Document, id: string): Document {
  const step = mine.steps.find((one) => one.id === id);
  if (!step || !other.steps.some((one) => one.id === id)) return mine;
  const rest = mine.steps.filter((one) => one.id !== id);
  return { ...mine, steps: rest.toSpliced(placeAsIn(other, id, rest), 0, step) };
}
