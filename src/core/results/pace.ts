import { FEWEST_STUDENTS, robustZ } from "./statistics";
import type { ResultTable } from "./table";

/** Far slower or far quicker than the others at one question. */
export type Pace = "long" | "raced";

/** Beyond this a value is labelled an outlier (Iglewicz and Hoaglin 1993). */
const FAR = 3.5;
/** However quick the others are: within this many seconds nobody is called slow, beyond this many nobody raced. Common practice. */
const NEVER_LONG = 20;
const NEVER_RACED = 15;

/**
 * Who took unusually long at a question, or raced through it: by the logarithm of time, question by question, and each child by the
 * time she is allowed. Of fewer than five children nothing is said. By question, then by student.
 *
 *     paceOf(table)["q7"] // { 17: "long" }
 */
export function paceOf(table: ResultTable): Record<string, Record<number, Pace>> {
  const found: Record<string, Record<number, Pace>> = {};
  for (const { id } of table.questions) {
    const taken = table.rows.flatMap(({ student, factor, cells }) => {
      const seconds = cells[id]?.seconds;
      return seconds ? [{ student: student.id, seconds: seconds / factor }] : [];
    });
    if (taken.length < FEWEST_STUDENTS) continue;
    const far = robustZ(taken.map(({ seconds }) => Math.log(seconds)));
    far?.forEach((z, at) => {
      const { student, seconds } = taken[at]!;
      const pace = z > FAR && seconds > NEVER_LONG ? "long" : z < -FAR && seconds < NEVER_RACED ? "raced" : null;
      if (pace) (found[id] ??= {})[student] = pace;
    });
  }
  return found;
}
