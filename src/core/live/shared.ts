import type { LessonView } from "./lesson";

/** The page a student shares on a step now: with whom (null: the whole class), and whether writing is paused. */
export interface Sharing {
  members: number[] | null;
  frozen: boolean;
}

/**
 * What page of a step a student writes on; null: her own.
 *
 *     sharedBy(view, "s2", 14) // { members: [12, 14], frozen: false }
 */
export function sharedBy(view: Pick<LessonView, "phase" | "work">, step: string, student: number): Sharing | null {
  const work = view.phase === "running" ? view.work[step] : undefined;
  if (!work?.shared) return null;
  if (work.mode === "class") return { members: null, frozen: work.frozen };
  const group = work.groups.find((one) => one.some((member) => member.student === student));
  return group ? { members: group.map((member) => member.student), frozen: work.frozen } : null;
}
