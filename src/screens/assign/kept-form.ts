import { AssignForm } from "@/core/assign/form";

/** What of the assign panel stands in the address: the line typed, and what of the form a line cannot say. */
export interface KeptForm {
  line: string;
  form: Partial<AssignForm>;
}

/** Longer than this it is left out of the address: browsers cut addresses off. */
const LONGEST = 1_500;
const keyOf = (resources: readonly number[]) => `${resources.join(".")}:`;

/**
 * Read from the address; null where there is nothing, or it was about other resources. What cannot be read counts as not
 * said: somebody may have sent a link that was cut off.
 */
export function keptFrom(parameters: URLSearchParams, resources: readonly number[]): KeptForm | null {
  const key = keyOf(resources);
  const of = (name: "line" | "form") => {
    const text = parameters.get(name);
    return text?.startsWith(key) ? text.slice(key.length) : null;
  };
  const [line, form] = [of("line"), of("form")];
  if (line === null && form === null) return null;
  let changed: Partial<AssignForm> = {};
  try {
    changed = AssignForm.partial().parse(JSON.parse(form ?? "{}"));
  } catch {
    // The line is kept all the same.
  }
  return { line: line ?? "", form: changed };
}

/** The same as parameters of an address; null: there is nothing to keep. */
export function keptAs(
  resources: readonly number[],
  line: string,
  beneath: AssignForm | null,
  start: AssignForm | null,
): { line: string | null; form: string | null } {
  const key = keyOf(resources);
  const differs =
    beneath && start
      ? Object.fromEntries(
          Object.entries(beneath).filter(
            ([name, value]) => JSON.stringify(value) !== JSON.stringify(start[name as keyof AssignForm]),
          ),
        )
      : {};
  const form = Object.keys(differs).length > 0 ? `${key}${JSON.stringify(differs)}` : null;
  return {
    line: line.trim() ? `${key}${line}`.slice(0, LONGEST) : null,
    form: form && form.length <= LONGEST ? form : null,
  };
}
