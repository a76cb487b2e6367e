"use client";
import { useRef, useTransition } from "react";

/** Does one thing at a time: a second press while the first is still on its way is none. */
export function useOnce(): [busy: boolean, run: (work: () => Promise<unknown>) => void] {
  const running = useRef(false);
  const [busy, start] = useTransition();
  const run = (work: () => Promise<unknown>) => {
    if (running.current) return;
    running.current = true;
    start(async () => {
      try {
        await work();
      } finally {
        running.current = false;
      }
    });
  };
  return [busy, run];
}
