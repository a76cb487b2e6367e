"use client";
import { useCallback, useEffect, useState, useTransition } from "react";
import { useRouter } from "next/navigation";
import { useTranslations } from "use-intl";
import { handIn } from "@/screens/acts/student";
import { isUnreached } from "@/screens/acts/tried";
import { useProblem } from "../language/use-problem";
import { handedIn, handInLater, handsInLater } from "../offline/hand-in-later";
import type { SendState } from "./answer-queue";

const RETRY_MS = 6_000;

/**
 * Handing in, after everything that waits was sent. Without a network it is remembered, and done as soon as there is one; until then
 * she can go on writing, or take it back.
 */
export function useHandIn(of: {
  student: number;
  assignment: number;
  number: number;
  flush: () => Promise<SendState>;
  /** Why sending again is of no use, where it is. */
  isFinal: (state: SendState) => boolean;
  onProblem: (problem: string | null) => void;
}) {
  const { student, assignment, number, flush, isFinal, onProblem } = of;
  const t = useTranslations("work");
  const problemText = useProblem();
  const router = useRouter();
  const [handing, start] = useTransition();
  const [later, setLater] = useState(false);
  // Only the device knows, and only after it has loaded.
  // eslint-disable-next-line react-hooks/set-state-in-effect
  useEffect(() => setLater(handsInLater(student, assignment) === number), [student, assignment, number]);

  const send = useCallback(async (): Promise<"done" | "waiting" | "refused"> => {
    const sent = await flush();
    if (sent !== "kept" && isFinal(sent)) {
      onProblem(null);
      return "refused";
    }
    if (sent !== "kept") return "waiting";
    const outcome = await handIn({ assignment, number });
    if (isUnreached(outcome)) return "waiting";
    if (outcome.ok) router.refresh();
    else onProblem(problemText(outcome));
    return outcome.ok ? "done" : "refused";
  }, [assignment, number, flush, isFinal, onProblem, problemText, router]);

  const hand = () =>
    start(async () => {
      const came = await send();
      if (came !== "waiting") return;
      if (handInLater(student, assignment, number)) setLater(true);
      else onProblem(t("notSentYet"));
    });
  const notYet = useCallback(() => {
    handedIn(student, assignment);
    setLater(false);
  }, [student, assignment]);

  useEffect(() => {
    if (!later) return;
    let busy = false;
    const again = async () => {
      if (busy) return;
      busy = true;
      if ((await send()) !== "waiting") notYet();
      busy = false;
    };
    const retry = setInterval(() => void again(), RETRY_MS);
    const online = () => void again();
    window.addEventListener("online", online);
    return () => {
      clearInterval(retry);
      window.removeEventListener("online", online);
    };
  }, [later, send, notYet]);
  return { hand, handing, later, notYet };
}
