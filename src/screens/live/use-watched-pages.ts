"use client";
import { useEffect, useRef, useState } from "react";
import type { WatchedPage } from "@/server/live/shared-page";
import type { ReadPage } from "./read-page";

/** Many children type at once: the pages are read again at most so often. */
const AGAIN_MS = 600;

/** What groups write on a step, read again as often as `written` grows; empty while nobody has written. */
export function useWatchedPages(
  assignment: number,
  step: string,
  wanted: boolean,
  written: number,
): readonly ReadPage[] {
  const [pages, setPages] = useState<readonly ReadPage[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => {
    if (!wanted || timer.current !== null) return;
    const read = async () => {
      timer.current = null;
      const response = await fetch(`/lead/${assignment}/together?step=${encodeURIComponent(step)}`).catch(() => null);
      if (!response?.ok) return;
      const found = (await response.json()) as WatchedPage[];
      const { readPage } = await import("./read-page");
      setPages(found.map(readPage));
    };
    timer.current = setTimeout(() => void read(), written === 0 ? 0 : AGAIN_MS);
  }, [assignment, step, wanted, written]);
  useEffect(
    () => () => {
      if (timer.current !== null) clearTimeout(timer.current);
      timer.current = null;
    },
    [],
  );
  return wanted ? pages : [];
}
