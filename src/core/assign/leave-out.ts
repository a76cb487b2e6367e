import type { Remedy } from "./finding";
import type { AssignForm } from "./form";

/**
 * Of several things one is not assigned, and the rest of the form stays. Nothing where it is the only one.
 * `leaveOut({ resources: [1, 2], versions: [] }, 2)[0].change.resources` gives `[1]`.
 */
export function leaveOut({ resources, versions }: AssignForm, resource: number): Remedy[] {
  const rest = resources.filter((id) => id !== resource);
  if (rest.length === 0 || rest.length === resources.length) return [];
  const change = { resources: rest, versions: versions.filter(({ of }) => of !== resource) };
  return [{ text: "Leave it out", change }];
}
