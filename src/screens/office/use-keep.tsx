"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { undoPlan } from "@/screens/acts/plan";
import type { Outcome } from "@/server/act";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";

/**
 * Keeps what was changed on a card, says so, and offers to take it back; what was wrong stays on the card with what was
 * typed, and is said in `notice`.
 */
export function useKeep() {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const keep = <Value extends object>(
    work: () => Promise<Outcome<Value>>,
    said: (value: Value) => string,
    /** How it is taken back, where the event of the act does not say. */
    undo?: (value: Value) => Promise<Outcome<unknown>>,
    undone = "It is as it was.",
  ) =>
    start(async () => {
      const outcome = await work();
      setProblem(outcome.ok ? null : outcome.problem);
      if (!outcome.ok) return;
      router.refresh();
      const { event } = outcome.value as { event?: number };
      const back = async () => {
        const backed = await (undo ? undo(outcome.value) : undoPlan({ event: event! }));
        if (backed.ok) tell(undone);
        else tellProblem(backed.problem);
        router.refresh();
      };
      tell(said(outcome.value), (undo ?? event !== undefined) ? back : undefined);
    });
  const notice = problem && (
    <Notice tone="warning" className="mt-2">
      {problem}
    </Notice>
  );
  return { notice, busy, keep };
}
