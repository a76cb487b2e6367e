import { standingMarks } from "@/core/marking/given-mark";
import { formatLevels } from "@/core/marking/rubric";
import { personsMark, type Mark } from "@/core/question/mark";
import type { Queryable } from "@/data/engine/db";
import { markEntries } from "@/data/marking/marks";
import { rubricById } from "@/data/marking/rubrics";

/** What people gave and said to a student's try, by question: the mark that counts, else the words there are. */
export async function ownMarks(
  db: Queryable,
  of: { assignment: number; student: number; number: number },
): Promise<Map<string, Mark>> {
  const standing = standingMarks(await markEntries(db, of.assignment, of.student)).filter(
    ({ number }) => number === of.number,
  );
  const found = new Map<string, Mark>();
  for (const { question, counts, all } of standing) {
    const mark = counts ?? all[0];
    if (!mark) continue;
    const rubric = mark.rubric === null ? undefined : await rubricById(db, mark.rubric);
    const levels = rubric && mark.levels && mark.marks !== null ? formatLevels(rubric.content, mark.levels) : "";
    found.set(question, personsMark(mark, { levels, comment: mark.comment }));
  }
  return found;
}
