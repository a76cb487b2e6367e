import type { Document } from "../resource/document";
import type { Unfinished } from "../resource/unfinished";
import { licenceProblem, licencesAllowed, neverTogether } from "./licence";

/**
 * What its licence keeps from going out, each with a way out: a licence that would do, or the step that came from one of two
 * sources that exclude each other.
 * `licenceProblems(lesson)` gives `[]`.
 */
export function licenceProblems(document: Document): Unfinished[] {
  const problem = licenceProblem(document);
  if (!problem) return [];
  const [freest] = licencesAllowed(document.credits);
  if (freest) return [{ step: null, problem, licence: freest }];
  const pair = neverTogether(document.credits) ?? [];
  const taken = document.steps.find(({ origin }) =>
    pair.some(({ resource }) => resource !== undefined && resource === origin?.resource),
  );
  return [{ step: taken?.id ?? null, problem }];
}
