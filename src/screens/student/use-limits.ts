"use client";
import { useCallback, useEffect, useState } from "react";
import { withQuestions, type Step } from "@/core/resource/document";
import type { Question } from "@/core/resource/question";
import type { TimeLimit } from "@/core/resource/time-limit";
import { beginQuestion } from "@/server/actions/student";
import type { QuestionLimits } from "../step/limited";

/**
 * The questions that have a time: which are opened, until when, and what they ask, which comes only when they are.
 * The server's clock counts; the device is only told how long there is, so that a wrong clock on it does no harm.
 */
export function useLimits(
  assignment: number,
  start: Record<string, TimeLimit>,
  on: { over: () => void; problem: (said: string | null) => void },
) {
  const [limits, setLimits] = useState(start);
  const [asked, setAsked] = useState<Record<string, Question>>({});
  const [ends, setEnds] = useState<Record<string, number>>({});
  const [over, setOver] = useState<ReadonlySet<string>>(
    () => new Set(Object.keys(start).filter((question) => start[question]!.left === 0)),
  );
  const [beginning, setBeginning] = useState<string | null>(null);
  const [opened, setOpened] = useState<string | null>(null);

  useEffect(() => {
    const running = Object.entries(start).filter(([, { left }]) => left);
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the moment at which the page is there is known only then
    setEnds(Object.fromEntries(running.map(([question, { left }]) => [question, Date.now() + left! * 1000])));
  }, [start]);

  const { over: whenOver } = on;
  useEffect(() => {
    const timers = Object.entries(ends).map(([question, end]) =>
      setTimeout(
        () => {
          setOver((old) => new Set([...old, question]));
          whenOver();
        },
        Math.max(0, end - Date.now()),
      ),
    );
    return () => timers.forEach(clearTimeout);
  }, [ends, whenOver]);

  // The button that was pressed is gone: whoever works with the keyboard goes on at the question.
  useEffect(() => {
    if (opened) document.getElementById(`${opened}-prompt`)?.parentElement?.focus();
  }, [opened]);

  const begin = useCallback(
    async (question: Question) => {
      setBeginning(question.id);
      try {
        const outcome = await beginQuestion({ assignment, question: question.id });
        if (!outcome.ok) return on.problem(outcome.problem);
        const { left } = outcome.value;
        on.problem(null);
        setAsked((old) => ({ ...old, [question.id]: outcome.value.question }));
        setLimits((old) => ({ ...old, [question.id]: { ...old[question.id]!, left } }));
        setEnds((old) => ({ ...old, [question.id]: Date.now() + left * 1000 }));
        setOpened(question.id);
      } catch {
        on.problem("No network just now. The time has not begun; try again in a moment.");
      } finally {
        setBeginning(null);
      }
    },
    [assignment, on],
  );

  const forSteps: QuestionLimits = {
    of: (question) => {
      const limit = limits[question.id];
      return limit && { ...limit, end: ends[question.id] ?? null, over: over.has(question.id) };
    },
    begin: (question) => void begin(question),
    beginning,
  };
  return {
    forSteps,
    over: (question: Question) => over.has(question.id),
    opened: (step: Step): Step => withQuestions(step, (question) => asked[question.id] ?? question),
  };
}
