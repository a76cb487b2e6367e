"use client";
import { useCallback } from "react";
import { useTranslations } from "use-intl";
import type { ProblemCode } from "@/messages/catalogues";
import type { Problem } from "@/server/web/problem";

/** What went wrong, in the language of the screen where it has a code; else as the server says it. */
export function useProblem() {
  const t = useTranslations("problem");
  return useCallback(
    ({ problem, code, values }: Problem): string =>
      code && t.has(code as ProblemCode)
        ? (t as (code: string, values?: Record<string, string | number>) => string)(code, values)
        : problem,
    [t],
  );
}
