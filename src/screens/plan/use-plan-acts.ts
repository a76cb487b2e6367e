"use client";
import { useTransition } from "react";
import type { Outcome } from "@/server/web/act";
import { useDone } from "@/screens/use-done";
import { tellProblem } from "@/ui/toast";

/** Runs a change of the plan: says what came of it, offers to take it back, and reads the plan anew. */
export function usePlanActs() {
  const formatDone = useDone();
  const [busy, start] = useTransition();
  const run = <Value extends object>(
    work: () => Promise<Outcome<Value>>,
    done: (value: Value) => string,
    after?: () => void,
    /** Where the problem is shown, when not as a passing note. */
    onProblem: (problem: string) => void = tellProblem,
    more?: (value: Value) => { label: string; onClick: () => void },
  ) =>
    start(async () => {
      const outcome = await work();
      if (!outcome.ok) {
        onProblem(outcome.problem);
        return;
      }
      after?.();
      formatDone(done(outcome.value), (outcome.value as { event?: number }).event, { more: more?.(outcome.value) });
    });
  return { busy, run };
}
