import type { Block } from "./block";
import type { Credit, Document, Licence, Step } from "./document";
import { insertStep, putBlock, removeBlock, replaceStep, withNewBlockIds, withNewIds, type NewId } from "./edit";
import { voicesAside } from "./voices";

/** The resource a single step is taken from. */
export interface TakenFrom {
  resource: number;
  revision: number;
  title: string;
  author: string;
  /** Where it can be found: a school, or the commons. */
  source: string;
  licence: Licence;
  /** Her own: nobody else is to be named. */
  own: boolean;
}

const isPartOf = (resource: number) => (credit: Credit) => credit.resource === resource;

const originOf = (block: Block) => (block.type === "question" ? block.origin : undefined);
/** Whether a step, or a question in it, came from a resource. */
const tookFrom = (resource: number) => (step: Step) =>
  step.origin?.resource === resource || step.blocks.some((block) => originOf(block)?.resource === resource);

/** The credits with the author of what was taken among them: once, and not when it is her own. */
function creditsWith(document: Document, from: TakenFrom): Credit[] {
  if (from.own || document.credits.some(isPartOf(from.resource))) return document.credits;
  const { title, author, source, licence, resource } = from;
  return [...document.credits, { title, author, source, licence, changed: "", resource }];
}

/**
 * A step from elsewhere put in at a place, or in the stead of another. It gets ids of its own, so the same step can be
 * taken twice; where it came from is noted, and its author named once.
 * `adoptStep(lesson, lesson.steps[0], { resource: 1, revision: 1, author: "Ada" }, { at: 0 }, () => "new").step` gives `"new"`.
 */
export function adoptStep(
  document: Document,
  step: Step,
  from: TakenFrom,
  place: { at: number } | { instead: string },
  newId: NewId,
): { document: Document; step: string } {
  const origin = step.origin ?? { resource: from.resource, revision: from.revision, step: step.id };
  const adopted = { ...withNewIds(from.own ? step : voicesAside(step), newId), origin };
  const steps =
    "at" in place
      ? insertStep(document, adopted, place.at).steps
      : document.steps.map((one) => (one.id === place.instead ? adopted : one));
  return { document: { ...document, steps, credits: creditsWith(document, from) }, step: adopted.id };
}

/**
 * A question of a step from elsewhere put at the end of a step that is there: with ids of its own, where it came from, and without
 * somebody else's voice.
 * `adoptQuestion(lesson, { step: lesson.steps[1], block: "block" }, { resource: 1, revision: 1, author: "Ada" }, lesson.steps[0], () => "new").block` gives `"new"`.
 */
export function adoptQuestion(
  document: Document,
  taken: { step: Step; block: string },
  from: TakenFrom,
  into: Step,
  newId: NewId,
): { document: Document; block: string } {
  const { step, block } = taken;
  const alone = questionAlone(from.own ? step : voicesAside(step), block).blocks[0]!;
  const origin = originOf(alone) ?? step.origin ?? { resource: from.resource, revision: from.revision, step: step.id };
  const adopted = { ...withNewBlockIds(alone, newId), origin };
  const changed = replaceStep(document, putBlock(into, adopted));
  return { document: { ...changed, credits: creditsWith(document, from) }, block: adopted.id };
}

/**
 * A question of a step by itself, as a step that holds nothing else: it keeps where it came from, and can go again.
 * `questionAlone(lesson.steps[1], "block").blocks.length` gives `1`.
 */
export const questionAlone = ({ teacherNotes: _notes, minutes: _minutes, ...step }: Step, block: string): Step => ({
  ...step,
  instructions: {},
  blocks: step.blocks.filter((one) => one.id === block),
});

/**
 * A taken step away again, or the one it was swapped for back; anyone who is in nothing any more is no longer named.
 * `giveBack(lesson, "look", null).steps.map(({ id }) => id)` gives `["ask", "answers"]`.
 */
export function giveBack(document: Document, taken: string, instead: Step | null): Document {
  const steps = document.steps.flatMap((step) => (step.id !== taken ? [step] : instead ? [instead] : []));
  return withoutIdleCredits({ ...document, steps });
}

/** A taken question away again. `giveQuestionBack(lesson, "block").steps[1].blocks` gives `[]`. */
export const giveQuestionBack = (document: Document, block: string): Document =>
  withoutIdleCredits({ ...document, steps: document.steps.map((step) => removeBlock(step, block)) });

function withoutIdleCredits(document: Document): Document {
  const isThere = ({ resource }: Credit) => resource === undefined || document.steps.some(tookFrom(resource));
  return { ...document, credits: document.credits.filter(isThere) };
}

/**
 * Why the credits may not become these, or null when they may. The author a version was made from stays named for good; who
 * gave single steps stays named as long as one of them is there.
 * `creditsProblem(lesson, lesson)` gives `null`.
 */
export function creditsProblem(before: Document, after: Document): string | null {
  const same = (one: Credit, other: Credit) =>
    one.title === other.title && one.author === other.author && one.licence === other.licence;
  const missing = before.credits.filter(
    (credit) =>
      !after.credits.some((other) => same(credit, other)) &&
      (credit.resource === undefined || after.steps.some(tookFrom(credit.resource))),
  );
  return missing.length === 0
    ? null
    : `“${missing[0]!.title}” by ${missing[0]!.author} stays named. Credits may be added to, never taken away.`;
}

/** The credit of what the whole was adapted from; -1 when it is her own from nothing. `adaptedCredit({ credits: [] })` gives `-1`. */
export const adaptedCredit = (document: Pick<Document, "credits">): number =>
  document.credits.findLastIndex((credit) => credit.resource === undefined);
