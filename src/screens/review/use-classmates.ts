"use client";
import { useCallback, useState } from "react";
import type { Classmates } from "@/server/review/own-review";

/** What classmates made of a question, read when it is asked for. */
export function useClassmates(assignment: number, question: string) {
  const [found, setFound] = useState<Classmates | null>(null);
  const [failed, setFailed] = useState(false);
  const read = useCallback(async () => {
    const response = await fetch(`/student/${assignment}/classmates?question=${encodeURIComponent(question)}`).catch(
      () => null,
    );
    setFailed(!response?.ok);
    if (response?.ok) setFound((await response.json()) as Classmates);
  }, [assignment, question]);
  return { found, failed, read };
}
