import { idFrom } from "../ids";

/** Children something is looked for or assigned to because of a result. */
export interface ForThese {
  class: number;
  students: number[];
  /** The work whose result it was. */
  follows: number | null;
  /** The steps to be done again, where it is the same resource; null: all of it. */
  steps: string[] | null;
}

const MOST_STEPS = 100;
const MOST_STUDENTS = 400;

/**
 * Read from an address, "for=3.17.21&follows=9&steps=s1.s2"; null where it says nothing, or nothing that can be read.
 * `forTheseFrom(new URLSearchParams("for=3.17.21")).students` gives `[17, 21]`.
 */
export function forTheseFrom(parameters: { get(name: string): string | null }): ForThese | null {
  const [group, ...students] = (parameters.get("for") ?? "").split(".").map((text) => idFrom(text));
  if (group === undefined || students.length === 0 || students.length > MOST_STUDENTS) return null;
  if (students.some((id) => id === undefined)) return null;
  const steps = (parameters.get("steps") ?? "").split(".").filter((step) => /^[A-Za-z0-9_-]{1,40}$/.test(step));
  return {
    class: group,
    students: [...new Set(students as number[])],
    follows: idFrom(parameters.get("follows") ?? "") ?? null,
    steps: steps.length > 0 && steps.length <= MOST_STEPS ? steps : null,
  };
}

/**
 * The same as parameters of an address; null takes them out.
 * `forTheseAs({ class: 3, students: [7, 8], follows: null, steps: ["a", "b"] })` gives `{ for: "3.7.8", follows: null, steps: "a.b" }`.
 */
export function forTheseAs(of: ForThese | null): Record<"for" | "follows" | "steps", string | null> {
  return {
    for: of && [of.class, ...of.students].join("."),
    follows: of?.follows ? String(of.follows) : null,
    steps: of?.steps?.join(".") ?? null,
  };
}
