"use client";
import { parse } from "devalue";
import { startTransition, useCallback, useEffect, useRef, useState } from "react";
import type { Answered } from "@/core/find/asked";
import { tellProblem } from "@/ui/toast";

interface Answer<Value> {
  answer: Answered<Value>;
  /** The answer to another question is still shown. */
  waiting: boolean;
  /** Asks already, before the page has followed to this address. */
  ask: (address: string) => void;
  /** Nobody waits for it any more. */
  breakOff: () => void;
}

const noAnswer = "The satchel does not answer. What you chose is kept; go on when the network is back.";

/** @throws Error that says what went wrong */
async function read<Value>(route: string, address: string, signal: AbortSignal): Promise<Value> {
  const response = await fetch(`${route}?${address}`, { signal });
  // Signed out meanwhile: the page itself knows where to go.
  if (response.status === 401) window.location.reload();
  const text = await response.text();
  if (response.ok) return parse(text) as Value;
  // What stands between here and the satchel answers in words of its own, which are nobody's here.
  const ours = response.headers.get("content-type")?.includes("json");
  throw new Error(ours ? (JSON.parse(text) as { problem: string }).problem : noAnswer);
}

/**
 * A part of a page that is asked for by itself. It came with the page as `first`; when the address becomes another, `route`
 * is asked, and what was there stays until the answer has come; the question before is broken off. `address`: null asks
 * nothing, undefined leaves what is there until it is known what to ask. `afterMs`: how long it must stay the same first.
 */
export function useAnswer<Value>(
  route: string,
  address: string | null | undefined,
  first: Answered<Value>,
  afterMs = 0,
): Answer<Value> {
  const [taken, setTaken] = useState(first);
  const [answer, setAnswer] = useState(first);
  const [failed, setFailed] = useState<string | null>(null);
  if (first !== taken) {
    // The page was read anew: it knows better, unless it speaks of something left behind.
    setTaken(first);
    if (first.address === address || answer.address !== address) setAnswer(first);
  } else if (address === null && answer.address !== null) {
    // Left: whoever comes back asks again.
    setAnswer({ address: null, value: answer.value });
  }
  const underWay = useRef<{ address: string; abort: AbortController } | null>(null);
  const breakOff = useCallback(() => {
    underWay.current?.abort.abort();
    underWay.current = null;
  }, []);
  const ask = useCallback(
    async (address: string) => {
      if (underWay.current?.address === address) return;
      breakOff();
      const asking = { address, abort: new AbortController() };
      underWay.current = asking;
      try {
        const value = await read<Value>(route, address, asking.abort.signal);
        if (underWay.current !== asking) return;
        underWay.current = null;
        // What is typed meanwhile comes first.
        startTransition(() => setAnswer({ address, value }));
      } catch (error) {
        if (underWay.current !== asking) return;
        underWay.current = null;
        setFailed(address);
        tellProblem(error instanceof TypeError ? noAnswer : (error as Error).message);
      }
    },
    [route, breakOff],
  );
  const answered = answer.address === address;
  useEffect(() => {
    if (answered) return breakOff();
    if (typeof address !== "string") return;
    if (afterMs === 0) return void ask(address);
    const timer = setTimeout(() => void ask(address), afterMs);
    return () => clearTimeout(timer);
  }, [address, answered, afterMs, ask, breakOff]);
  useEffect(() => breakOff, [breakOff]);
  return {
    answer,
    waiting: typeof address === "string" && !answered && failed !== address,
    ask: (next) => answer.address !== next && void ask(next),
    breakOff,
  };
}
