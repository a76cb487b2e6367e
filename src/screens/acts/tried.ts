"use client";
import english from "@/messages/en.json";
import type { Outcome } from "@/server/web/act";
import type { Problem } from "@/server/web/problem";
import { tellProblem } from "@/ui/toast";

/** Redirects and "not found" travel as errors of Next's own: they are not ours to catch. */
const isNextsOwn = (error: unknown) => String((error as { digest?: unknown }).digest ?? "").startsWith("NEXT_");

/** Why an act came to nothing, as far as this browser knows. */
const notDone = (): Problem => {
  const code = typeof navigator !== "undefined" && !navigator.onLine ? "offline" : "unreachable";
  return { problem: english.problem[code], code };
};

/** Whether an act did not reach the server, or its answer did not come back: it may be tried again. */
export const isUnreached = (outcome: Outcome<unknown>): boolean =>
  !outcome.ok && (outcome.code === "offline" || outcome.code === "unreachable");

type Action<Input, Value> = (input: Input) => Promise<Outcome<Value>>;

/**
 * The one way screens call the server: an act that does not reach it, or whose answer does not come back, becomes an
 * outcome that says so, never silence and never a torn page. It is also told as a passing note, for acts whose outcome
 * nobody looks at; `quietly` for those that show it in a place of their own.
 *
 *     export const packResource = tried(actions.packResource);
 */
export function tried<Input, Value>(action: Action<Input, Value>, quietly?: "quietly"): Action<Input, Value> {
  return async (input) => {
    try {
      return await action(input);
    } catch (error) {
      if (isNextsOwn(error)) throw error;
      const said = notDone();
      if (!quietly) tellProblem(said.problem);
      return { ok: false, ...said };
    }
  };
}

/** For acts that are expected to work, undoing above all: says when one did not. True when it did. */
export async function orTell(outcome: Promise<Outcome<unknown>>): Promise<boolean> {
  const came = await outcome;
  if (!came.ok) tellProblem(came.problem);
  return came.ok;
}
