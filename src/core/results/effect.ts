import type { Correction } from "./correction";
import { resultTable, type Keep, type StudentWork } from "./table";

/** One child whose marks change. */
export interface Change {
  student: { id: number; name: string };
  from: number;
  to: number;
}

/** Who gains and who loses by what would be changed; `outOf`: how many marks there are then, where it is the same for all. */
export interface Effect {
  gain: Change[];
  lose: Change[];
  outOf: number | null;
}

/**
 * What a correction would do, before it is made.
 * `effectOf(works, "best", "q", { kind: "void" }).lose.map(({ student }) => student.name)` gives `["Bo"]`.
 */
export function effectOf(works: readonly StudentWork[], keep: Keep, question: string, correction: Correction): Effect {
  const next = works.map((work) => ({
    ...work,
    corrections: { ...work.corrections, [question]: [...(work.corrections?.[question] ?? []), correction] },
  }));
  const [before, after] = [resultTable(works, keep).rows, resultTable(next, keep).rows];
  const changes = after.flatMap(({ student, marks, state }, at): Change[] =>
    state === "not begun" || marks === before[at]!.marks ? [] : [{ student, from: before[at]!.marks, to: marks }],
  );
  const sums = new Set(after.map(({ outOf }) => outOf));
  return {
    gain: changes.filter(({ from, to }) => to > from),
    lose: changes.filter(({ from, to }) => to < from),
    outOf: sums.size === 1 ? [...sums][0]! : null,
  };
}
