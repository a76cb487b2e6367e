import { withQuestions, type Document, type Step } from "./document";
import type { Question } from "../question/question";

/**
 * What may leave the server for a student: no answers, no teacher's steps or notes. The same shape as the document, so
 * that one renderer serves students, previews and the light table; what is taken out is empty, not missing.
 */
export function withoutAnswers(question: Question): Question {
  const bare = { ...question, feedback: undefined };
  switch (bare.type) {
    case "choice":
      return { ...bare, right: null };
    case "choices":
    case "order":
      return { ...bare, right: [] };
    case "shortText":
      return { ...bare, accepted: [] };
    case "number":
      return {
        ...bare,
        parts: bare.parts.map((part) => ({
          ...part,
          right: 0,
          tolerance: 0,
          units: part.units?.map((unit) => ({ ...unit, factor: null })),
        })),
      };
    case "gaps":
      return { ...bare, gaps: bare.gaps.map((gap) => ({ ...gap, accepted: ["-"] })) };
    case "match":
      return { ...bare, pairs: [] };
    case "groups":
    case "labels":
    case "points":
      return { ...bare, right: [] };
    case "line":
      return { ...bare, right: bare.axis.from, tolerance: 0 };
    case "bars":
      return { ...bare, bars: bare.bars.map((bar) => ({ ...bar, right: bare.axis.from, tolerance: 0 })) };
    case "highlight":
      return { ...bare, right: {} };
    case "cells":
      return { ...bare, gaps: bare.gaps.map((gap) => ({ ...gap, accepted: ["-"] })) };
    case "longText":
    case "sketch":
    case "poll":
    case "photo":
    case "speech":
    case "notePage":
      return bare;
  }
}

/** A question whose time has not begun: that there is one, and nothing of what it asks. */
export const veiled = ({ id, marks, partial, checked, seconds }: Question): Question => ({
  id,
  marks,
  partial,
  checked,
  seconds,
  type: "longText",
  lines: 1,
  prompt: {},
});

export function studentStep(step: Step): Step {
  return withQuestions({ ...step, teacherNotes: undefined }, withoutAnswers);
}

export function studentDocument(document: Document): Document {
  return {
    ...document,
    teacherNotes: undefined,
    steps: document.steps.filter((step) => step.audience !== "teacher").map(studentStep),
  };
}
