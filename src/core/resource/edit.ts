import type { Block } from "./block";
import type { Document, Step } from "./document";
import type { Gap, Question, QuestionType } from "../question/question";
import { usualSpelling } from "../content/vocabulary";
import { richText } from "../content/rich-text";

/**
 * Changes to a document while it is being made: pure, each returns a new document, so undo is the one before.
 * New ids come in as a function, so that tests can say what they will be.
 */
export type NewId = () => string;

export function moveStep(document: Document, from: number, to: number): Document {
  const steps = [...document.steps];
  const [moved] = steps.splice(from, 1);
  if (!moved) return document;
  steps.splice(Math.max(0, Math.min(to, steps.length)), 0, moved);
  return { ...document, steps };
}

export function removeSteps(document: Document, ids: readonly string[]): Document {
  return { ...document, steps: document.steps.filter((step) => !ids.includes(step.id)) };
}

/** Puts removed steps back, each after the step it stood behind in `before`; those that are there again stay as they are. */
export function restoreSteps(document: Document, before: Document, ids: readonly string[]): Document {
  return before.steps.reduce((now, step, at) => {
    if (!ids.includes(step.id) || now.steps.some((one) => one.id === step.id)) return now;
    const neighbour = before.steps.slice(0, at).findLast((one) => now.steps.some(({ id }) => id === one.id));
    return insertStep(now, step, neighbour ? now.steps.findIndex(({ id }) => id === neighbour.id) + 1 : 0);
  }, document);
}

/** Copies of several steps, in their order, right after the last of them. */
export function duplicateSteps(document: Document, ids: readonly string[], newId: NewId): Document {
  const last = document.steps.findLastIndex((step) => ids.includes(step.id));
  if (last < 0) return document;
  const copies = document.steps.filter((step) => ids.includes(step.id)).map((step) => withNewIds(step, newId));
  return { ...document, steps: document.steps.toSpliced(last + 1, 0, ...copies) };
}

/** Several steps one place up or down; they stay in their order and stop together at the end. */
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

export function insertStep(document: Document, step: Step, at: number): Document {
  const steps = [...document.steps];
  steps.splice(at, 0, step);
  return { ...document, steps };
}

export function replaceStep(document: Document, step: Step): Document {
  return { ...document, steps: document.steps.map((old) => (old.id === step.id ? step : old)) };
}

/** The same step under ids of its own, its questions too: their answers are gathered apart. */
export const withNewIds = (step: Step, newId: NewId): Step => ({
  ...step,
  id: newId(),
  blocks: step.blocks.map((block) => withNewBlockIds(block, newId)),
});

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

/** Puts a block into a step (`at` counts from 0) or, with a block of that id there already, replaces it. */
export function putBlock(step: Step, block: Block, at = step.blocks.length): Step {
  if (step.blocks.some((old) => old.id === block.id)) {
    return { ...step, blocks: step.blocks.map((old) => (old.id === block.id ? block : old)) };
  }
  const blocks = [...step.blocks];
  blocks.splice(at, 0, block);
  return { ...step, blocks };
}

export function removeBlock(step: Step, id: string): Step {
  return { ...step, blocks: step.blocks.filter((block) => block.id !== id) };
}

/** Puts a removed block back at its place; nothing happens when its step is gone or the block is there. */
export function restoreBlock(document: Document, stepId: string, block: Block, at: number): Document {
  const step = document.steps.find((one) => one.id === stepId);
  if (!step || step.blocks.some((one) => one.id === block.id)) return document;
  return replaceStep(document, putBlock(step, block, at));
}

export function moveBlock(step: Step, id: string, by: -1 | 1): Step {
  const at = step.blocks.findIndex((block) => block.id === id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= step.blocks.length) return step;
  const blocks = [...step.blocks];
  [blocks[at], blocks[to]] = [blocks[to]!, blocks[at]!];
  return { ...step, blocks };
}

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

