import { addDays, SEMESTER_WEEKS, type SchoolCalendar } from "./school-calendar";

/** A stretch of school days: a term, or all of a school year. ISO 8601 dates, both included. */
export interface Stretch {
  /** No two of a list have the same. */
  name: string;
  from: string;
  to: string;
}

/** Terms that began within this many days of today are of one school year. */
const YEAR_DAYS = 330;

/**
 * The terms that have begun, the latest first, and last the school year they make. Without terms it is a year back and a semester on.
 * `stretchesOf(isles, "2026-11-30")[0]?.name` gives `"Tides term"`.
 */
export function stretchesOf({ terms }: Pick<SchoolCalendar, "terms">, today: string): Stretch[] {
  const begun = terms.filter(({ from }) => from <= today).toSorted((one, other) => (one.from < other.from ? 1 : -1));
  const [latest] = begun;
  if (!latest) {
    const [from, to] = [addDays(today, -365), addDays(today, SEMESTER_WEEKS * 7)];
    return [{ name: "the last year", from, to }];
  }
  const first = begun.filter(({ from }) => from > addDays(today, -YEAR_DAYS)).at(-1) ?? latest;
  const last = terms
    .filter(({ from }) => from >= first.from)
    .reduce((to, term) => (term.to > to ? term.to : to), first.to);
  // Every year has a term of the same name.
  const named = begun.map(({ name, from, to }) => {
    const again = begun.some((other) => other.name === name && other.from > from);
    return { name: again ? `${name} ${from.slice(0, 4)}` : name, from, to };
  });
  return [...named, { name: "the school year", from: first.from, to: last }];
}
