"use client";
import { useState } from "react";
import { sharedBy } from "@/core/live/shared";
import type { LessonView } from "@/core/live/lesson";
import type { Question, ResponseValue } from "@/core/question/question";
import { withQuestions, type Step } from "@/core/resource/document";
import type { PageEvent } from "../live/use-lesson";
import { useSharedPage, type SharedWork } from "./use-shared-page";

/** How a step stands where part of it is answered on a page that is shared. */
export interface Together {
  /** The page she writes on with others now; null: it is still being read. */
  page: SharedWork | null;
  /** All see it, and nobody writes. */
  paused: boolean;
  /** The given name of who writes just now, if it is somebody else. */
  writing: string | null;
  step: Step;
  values: Record<string, ResponseValue | undefined>;
  /** Whether a question belongs to the page; the others stay each child's own. */
  has: (question: Question) => boolean;
}

/**
 * What a step shares with others: now (`together`), or in the last lesson (`past`, to be looked at). Her own answers are not touched:
 * they are there again when she works alone.
 */
export function useTogether(of: {
  assignment: number;
  student: number;
  step: Step | undefined;
  lesson: LessonView | null;
  /** Steps that were shared in the last lesson. */
  before: readonly string[];
  values: Record<string, ResponseValue | undefined>;
  onPage: (heard: (event: PageEvent) => void) => () => void;
}): { together: Together | null; past: SharedWork | null } {
  const { assignment, student, step, lesson, before, values, onPage } = of;
  const sharing = lesson && step ? sharedBy(lesson, step.id, student) : null;
  const [since, setSince] = useState<readonly string[]>(before);
  if (sharing && step && !since.includes(step.id)) setSince([...since, step.id]);
  const key = sharing ? (sharing.members?.join(" ") ?? "class") : step && since.includes(step.id) ? "past" : null;
  const page = useSharedPage({ ...{ assignment, student, onPage, key }, step: step?.id });
  if (!sharing || !step) return { together: null, past: page };
  const shared = new Map((page?.questions ?? []).map((question) => [question.id, question]));
  const group = lesson?.work[step.id]?.groups.find((one) => one.some((member) => member.student === student));
  return {
    past: null,
    together: {
      page,
      paused: sharing.frozen,
      writing: group?.find((member) => member.student === page?.writing)?.name ?? null,
      step: withQuestions(step, (question) => shared.get(question.id) ?? question),
      // Until the page is there nothing is shown, or a child would write into her own.
      values: page ? { ...values, ...Object.fromEntries([...shared.keys()].map((id) => [id, page.values[id]])) } : {},
      has: (question) => shared.has(question.id),
    },
  };
}
