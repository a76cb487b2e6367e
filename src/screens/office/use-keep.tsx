"use client";
import { useState, useTransition } from "react";
import { useDone } from "@/screens/use-done";
import type { Outcome } from "@/server/web/act";
import { Notice } from "@/ui/notice";

/**
 * Keeps what was changed on a card, says so, and offers to undo it; what was wrong stays on the card with what was typed,
 * and is said in `notice`.
 */
export function useKeep() {
  const formatDone = useDone();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const keep = <Value extends object>(work: () => Promise<Outcome<Value>>, said: (value: Value) => string) =>
    start(async () => {
      const outcome = await work();
      setProblem(outcome.ok ? null : outcome.problem);
      if (outcome.ok) formatDone(said(outcome.value), (outcome.value as { event?: number }).event);
    });
  const notice = problem && (
    <Notice tone="warning" className="mt-2">
      {problem}
    </Notice>
  );
  return { notice, busy, keep };
}
