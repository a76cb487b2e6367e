"use client";
import { useCallback, useEffect, useState } from "react";
import { withQuestions, type Step } from "@/core/resource/document";
import type { Question } from "@/core/question/question";
import type { TimeLimit } from "@/core/resource/time-limit";
import { beginQuestion } from "@/screens/acts/student";
import type { QuestionLimits } from "../step/limited";
import type { Problem } from "@/server/web/problem";

/** A question that is open: what it asks, where the page did not know it, and until when by this device's clock. */
interface Open {
  left: number;
  end: number;
  question: Question | null;
}

const overIn = (limits: Record<string, TimeLimit>): ReadonlySet<string> =>
  new Set(Object.keys(limits).filter((question) => limits[question]!.left === 0));

/**
 * The questions that have a time: which are opened, until when, and what they ask, which comes only when they are.
 * The server's clock counts; the device is only told how long there is, so that a wrong clock on it does no harm.
 */
export function useLimits(
  assignment: number,
  limits: Record<string, TimeLimit>,
  on: { over: () => void; problem: (said: Problem | "no network" | null) => void },
) {
  const [open, setOpen] = useState<Record<string, Open>>({});
  const [over, setOver] = useState<ReadonlySet<string>>(() => overIn(limits));
  const [beginning, setBeginning] = useState<string | null>(null);
  const [begun, setBegun] = useState<string | null>(null);

  useEffect(() => {
    const now = Date.now();
    const running = Object.entries(limits).flatMap(([question, { left }]): [string, Open][] =>
      left ? [[question, { left, end: now + left * 1000, question: null }]] : [],
    );
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the moment at which the page is there is known only then
    setOpen(Object.fromEntries(running));
    setOver(overIn(limits));
  }, [limits]);

  const { over: whenOver } = on;
  useEffect(() => {
    const timers = Object.entries(open).map(([question, { end }]) =>
      setTimeout(
        () => {
          setOver((old) => new Set([...old, question]));
          whenOver();
        },
        Math.max(0, end - Date.now()),
      ),
    );
    return () => timers.forEach(clearTimeout);
  }, [open, whenOver]);

  // The button that was pressed is gone: somebody who works with the keyboard goes on at the question.
  useEffect(() => {
    if (begun) document.getElementById(`${begun}-prompt`)?.parentElement?.focus();
  }, [begun]);

  const begin = useCallback(
    async ({ id }: Question) => {
      setBeginning(id);
      try {
        const outcome = await beginQuestion({ assignment, question: id });
        on.problem(outcome.ok ? null : outcome);
        if (!outcome.ok) return;
        const { left, question } = outcome.value;
        setOpen((old) => ({ ...old, [id]: { left, end: Date.now() + left * 1000, question } }));
        setBegun(id);
      } catch {
        on.problem("no network");
      } finally {
        setBeginning(null);
      }
    },
    [assignment, on],
  );

  const forSteps: QuestionLimits = {
    of: ({ id }) => {
      const limit = limits[id];
      return limit && { ...limit, left: open[id]?.left ?? limit.left, end: open[id]?.end ?? null, over: over.has(id) };
    },
    begin: (question) => void begin(question),
    beginning,
  };
  return {
    forSteps,
    over: (question: Question) => over.has(question.id),
    opened: (step: Step): Step => withQuestions(step, (question) => open[question.id]?.question ?? question),
  };
}
