"use client";
import { useEffect, useState } from "react";
import type { Finding } from "@/core/assign/finding";
import type { AssignForm } from "@/core/assign/form";
import type { Audience } from "@/server/assign/audience";
import { audienceFor, lookBeforeAssigning } from "@/screens/acts/assign";
import { useLooked } from "../use-looked";

/** Whom and when something can be given to; null until it has arrived. */
export function useAudience(
  resources: readonly number[],
  like: number | null,
): { audience: Audience | null; problem: string | null } {
  const key = resources.join(",");
  const [got, setGot] = useState<{ key: string; audience: Audience | null; problem: string | null }>();
  useEffect(() => {
    let asked = true;
    void audienceFor({ resources: key.split(",").map(Number), ...(like !== null && { like }) }).then((outcome) => {
      if (!asked) return;
      setGot({
        key,
        audience: outcome.ok ? outcome.value : null,
        problem: outcome.ok ? null : outcome.problem,
      });
    });
    return () => {
      asked = false;
    };
  }, [key, like]);
  return got?.key === key ? got : { audience: null, problem: null };
}

export interface Looked {
  said: string[];
  findings: Finding[];
  problem: string | null;
}

const SETTLE_MS = 150;

/** What the server says of the form as it is, a moment after the last change. `fresh`: it is about this very form. */
export function useLastLook(form: AssignForm | null): { looked: Looked | null; fresh: boolean } {
  const asked = form && form.to.length > 0 ? form : null;
  const { value, problem, fresh } = useLooked(lookBeforeAssigning, asked, SETTLE_MS);
  const looked = value ? { ...value, problem: null } : problem === null ? null : { said: [], findings: [], problem };
  return { looked, fresh: asked !== null && fresh };
}
