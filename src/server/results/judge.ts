import { outcomesOf } from "@/core/results/outcomes";
import type { Db } from "@/data/engine/db";
import { anyStale, keepOutcomes, staleAmong } from "@/data/results/outcomes";
import { workWithLastAnswers } from "@/data/results/work-of-class";

/**
 * Brings what is kept of results up to date, for these pieces of work: most are, and cost nothing. Everything that reads outcomes
 * calls it first.
 */
export async function judge(db: Db, assignments: readonly number[]): Promise<void> {
  for (const { assignment, keep, change } of await staleAmong(db, assignments)) {
    const outcomes = outcomesOf(await workWithLastAnswers(db, assignment), keep);
    await db.transaction((tx) => keepOutcomes(tx, { assignment, change }, outcomes));
  }
}

const AT_ONCE = 20;
const MOST_A_DAY = 100_000;

/**
 * The same for all there is, a few at a time, so that nobody who opens coverage waits for a year to be marked. Returns how many.
 */
export async function judgeAll(db: Db): Promise<number> {
  let sum = 0;
  for (;;) {
    const stale = await anyStale(db, AT_ONCE);
    if (stale.length === 0) return sum;
    await judge(db, stale);
    sum += stale.length;
    // Answers may come in faster than they are worked out.
    if (sum >= MOST_A_DAY) return sum;
  }
}
