import { idFrom } from "../ids";
import { isAnything, needFromParameters, needToParameters, type Need } from "./need";
import { MOST_SHOWN, sorts, type Sort } from "./order";

/** Lines of results before more are asked for. */
const FIRST_SHOWN = 40;

/** Everything of an address the results depend on; what else stands there only says how they are looked at. */
export interface Asked {
  need: Need;
  sort: Sort;
  /** How many lines at the most. */
  limit: number;
  /** The family whose versions have lines of their own; 0: none. */
  unfolded: number;
  /** The first of the look-alikes that have lines of their own; 0: none. */
  alike: number;
}

/**
 * Reads an address; what it does not know it leaves out, so an old or mistyped link still opens.
 * `askedFrom({ words: "tides", sort: "newst" }).sort` gives `"best"`.
 */
export function askedFrom(parameters: Record<string, string | string[] | undefined>): Asked {
  const first = (name: string) => [parameters[name]].flat()[0] ?? "";
  return {
    need: needFromParameters(parameters),
    sort: sorts.find((one) => one === first("sort")) ?? "best",
    limit: Math.min(MOST_SHOWN, Math.max(FIRST_SHOWN, Number(first("show")) || 0)),
    unfolded: idFrom(first("unfold")) ?? 0,
    alike: idFrom(first("alike")) ?? 0,
  };
}

/**
 * The same as an address, written one way only: equal questions have equal addresses.
 * `askedAddress(askedFrom({ words: "tides" }))` gives `"words=tides"`.
 */
export function askedAddress({ need, sort, limit, unfolded, alike }: Asked): string {
  const parameters = needToParameters(need);
  if (sort !== "best") parameters.set("sort", sort);
  if (limit > FIRST_SHOWN) parameters.set("show", String(limit));
  if (unfolded > 0) parameters.set("unfold", String(unfolded));
  if (alike > 0) parameters.set("alike", String(alike));
  return parameters.toString();
}

/** What was answered, and to which address; null: nothing is asked. An answer that comes late is known as one to another question. */
export interface Answered<Value> {
  address: string | null;
  value: Value;
}

/** Nothing is looked for and nothing opened: Find shows places to begin. `startsHere(askedFrom({}), undefined)` gives `true`. */
export const startsHere = ({ need, sort }: Asked, chosen: number | undefined): boolean =>
  isAnything(need) && chosen === undefined && sort === "best";

/**
 * What lies on the light table as an address; null: nothing does. `chosen`: she opened it herself.
 * `tableAddress(7, true)` gives `"resource=7&chosen=1"`.
 */
export const tableAddress = (resource: number | undefined, chosen: boolean): string | null =>
  resource === undefined ? null : `resource=${resource}${chosen ? "&chosen=1" : ""}`;
