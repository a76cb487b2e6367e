import { forTheseAs } from "@/core/assign/for-these";
import type { Missed } from "@/core/results/missed";

/** The work whose result it is. */
export interface From {
  assignment: number;
  resource: number;
  class: number;
}

const forGroup = ({ students }: Pick<Missed, "students">, from: From, steps: readonly string[] | null) =>
  Object.entries(
    forTheseAs({
      class: from.class,
      students: students.map(({ id }) => id),
      follows: from.assignment,
      steps: steps && [...steps],
    }),
  ).flatMap(([name, value]): [string, string][] => (value === null ? [] : [[name, value]]));

/** Assigning these steps once more to these children, set up as the first time. */
export function againAddress(group: Missed, from: From, steps: readonly string[]): string {
  const parameters = new URLSearchParams([
    ["open", String(from.resource)],
    ["do", "assign"],
    ["like", String(from.assignment)],
    ...forGroup(group, from, steps),
  ]);
  return `/find?${parameters.toString()}`;
}

/** Assigning another version to these children. */
export function versionAddress(group: Missed, from: From, version: number): string {
  const parameters = new URLSearchParams([["open", String(version)], ["do", "assign"], ...forGroup(group, from, null)]);
  return `/find?${parameters.toString()}`;
}

/** The grade all of these children can read in; null: of none it is known. */
export function readsAt(
  { students }: Pick<Missed, "students">,
  reads: Readonly<Record<number, number>>,
): number | null {
  const known = students.flatMap(({ id }) => reads[id] ?? []);
  return known.length === 0 ? null : Math.max(0, Math.floor(Math.min(...known)));
}

/** Find with a need filled in, as an address has it; what is assigned from there goes to these children. */
export function findAddress(group: Missed, from: From, need: string): string {
  const parameters = new URLSearchParams(need);
  for (const [name, value] of forGroup(group, from, null)) parameters.set(name, value);
  return `/find?${parameters.toString()}`;
}
