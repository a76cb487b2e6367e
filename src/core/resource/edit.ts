import type { Block } from "./block";
import type { Document, Step } from "./document";
import type { Question } from "../question/question";

/**
 * Changes to a document while it is being made: pure, each returns a new document, so undo is the one before.
 * New ids come in as a function, so that tests can say what they will be.
 */
export type NewId = () => string;

/** `moveStep(lesson, 0, 1).steps.map(({ id }) => id)` gives `["ask", "look", "answers"]`. */
export function moveStep(document: Document, from: number, to: number): Document {
  const steps = [...document.steps];
  const [moved] = steps.splice(from, 1);
  if (!moved) return document;
  steps.splice(Math.max(0, Math.min(to, steps.length)), 0, moved);
  return { ...document, steps };
}

/** `removeSteps(lesson, ["look"]).steps.length` gives `2`. */
export function removeSteps(document: Document, ids: readonly string[]): Document {
  return { ...document, steps: document.steps.filter((step) => !ids.includes(step.id)) };
}

/**
 * Puts removed steps back, each after the step it stood behind in `before`; those that are there again stay as they are.
 * `restoreSteps({ ...lesson, steps: lesson.steps.slice(1) }, lesson, ["look"]).steps[0].id` gives `"look"`.
 */
export function restoreSteps(document: Document, before: Document, ids: readonly string[]): Document {
  return before.steps.reduce((now, step, at) => {
    if (!ids.includes(step.id) || now.steps.some((one) => one.id === step.id)) return now;
    const neighbour = before.steps.slice(0, at).findLast((one) => now.steps.some(({ id }) => id === one.id));
    return insertStep(now, step, neighbour ? now.steps.findIndex(({ id }) => id === neighbour.id) + 1 : 0);
  }, document);
}

/**
 * Copies of several steps, in their order, right after the last of them.
 * `duplicateSteps(lesson, ["look"], () => "copy").steps.map(({ id }) => id)` gives `["look", "copy", "ask", "answers"]`.
 */
export function duplicateSteps(document: Document, ids: readonly string[], newId: NewId): Document {
  const last = document.steps.findLastIndex((step) => ids.includes(step.id));
  if (last < 0) return document;
  const copies = document.steps.filter((step) => ids.includes(step.id)).map((step) => withNewIds(step, newId));
  return { ...document, steps: document.steps.toSpliced(last + 1, 0, ...copies) };
}

/**
 * Several steps one place up or down; they stay in their order and stop together at the end.
 * `moveSteps(lesson, ["ask"], -1).steps.map(({ id }) => id)` gives `["ask", "look", "answers"]`.
 */
export function moveSteps(document: Document, ids: readonly string[], by: -1 | 1): Document {
  const steps = [...document.steps];
  const chosen = (at: number) => at >= 0 && at < steps.length && ids.includes(steps[at]!.id);
  const places = steps.map((_, at) => at);
  for (const at of by < 0 ? places : places.reverse()) {
    const to = at + by;
    if (chosen(at) && to >= 0 && to < steps.length && !chosen(to)) [steps[at], steps[to]] = [steps[to]!, steps[at]!];
  }
  return { ...document, steps };
}

/** `insertStep(lesson, { ...lesson.steps[0], id: "new" }, 1).steps[1].id` gives `"new"`. */
export function insertStep(document: Document, step: Step, at: number): Document {
  const steps = [...document.steps];
  steps.splice(at, 0, step);
  return { ...document, steps };
}

/** `replaceStep(lesson, { ...lesson.steps[0], title: { en: "Listen" } }).steps[0].title` gives `{ en: "Listen" }`. */
export function replaceStep(document: Document, step: Step): Document {
  return { ...document, steps: document.steps.map((old) => (old.id === step.id ? step : old)) };
}

/**
 * The same step under ids of its own, its questions too: their answers are gathered apart.
 * `withNewIds(lesson.steps[0], () => "new").id` gives `"new"`.
 */
export const withNewIds = (step: Step, newId: NewId): Step => ({
  ...step,
  id: newId(),
  blocks: step.blocks.map((block) => withNewBlockIds(block, newId)),
});

/** The same block under ids of its own, its questions too. `withNewBlockIds(lesson.steps[0].blocks[0], () => "new").id` gives `"new"`. */
export function withNewBlockIds(block: Block, newId: NewId): Block {
  const asked = (question: Question): Question => ({ ...question, id: newId() });
  if (block.type === "question") return { ...block, id: newId(), question: asked(block.question) };
  if (block.type !== "film") return { ...block, id: newId() };
  const stops = block.stops.map((stop) => ({
    ...stop,
    id: newId(),
    ...(stop.question && { question: asked(stop.question) }),
  }));
  return { ...block, id: newId(), stops };
}

/**
 * Puts a block into a step (`at` counts from 0) or, with a block of that id there already, replaces it.
 * `putBlock(lesson.steps[2], lesson.steps[0].blocks[0]).blocks.length` gives `1`.
 */
export function putBlock(step: Step, block: Block, at = step.blocks.length): Step {
  if (step.blocks.some((old) => old.id === block.id)) {
    return { ...step, blocks: step.blocks.map((old) => (old.id === block.id ? block : old)) };
  }
  const blocks = [...step.blocks];
  blocks.splice(at, 0, block);
  return { ...step, blocks };
}

/** `removeBlock(lesson.steps[0], "text").blocks` gives `[]`. */
export function removeBlock(step: Step, id: string): Step {
  return { ...step, blocks: step.blocks.filter((block) => block.id !== id) };
}

/**
 * Puts a removed block back at its place; nothing happens when its step is gone or the block is there.
 * `restoreBlock(lesson, "gone", lesson.steps[0].blocks[0], 0) === lesson` gives `true`.
 */
export function restoreBlock(document: Document, stepId: string, block: Block, at: number): Document {
  const step = document.steps.find((one) => one.id === stepId);
  if (!step || step.blocks.some((one) => one.id === block.id)) return document;
  return replaceStep(document, putBlock(step, block, at));
}

/** `moveBlock(lesson.steps[0], "text", 1).blocks[0].id` gives `"text"`. */
export function moveBlock(step: Step, id: string, by: -1 | 1): Step {
  const at = step.blocks.findIndex((block) => block.id === id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= step.blocks.length) return step;
  const blocks = [...step.blocks];
  [blocks[at], blocks[to]] = [blocks[to]!, blocks[at]!];
  return { ...step, blocks };
}

/** `newStep("en", "Look", () => "a").title` gives `{ en: "Look" }`. */
export function newStep(language: string, title: string, newId: NewId, blocks: Block[] = []): Step {
  return {
    id: newId(),
    title: { [language]: title },
    audience: "student",
    phase: "practise",
    work: "alone",
    locked: false,
    minutes: 5,
    instructions: {},
    blocks,
  };
}
