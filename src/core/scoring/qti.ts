/**
 * The two standard response-processing templates of 1EdTech QTI (2.1 Information Model, "Response Processing"; the same
 * in 3.0): match_correct and map_response. Everything else in this folder is built from them.
 */
export type Cardinality = "single" | "multiple" | "ordered";

/**
 * 1 when the response is the correct one, else 0. `multiple` ignores order and counts repeats; `ordered` does not ignore it.
 * `matchCorrect(["b", "a"], ["a", "b"], "multiple")` gives `1`.
 */
export function matchCorrect(response: readonly string[], correct: readonly string[], cardinality: Cardinality): 0 | 1 {
  if (response.length !== correct.length) return 0;
  const [answer, wanted] =
    cardinality === "multiple" ? [[...response].sort(), [...correct].sort()] : [response, correct];
  return answer.every((value, at) => value === wanted[at]) ? 1 : 0;
}

export interface Mapping {
  entries: ReadonlyMap<string, number>;
  /** What a value that is not in the map is worth. */
  defaultValue: number;
  lowerBound?: number;
  upperBound?: number;
}

/**
 * The sum of what each value is worth, each distinct value counted once, held between the bounds.
 * `mapResponse(["a", "a"], { entries: new Map([["a", 2]]), defaultValue: 0 })` gives `2`.
 */
export function mapResponse(response: readonly string[], mapping: Mapping): number {
  const sum = [...new Set(response)].reduce(
    (total, value) => total + (mapping.entries.get(value) ?? mapping.defaultValue),
    0,
  );
  return Math.min(mapping.upperBound ?? Infinity, Math.max(mapping.lowerBound ?? -Infinity, sum));
}
