"use client";
import { useRouter } from "next/navigation";
import { useEffect } from "react";

const GATHER_MS = 300;

/** Reads the page again whenever something comes in; several answers within a moment are read together. */
export function useLive(assignment: number | null): void {
  const router = useRouter();
  useEffect(() => {
    if (assignment === null) return;
    const source = new EventSource(`/results/${assignment}/live`);
    let timer: ReturnType<typeof setTimeout> | undefined;
    source.onmessage = () => {
      timer ??= setTimeout(() => {
        timer = undefined;
        router.refresh();
      }, GATHER_MS);
    };
    return () => {
      clearTimeout(timer);
      source.close();
    };
  }, [assignment, router]);
}
