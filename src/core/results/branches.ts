/** A statement of a framework, in its tree. */
export interface Statement {
  id: number;
  parent: number | null;
  code: string;
  statement: string;
  /** School grades, kindergarten as 0; null: for all. */
  gradeFrom: number | null;
  gradeTo: number | null;
}

/** Statements that stand under one heading of the tree. */
export interface Branch {
  heading: Statement | null;
  statements: Statement[];
}

/**
 * The tops of a framework, in order: what is chosen between.
 * `areasOf([{ id: 1, parent: null }, { id: 2, parent: 1 }]).length` gives `1`.
 */
export const areasOf = (statements: readonly Statement[]): Statement[] =>
  statements.filter(({ parent }) => parent === null);

/**
 * The grades a framework has statements for.
 * `gradesIn([{ gradeFrom: 4, gradeTo: 5 }, { gradeFrom: null, gradeTo: null }])` gives `[4, 5]`.
 */
export const gradesIn = (statements: readonly Statement[]): number[] =>
  [
    ...new Set(
      statements.flatMap(({ gradeFrom, gradeTo }) =>
        gradeFrom === null
          ? []
          : Array.from({ length: (gradeTo ?? gradeFrom) - gradeFrom + 1 }, (_, at) => gradeFrom + at),
      ),
    ),
  ].toSorted((one, other) => one - other);

/**
 * The top of the tree a statement stands under; itself, where it is one.
 * `areaOf(new Map([[1, { id: 1, parent: null }]]), { id: 2, parent: 1 }).id` gives `1`.
 */
export function areaOf<S extends Pick<Statement, "id" | "parent">>(byId: ReadonlyMap<number, S>, statement: S): S {
  const above = statement.parent === null ? undefined : byId.get(statement.parent);
  return above ? areaOf(byId, above) : statement;
}

/**
 * The statements of an area that nothing stands below, for these grades, each under its heading. Those without a grade are for all.
 * `branchesOf([{ id: 1, parent: null }, { id: 2, parent: 1 }], null, null)[0].statements` gives `[{ id: 2, parent: 1 }]`.
 */
export function branchesOf(
  statements: readonly Statement[],
  area: number | null,
  grades: { from: number; to: number } | null,
): Branch[] {
  const byId = new Map(statements.map((one) => [one.id, one]));
  const isAbove = new Set(statements.flatMap(({ parent }) => parent ?? []));
  const suits = ({ gradeFrom, gradeTo }: Statement) =>
    grades === null || gradeFrom === null || (gradeFrom <= grades.to && (gradeTo ?? gradeFrom) >= grades.from);
  const branches = new Map<number | null, Branch>();
  for (const one of statements) {
    if (isAbove.has(one.id) || !suits(one) || (area !== null && areaOf(byId, one).id !== area)) continue;
    const branch = branches.get(one.parent) ?? { heading: byId.get(one.parent ?? 0) ?? null, statements: [] };
    branch.statements.push(one);
    branches.set(one.parent, branch);
  }
  return [...branches.values()];
}

const start = (text: string) => text.toLowerCase().slice(0, 4);

/**
 * Lessons left in which an area is taught, by the name of the lesson; where none is called like it, all of them.
 * `lessonsFor([{ label: "Reading", left: 3 }, { label: "Maths", left: 4 }], "Maths")` gives `4`.
 */
export function lessonsFor(lessons: readonly { label: string; left: number }[], area: string): number {
  const named = lessons.filter(({ label }) => start(label) === start(area));
  return (named.length > 0 ? named : lessons).reduce((sum, { left }) => sum + left, 0);
}

/**
 * The grades a table is about, as an address says it: "all", one grade, or else those of the classes.
 * `gradesAsked("4", [{ grades: { from: 3, to: 5 } }])` gives `{ from: 4, to: 4 }`.
 */
export function gradesAsked(
  said: string | null,
  classes: readonly { grades: { from: number; to: number } }[],
): { from: number; to: number } | null {
  if (said === "all" || classes.length === 0) return null;
  if (said !== null && /^\d{1,2}$/.test(said) && Number(said) <= 12) return { from: Number(said), to: Number(said) };
  return {
    from: Math.min(...classes.map(({ grades }) => grades.from)),
    to: Math.max(...classes.map(({ grades }) => grades.to)),
  };
}
