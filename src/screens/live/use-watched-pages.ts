"use client";
import { useEffect, useRef, useState } from "react";
import type { WatchedPage } from "@/server/live/shared-page";
import type { ReadPage } from "./read-page";

/** Many children type at once: the pages are read again at most so often. */
const AGAIN_MS = 600;

const none: readonly ReadPage[] = [];

/** What groups write on a step, read again as often as `written` grows; empty while nobody has written. */
export function useWatchedPages(
  assignment: number,
  step: string,
  wanted: boolean,
  written: number,
): readonly ReadPage[] {
  const [pages, setPages] = useState<{ of: string; pages: readonly ReadPage[] }>({ of: step, pages: [] });
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => {
    if (!wanted || timer.current !== null) return;
    const read = async () => {
      timer.current = null;
      const response = await fetch(`/lead/${assignment}/together?step=${encodeURIComponent(step)}`).catch(() => null);
      if (!response?.ok) return;
      const found = (await response.json()) as WatchedPage[];
      const { readPage } = await import("./read-page");
      setPages({ of: step, pages: found.map(readPage) });
    };
    timer.current = setTimeout(() => void read(), written === 0 ? 0 : AGAIN_MS);
  }, [assignment, step, wanted, written]);
  // Another step is read at once, and what of the last one is on its way comes too late.
  useEffect(
    () => () => {
      if (timer.current !== null) clearTimeout(timer.current);
      timer.current = null;
    },
    [assignment, step],
  );
  return wanted && pages.of === step ? pages.pages : none;
}
