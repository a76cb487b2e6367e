import { outcomesOf } from "@/core/results/outcomes";
import type { Db } from "@/data/engine/db";
import { keepOutcomes, staleAmong } from "@/data/results/outcomes";
import { workOf } from "@/data/student/work";

/**
 * Brings what is kept of results up to date, for these pieces of work: most are, and cost nothing. Everything that reads outcomes
 * calls it first.
 */
export async function judge(db: Db, assignments: readonly number[]): Promise<void> {
  for (const { assignment, keep, change } of await staleAmong(db, assignments)) {
    const outcomes = outcomesOf(await workOf(db, assignment), keep);
    await db.transaction((tx) => keepOutcomes(tx, { assignment, change }, outcomes));
  }
}
