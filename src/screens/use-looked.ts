"use client";
import { useEffect, useState } from "react";
import type { Outcome } from "@/server/web/act";

export interface Looked<Value> {
  /** The last answer; null: none has come, or it was a problem. */
  value: Value | null;
  problem: string | null;
  /** The answer is about what was given last. */
  fresh: boolean;
}

/**
 * What the server says of something that is not kept yet, asked a moment after its last change; null asks nothing. Until
 * the answer has come, the one before is there.
 */
export function useLooked<Input, Value>(
  look: (input: Input) => Promise<Outcome<Value>>,
  input: Input | null,
  afterMs = 200,
): Looked<Value> {
  const wanted = JSON.stringify(input);
  const [got, setGot] = useState<{ wanted: string; outcome: Outcome<Value> } | null>(null);
  useEffect(() => {
    const asked = JSON.parse(wanted) as Input | null;
    if (asked === null) return;
    let waiting = true;
    const timer = setTimeout(async () => {
      const outcome = await look(asked);
      // An answer to what has been changed since is not shown.
      if (waiting) setGot({ wanted, outcome });
    }, afterMs);
    return () => {
      waiting = false;
      clearTimeout(timer);
    };
  }, [look, wanted, afterMs]);
  const outcome = got?.outcome;
  return {
    value: outcome?.ok ? outcome.value : null,
    problem: outcome && !outcome.ok ? outcome.problem : null,
    fresh: got?.wanted === wanted,
  };
}
