"use client";
import { useRouter } from "next/navigation";
import { countLateAnswers } from "@/screens/acts/results";
import { tell, tellProblem } from "@/ui/toast";

export interface LateAnswer {
  student: number;
  question: string;
  /** Which try of the student's, from 1. */
  number: number;
}

/** Lets answers that came late count, or no longer; with undo. */
export function useLetCount(assignment: number): (answers: LateAnswer[], counts: boolean) => Promise<void> {
  const router = useRouter();
  const change = async (answers: LateAnswer[], counts: boolean): Promise<void> => {
    const outcome = await countLateAnswers({ assignment, answers, counts });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    const what = answers.length === 1 ? "The late answer" : `${answers.length} late answers`;
    const verb = answers.length === 1 ? "counts" : "count";
    const not = answers.length === 1 ? "does not count" : "do not count";
    tell(`${what} ${counts ? verb : not}.`, () => void change(answers, !counts));
  };
  return change;
}
