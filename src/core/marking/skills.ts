import type { Point } from "../results/progress";
import { isMark, standingMarks, type MarkEntry } from "./given-mark";
import type { Rubric } from "./rubric";

/** Levels a child was given for a skill (a criterion, by its name), as points over time. */
export interface SkillPoints {
  skill: string;
  points: Point[];
}

/**
 * What marks by rubrics say about single skills: the level that counts of each answer, by the criterion's name, whichever rubric it
 * is in. Skills by name.
 * `skillPoints([], new Map())` gives `[]`.
 */
export function skillPoints(
  works: readonly { assignment: number; title: string; at: Date; entries: readonly MarkEntry[] }[],
  rubrics: ReadonlyMap<number, Rubric>,
): SkillPoints[] {
  const found = new Map<string, Point[]>();
  for (const { assignment, title, at, entries } of works)
    for (const { counts } of standingMarks(entries)) {
      const rubric = counts && isMark(counts) && counts.rubric !== null ? rubrics.get(counts.rubric) : undefined;
      for (const { id, name, levels } of rubric?.criteria ?? []) {
        const level = levels[counts!.levels?.[id] ?? -1];
        if (!level) continue;
        const outOf = Math.max(...levels.map(({ marks }) => marks));
        found.set(name, [...(found.get(name) ?? []), { assignment, title, at, gained: level.marks, outOf }]);
      }
    }
  return [...found]
    .map(([skill, points]) => ({ skill, points }))
    .toSorted((one, other) => one.skill.localeCompare(other.skill, "en"));
}
