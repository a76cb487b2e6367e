"use client";
import { useEffect, useRef, useState } from "react";
import type { Document } from "@/core/resource/document";
import type { Unfinished } from "@/core/resource/unfinished";

/**
 * What is worth a look. What measures it brings word lists along and reads every sentence: it does so in a thread of its
 * own, begun when the page stands already, so that neither opening nor typing waits for it.
 */
export function useRemarks(document: Document): Unfinished[] {
  const [found, setFound] = useState<Unfinished[]>([]);
  const worker = useRef<Worker>(undefined);
  const asked = useRef(0);

  useEffect(() => {
    worker.current ??= new Worker(new URL("./remarks-worker.ts", import.meta.url), { type: "module" });
    const reader = worker.current;
    const number = (asked.current += 1);
    const onAnswer = ({ data }: MessageEvent<{ number: number; found: Unfinished[] }>) => {
      if (data.number === number) setFound(data.found);
    };
    // It could not be loaded, the network being away: the next change tries again.
    reader.onerror = () => (worker.current = undefined);
    reader.addEventListener("message", onAnswer);
    reader.postMessage({ number, document });
    return () => reader.removeEventListener("message", onAnswer);
  }, [document]);

  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = undefined;
    },
    [],
  );
  return found;
}
