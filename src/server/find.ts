import { isFilled, type Need } from "@/core/find/need";
import type { Queryable } from "@/data/db";
import { countNeed, hitsOf, type Counts, type Hit, type Reader, type Sort } from "@/data/search";
import { correctWords, readWords } from "@/data/words";

export interface Found {
  hits: Hit[];
  counts: Counts;
  /** The words were not found as typed; these were, and are what is shown. */
  corrected: string | null;
}

/** One whole find page: the ranked hits, the counts of every blank, and a correction where the words found nothing. */
export async function find(
  db: Queryable,
  reader: Reader,
  need: Need,
  options: { sort: Sort; limit: number },
): Promise<Found> {
  const words = isFilled(need, "words") ? await readWords(db, need.words) : null;
  let [query, corrected] = [words, null as string | null];
  let counts = await countNeed(db, reader, need, query);
  const leftByWords = counts.trail.find((step) => step.blank === "words")?.left;
  if (leftByWords === 0) {
    const correction = await correctWords(db, need.words);
    const again = correction?.query ? await countNeed(db, reader, need, correction.query) : null;
    // Only when it finds something she may see: a suggestion must not tell of what she may not.
    if (again && again.trail.some((step) => step.blank === "words" && step.left > 0)) {
      [query, corrected, counts] = [correction!.query, correction!.words, again];
    }
  }
  const hits = counts.total === 0 ? [] : await hitsOf(db, reader, need, query, options);
  return { hits, counts, corrected };
}
