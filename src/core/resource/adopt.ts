import type { Credit, Document, Licence, Step } from "./document";
import { insertStep, withNewIds, type NewId } from "./edit";
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

/**
 * A step from elsewhere put in at a place, or in the stead of another. It gets ids of its own, so the same step can be
 * taken twice; where it came from is noted, and its author named once.
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
  const credit: Credit = {
    title: from.title,
    author: from.author,
    source: from.source,
    licence: from.licence,
    changed: "",
    resource: from.resource,
  };
  const named = from.own || document.credits.some(isPartOf(from.resource));
  return {
    document: { ...document, steps, credits: named ? document.credits : [...document.credits, credit] },
    step: adopted.id,
  };
}

/** A question of a step by itself, as a step that holds nothing else: it keeps where it came from, and can go again. */
export const questionAlone = ({ teacherNotes: _notes, minutes: _minutes, ...step }: Step, block: string): Step => ({
  ...step,
  instructions: {},
  blocks: step.blocks.filter((one) => one.id === block),
});

/** A taken step away again, or the one it was swapped for back; whoever is in nothing any more is no longer named. */
export function giveBack(document: Document, taken: string, instead: Step | null): Document {
  const steps = document.steps.flatMap((step) => (step.id !== taken ? [step] : instead ? [instead] : []));
  const still = (credit: Credit) =>
    credit.resource === undefined || steps.some((step) => step.origin?.resource === credit.resource);
  return { ...document, steps, credits: document.credits.filter(still) };
}

/**
 * Why the credits may not become these, or null when they may. Whoever a version was made from stays named for good; who
 * gave single steps stays named as long as one of them is there.
 */
export function creditsProblem(before: Document, after: Document): string | null {
  const same = (one: Credit, other: Credit) =>
    one.title === other.title && one.author === other.author && one.licence === other.licence;
  const missing = before.credits.filter(
    (credit) =>
      !after.credits.some((other) => same(credit, other)) &&
      (credit.resource === undefined || after.steps.some((step) => step.origin?.resource === credit.resource)),
  );
  return missing.length === 0
    ? null
    : `“${missing[0]!.title}” by ${missing[0]!.author} stays named. Credits may be added to, never taken away.`;
}

/** The credit of what the whole was adapted from; -1 when it is her own from nothing. */
export const adaptedCredit = (document: Pick<Document, "credits">): number =>
  document.credits.findLastIndex((credit) => credit.resource === undefined);
