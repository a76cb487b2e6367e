import { useEffect, useEffectEvent, useState } from "react";
import type { Looked } from "./use-assign";

interface Wish {
  /** With Enter in the line, or with the button or Ctrl and Enter, which pass over what was not understood. */
  how: "Enter" | "at once";
  /** What of the last look was in sight when she pressed. */
  seen: readonly string[];
}

interface Sending {
  looked: Looked | null;
  /** The last look is about the form as it is now. */
  fresh: boolean;
  nobody: boolean;
  busy: boolean;
  /** “except Bo” changes nothing yet; empty: all is understood. */
  notUnderstood: string;
  /** Sends it; `settled` is called when it has gone out, or could not. */
  send: (settled: () => void) => void;
}

type Decision = "wait" | "send" | { hold: string };

/** What comes of a wish to send as things are now. */
export function decide(wish: Wish, { looked, fresh, nobody, busy, notUnderstood }: Omit<Sending, "send">): Decision {
  if (nobody) return { hold: "Choose at least one student." };
  if (wish.how === "Enter" && notUnderstood) return { hold: `${notUnderstood} Press Ctrl+Enter to assign without it.` };
  if (!fresh || !looked || busy) return "wait";
  if (looked.problem || looked.findings.some(({ level }) => level === "stop"))
    return { hold: "It can’t be assigned yet: fix what is marked above." };
  if (wish.how === "Enter" && looked.findings.some(({ key }) => !wish.seen.includes(key)))
    return { hold: "Have a look first. Press Enter again to assign." };
  return "send";
}

/**
 * When it goes out. A key pressed before the last look has come back is kept until then; what stops it, or is worth a look and
 * was not shown when she pressed Enter, holds it and says so.
 */
export function useSending(sending: Sending) {
  const [wish, setWish] = useState<Wish | null>(null);
  const decision = wish && decide(wish, sending);
  const send = useEffectEvent(() => sending.send(() => setWish(null)));
  const goes = decision === "send";
  useEffect(() => {
    if (goes) send();
  }, [goes]);
  return {
    ask: (how: Wish["how"]) => setWish({ how, seen: sending.looked?.findings.map(({ key }) => key) ?? [] }),
    /** Forgets the wish: something was changed since. */
    forget: () => setWish(null),
    waits: decision !== null && typeof decision === "object" ? decision.hold : null,
    waiting: decision === "wait",
  };
}
