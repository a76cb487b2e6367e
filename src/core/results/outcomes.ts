import { allQuestions } from "../resource/document";
import { standardsOf } from "../resource/aligned";
import { resultTable, type Keep, type StudentWork } from "./table";

/** What one child gained in a piece of work: in all of it, or in what asks about one standard. */
export interface Outcome {
  student: number;
  /** Null: the whole work. */
  standard: { framework: string; code: string } | null;
  gained: number;
  outOf: number;
  /** How many questions it was gained in. */
  questions: number;
  minutes: number;
  handedIn: Date;
}

const hundredths = (value: number) => Math.round(value * 100) / 100;

/**
 * What everybody who handed in gained, by the try that counts; by standard as far as questions with marks ask about it. Answers a
 * person still reads count nowhere.
 * `outcomesOf(works, "best").map(({ student, gained, outOf }) => [student, gained, outOf])` gives `[[1, 0, 1], [2, 1, 1]]`.
 */
export function outcomesOf(works: readonly StudentWork[], keep: Keep): Outcome[] {
  const { rows } = resultTable(works, keep);
  return works.flatMap(({ document, student }, at): Outcome[] => {
    const { state, cells, minutes, handedInAt } = rows[at]!;
    if (state !== "handed in" || !handedInAt) return [];
    const marked = allQuestions(document).flatMap(({ question }) => {
      const mark = cells[question.id]?.mark;
      return mark && mark.marks !== null && mark.outOf > 0 ? [{ question, gained: mark.marks, outOf: mark.outOf }] : [];
    });
    const of = (some: typeof marked, standard: Outcome["standard"]): Outcome => ({
      ...{ student: student.id, standard, minutes, handedIn: handedInAt, questions: some.length },
      gained: hundredths(some.reduce((sum, { gained }) => sum + gained, 0)),
      outOf: hundredths(some.reduce((sum, { outOf }) => sum + outOf, 0)),
    });
    const byStandard = new Map<string, { standard: NonNullable<Outcome["standard"]>; some: typeof marked }>();
    for (const one of marked) {
      for (const { framework, code } of standardsOf(document, one.question)) {
        const key = `${framework} ${code}`;
        const there = byStandard.get(key) ?? { standard: { framework, code }, some: [] };
        there.some.push(one);
        byStandard.set(key, there);
      }
    }
    return [of(marked, null), ...[...byStandard.values()].map(({ standard, some }) => of(some, standard))];
  });
}
