import { element, type Element } from "../markup";

export type BaseType = "identifier" | "string" | "float" | "directedPair" | "file";
export type Cardinality = "single" | "multiple" | "ordered";

/** One thing an item asks for, and what it earns. */
export interface Part {
  declaration: Element;
  /** What adds to the score, a condition each; none: a person reads it. */
  scoring: readonly Element[];
  /** Whether all of it is right, for questions that earn everything or nothing. */
  isRight: Element | null;
}

const value = (one: string | number) => element("value", {}, String(one));
const variable = (identifier: string) => element("variable", { identifier });
const add = (earned: Element): Element =>
  element("setOutcomeValue", { identifier: "SCORE" }, element("sum", {}, variable("SCORE"), earned));
export const when = (test: Element, earned: number): Element =>
  element(
    "responseCondition",
    {},
    element("responseIf", {}, test, add(element("baseValue", { baseType: "float" }, String(earned)))),
  );
/** What a map says it is worth, unless nothing was answered: that has no value at all. */
const whenMapped = (identifier: string): Element =>
  element(
    "responseCondition",
    {},
    element(
      "responseIf",
      {},
      element("not", {}, element("isNull", {}, variable(identifier))),
      add(element("mapResponse", { identifier })),
    ),
  );

const declare = (
  identifier: string,
  baseType: BaseType,
  cardinality: Cardinality,
  right: readonly (string | number)[],
  ...more: readonly Element[]
): Element =>
  element(
    "responseDeclaration",
    { identifier, cardinality, baseType },
    right.length > 0 ? element("correctResponse", {}, ...right.map(value)) : null,
    ...more,
  );
const isCorrect = (identifier: string) =>
  element("match", {}, variable(identifier), element("correct", { identifier }));

/** All right or nothing: the standard's match_correct. */
export const allRight = (
  identifier: string,
  baseType: BaseType,
  cardinality: Cardinality,
  right: readonly string[],
  earned: number,
): Part => ({
  declaration: declare(identifier, baseType, cardinality, right),
  scoring: [when(isCorrect(identifier), earned)],
  isRight: isCorrect(identifier),
});

/** Each value earns its own: the standard's map_response, never less than nothing nor more than `most`. */
export const eachEarns = (
  identifier: string,
  baseType: BaseType,
  cardinality: Cardinality,
  right: readonly string[],
  map: readonly { key: string; worth: number; caseSensitive?: boolean }[],
  { most, otherwise = 0 }: { most: number; otherwise?: number },
): Part => ({
  declaration: declare(
    identifier,
    baseType,
    cardinality,
    right,
    element(
      "mapping",
      { lowerBound: 0, upperBound: most, defaultValue: otherwise },
      ...map.map(({ key, worth, caseSensitive }) =>
        element("mapEntry", {
          ...{ mapKey: key, mappedValue: worth },
          caseSensitive: caseSensitive === undefined ? undefined : String(caseSensitive),
        }),
      ),
    ),
  ),
  scoring: [whenMapped(identifier)],
  isRight:
    baseType === "string"
      ? element(
          "or",
          {},
          ...map
            .filter(({ worth }) => worth >= most)
            .map(({ key, caseSensitive = true }) =>
              element(
                "stringMatch",
                { caseSensitive: String(caseSensitive) },
                variable(identifier),
                element("baseValue", { baseType: "string" }, key),
              ),
            ),
        )
      : isCorrect(identifier),
});

/** Each of an order counts when it is in its own place. */
export const eachInPlace = (identifier: string, right: readonly string[], most: number): Part => ({
  declaration: declare(identifier, "identifier", "ordered", right),
  scoring: right.map((one, at) =>
    when(
      element(
        "match",
        {},
        element("index", { n: at + 1 }, variable(identifier)),
        element("baseValue", { baseType: "identifier" }, one),
      ),
      most / right.length,
    ),
  ),
  isRight: isCorrect(identifier),
});

/** A number that may be off by this much. */
export function nearNumber(identifier: string, right: number, tolerance: number, earned: number): Part {
  const isNear = element(
    "equal",
    { toleranceMode: "absolute", tolerance: `${tolerance} ${tolerance}` },
    variable(identifier),
    element("correct", { identifier }),
  );
  return {
    declaration: declare(identifier, "float", "single", [right]),
    scoring: [when(isNear, earned)],
    isRight: isNear,
  };
}

/** Nothing of it is marked by a machine. */
export const readBySomebody = (identifier: string, baseType: BaseType, cardinality: Cardinality = "single"): Part => ({
  declaration: declare(identifier, baseType, cardinality, []),
  ...{ scoring: [], isRight: null },
});