/** An empty question of a type, ready to be written. */
export function newQuestion(type: QuestionType, language: string, newId: NewId): Question {
  const text = (words: string) => ({ [language]: words });
  const asked = {
    id: newId(),
    prompt: { [language]: richText("") },
    marks: 1,
    partial: "by part" as const,
    checked: "at once" as const,
  };
  const option = (words = "") => ({ id: newId(), text: text(words) });
  switch (type) {
    case "choice":
      return { ...asked, type, options: [option(), option(), option()], right: null };
    case "choices":
      return { ...asked, type, options: [option(), option(), option()], right: [] };
    case "shortText":
      return { ...asked, type, accepted: [{ text: "", share: 1 }], spelling: usualSpelling };
    case "number":
      return { ...asked, type, parts: [{ id: newId(), right: 0, tolerance: 0 }] };
    case "gaps": {
      const gap = newId();
      return {
        ...asked,
        type,
        passage: text(`The tide is [[${gap}]] now.`),
        gaps: [{ id: gap, accepted: ["high"] }],
        spelling: usualSpelling,
      };
    }
    case "match": {
      const left = [option(), option()];
      const right = [option(), option()];
      return { ...asked, type, left, right, pairs: left.map((item, at) => [item.id, right[at]!.id]) };
    }
    case "order": {
      const items = [option(), option(), option()];
      return { ...asked, type, items: mixed(items), right: items.map((item) => item.id) };
    }
    case "longText":
      return { ...asked, type, lines: 6, checked: "never" };
    case "groups": {
      const groups = [option(), option()];
      const items = [option(), option(), option(), option()];
      return { ...asked, type, groups, items, right: items.map((item, at) => [item.id, groups[at % 2]!.id]) };
    }
    case "labels":
      return { ...asked, type, media: "drawing:blank", description: {}, spots: [], labels: [option()], right: [] };
    case "line":
      return { ...asked, type, axis: { from: 0, to: 10, step: 1 }, right: 5, tolerance: 0 };
    case "bars":
      return {
        ...asked,
        type,
        axis: { from: 0, to: 10, step: 1 },
        bars: [option(), option(), option()].map((bar) => ({ ...bar, right: 5, tolerance: 0 })),
      };
    case "points":
      return {
        ...asked,
        type,
        ...{ x: { from: 0, to: 10, step: 1 }, y: { from: 0, to: 10, step: 1 } },
        right: [],
        tolerance: 0,
      };
    case "highlight":
      return { ...asked, type, passage: text(""), unit: "word", right: {} };
    case "cells": {
      const gap = newId();
      return {
        ...asked,
        type,
        rows: {
          [language]: [
            ["", ""],
            ["", `[[${gap}]]`],
          ],
        },
        gaps: [{ id: gap, accepted: ["?"] }],
        spelling: usualSpelling,
      };
    }
    case "sketch":
      return { ...asked, type, checked: "never" };
    case "poll":
      return { ...asked, type, checked: "never", options: [option(), option()] };
    case "photo":
      return { ...asked, type, checked: "never", most: 1 };
    case "speech":
      return { ...asked, type, checked: "never", longest: 120 };
    case "notePage":
      return { ...asked, type, checked: "never", template: "two columns", headings: [], count: 4 };
  }
}

/** The items of an order in a sequence that is not the right one: every second first. Two change places. */
export function mixed<Item>(inOrder: readonly Item[]): Item[] {
  if (inOrder.length === 2) return [inOrder[1]!, inOrder[0]!];
  return [...inOrder.filter((_, at) => at % 2 === 1), ...inOrder.filter((_, at) => at % 2 === 0)];
}

/** Makes a passage and its gaps agree: gaps no longer in the text go, new ones ([word]) are made of the bracketed word. */
export function readPassage(typed: string, gaps: readonly Gap[], newId: NewId): { passage: string; gaps: Gap[] } {
  const kept: Gap[] = [];
  const passage = typed.replace(/\[([^[\]]+)\]/g, (_, inside: string) => {
    const accepted = inside
      .split("|")
      .map((word) => word.trim())
      .filter(Boolean);
    const old = gaps.find((gap) => !kept.some((taken) => taken.id === gap.id) && gap.accepted[0] === accepted[0]);
    const gap = { ...old, id: old?.id ?? newId(), accepted: accepted.length > 0 ? accepted : ["?"] };
    kept.push(gap);
    return `[[${gap.id}]]`;
  });
  return { passage, gaps: kept };
}

/** The reverse: the passage as she types it, "The tide is [high|flood] now." */
export function writePassage(passage: string, gaps: readonly { id: string; accepted: string[] }[]): string {
  return passage.replace(/\[\[([A-Za-z0-9_-]+)\]\]/g, (_, id: string) => {
    const gap = gaps.find((candidate) => candidate.id === id);
    return `[${gap?.accepted.join("|") ?? "?"}]`;
  });
}
