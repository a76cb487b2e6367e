"use client";
import { useRouter } from "next/navigation";
import { useTransition } from "react";
import type { Outcome } from "@/server/act";
import { undoPlan } from "@/screens/acts/plan";
import { tell, tellProblem } from "@/ui/toast";

/** Runs a change of the plan: says what came of it, offers to take it back, and reads the plan anew. */
export function usePlanActs() {
  const router = useRouter();
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
      router.refresh();
      const { event } = outcome.value as { event?: number };
      tell(
        done(outcome.value),
        event === undefined
          ? undefined
          : async () => {
              const back = await undoPlan({ event });
              if (back.ok) tell(back.value.said);
              else tellProblem(back.problem);
              router.refresh();
            },
        more?.(outcome.value),
      );
    });
  return { busy, run };
}
