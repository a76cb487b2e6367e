"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { Outcome } from "@/server/act";
import { tell } from "@/ui/toast";

/** Keeps what was changed on a card and says so; what was wrong stays on the card with what was typed. */
export function useKeep() {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const keep = <Value>(
    work: () => Promise<Outcome<Value>>,
    said: (value: Value) => string,
    undo?: (value: Value) => void,
  ) =>
    start(async () => {
      const outcome = await work();
      setProblem(outcome.ok ? null : outcome.problem);
      if (!outcome.ok) return;
      router.refresh();
      tell(said(outcome.value), undo && (() => undo(outcome.value)));
    });
  return { problem, busy, keep };
}
