"use client";
import type { Outcome } from "@/server/web/act";
import { tellProblem } from "@/ui/toast";

/** Redirects and "not found" travel as errors of Next's own: they are not ours to catch. */
const isNextsOwn = (error: unknown) => String((error as { digest?: unknown }).digest ?? "").startsWith("NEXT_");

/** Why an act came to nothing, as far as this browser knows. */
const notDone = (): string =>
  typeof navigator !== "undefined" && !navigator.onLine
    ? "You are offline, so this was not done. Try again when the network is back."
    : "The server could not be reached, so this may not have been done. Look again, and try once more.";

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
      const problem = notDone();
      if (!quietly) tellProblem(problem);
      return { ok: false, problem };
    }
  };
}

/** For acts that are expected to work, undoing above all: says when one did not. True when it did. */
export async function orTell(outcome: Promise<Outcome<unknown>>): Promise<boolean> {
  const came = await outcome;
  if (!came.ok) tellProblem(came.problem);
  return came.ok;
}
