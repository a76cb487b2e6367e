/**
 * The tag results of a child's own goal are collected under: "Reads charts aloud (2026)".
 * `formatGoal({ goal: "Reads charts aloud", year: 2026 })` gives `"Reads charts aloud (2026)"`.
 */
export const formatGoal = ({ goal, year }: { goal: string; year: number }): string => `${goal} (${year})`;

/**
 * Results tracked under a child's own goal.
 * `underGoal([{ goals: ["Reads charts (2026)"] }, { goals: [] }], { goal: "Reads charts", year: 2026 }).length` gives `1`.
 */
export const underGoal = <Tracked extends { goals: readonly string[] }>(
  points: readonly Tracked[],
  goal: { goal: string; year: number },
): Tracked[] => points.filter(({ goals }) => goals.includes(formatGoal(goal)));
