"use client";
import { useEffect, useState } from "react";
import { allQuestions, questionsOf, type Document, type Step } from "@/core/resource/document";
import type { Question, ResponseValue } from "@/core/question/question";
import { isBlankResponse, mark, type Mark } from "@/core/question/mark";
import type { QuestionLimits } from "./limited";
import type { StepViewProps } from "./step-view";

type Trying = Pick<StepViewProps, "values" | "marks" | "onChange" | "mayCheck" | "onCheck" | "limits" | "readOnly">;

/** What comes when it is handed in: each question as it would be marked, if that is shown. */
export interface TrialEnd {
  earned: number;
  outOf: number;
  /** Students see marks later, or never. */
  hidden: "after due" | "never" | null;
}

/**
 * Doing a resource as a student would, on this page alone: answers, checking as each question is set, times that run, and
 * handing in. Nothing is kept and nothing is sent.
 */
export function useTrial(document: Document) {
  const [values, setValues] = useState<Record<string, ResponseValue>>({});
  const [marks, setMarks] = useState<Record<string, Mark | undefined>>({});
  const [ends, setEnds] = useState<Record<string, number>>({});
  const [over, setOver] = useState<ReadonlySet<string>>(new Set());
  const [handedIn, setHandedIn] = useState(false);
  const [begun, setBegun] = useState<string | null>(null);
  const language = document.languages[0]!;

  useEffect(() => {
    const timers = Object.entries(ends).map(([question, end]) =>
      setTimeout(() => setOver((old) => new Set([...old, question])), Math.max(0, end - Date.now())),
    );
    return () => timers.forEach(clearTimeout);
  }, [ends]);
  // The button that was pressed is gone: the keyboard goes on at the question.
  useEffect(() => {
    if (begun) window.document.getElementById(`${begun}-prompt`)?.parentElement?.focus();
  }, [begun]);

  const limits: QuestionLimits = {
    of: ({ id, seconds }) => {
      if (seconds === undefined) return undefined;
      const end = ends[id] ?? null;
      return { seconds, left: over.has(id) ? 0 : end === null ? null : seconds, end, over: over.has(id) };
    },
    begin: ({ id, seconds }) => {
      if (seconds !== undefined) setEnds((old) => ({ ...old, [id]: Date.now() + seconds * 1000 }));
      setBegun(id);
    },
    beginning: null,
  };
  const answered = (question: Question) =>
    !isBlankResponse(question.type, values[question.id]) || over.has(question.id);
  const step: Trying = {
    values,
    marks,
    onChange: (question, value) => {
      setValues((old) => ({ ...old, [question.id]: value }));
      setMarks((old) => ({ ...old, [question.id]: undefined }));
    },
    readOnly: handedIn,
    mayCheck: handedIn ? undefined : (question) => question.checked === "at once",
    onCheck: handedIn
      ? undefined
      : (question) => setMarks((old) => ({ ...old, [question.id]: mark(question, values[question.id], language) })),
    limits: handedIn ? undefined : limits,
  };
  return {
    step,
    done: (one: Step) => {
      const questions = questionsOf(one);
      return questions.length > 0 && questions.every(answered);
    },
    answered,
    handedIn,
    handIn: () => {
      const all = allQuestions(document).map(({ question }) => question);
      setMarks(
        Object.fromEntries(
          all
            .filter(({ checked }) => checked === "at once" || checked === "at the end")
            .map((question) => [question.id, mark(question, values[question.id], language)]),
        ),
      );
      setHandedIn(true);
    },
    again: () => {
      setValues({});
      setMarks({});
      setEnds({});
      setOver(new Set());
      setHandedIn(false);
    },
    end: (): TrialEnd => {
      const shown = Object.values(marks).flatMap((one) => (one && one.marks !== null ? [one] : []));
      const checks = allQuestions(document).map(({ question }) => question.checked);
      return {
        earned: Math.round(shown.reduce((sum, one) => sum + one.marks!, 0) * 100) / 100,
        outOf: shown.reduce((sum, one) => sum + one.outOf, 0),
        hidden: checks.includes("after due") ? "after due" : checks.length > 0 && shown.length === 0 ? "never" : null,
      };
    },
  };
}
