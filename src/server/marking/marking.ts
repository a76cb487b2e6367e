import { seenBy, standingMarks, type SeenMarks } from "@/core/marking/given-mark";
import type { Db } from "@/data/engine/db";
import { markEntries } from "@/data/marking/marks";
import { rubricsOf, waysOf, type KeptRubric } from "@/data/marking/rubrics";
import { phrasesFor } from "../review/phrases";
import type { Visitor } from "../web/session";

/** What a teacher needs to mark a piece of work by hand. */
export interface Marking {
  /** Who marks. */
  me: number;
  standing: SeenMarks[];
  /** The rubric a question is marked by, by its id; none: by its marks. */
  ways: Record<string, KeptRubric>;
  /** Hers, to choose from. */
  rubrics: KeptRubric[];
  phrases: string[];
}

export async function markingOf(db: Db, visitor: Visitor, assignment: number): Promise<Marking> {
  const [entries, ways, rubrics, phrases] = await Promise.all([
    markEntries(db, assignment),
    waysOf(db, assignment),
    rubricsOf(db, visitor.id),
    phrasesFor(db, visitor.id),
  ]);
  return { me: visitor.id, standing: seenBy(standingMarks(entries), visitor.id), ways, rubrics, phrases };
}
