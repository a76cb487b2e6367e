import type { BlockOf, FilmStop } from "./block";
import { type NewId } from "./edit";
import { newQuestion } from "../question/new-question";
import type { QuestionType } from "../question/question";
import { richText } from "../content/rich-text";

/** Changes to a film's stops while it is made. Times are seconds from the beginning of the file, to a tenth. */

type Film = BlockOf<"film">;

const tenth = (seconds: number) => Math.round(Math.max(0, seconds) * 10) / 10;

/** What a stop holds: a question of a type, something to read, or a page to open. */
export type StopKind = QuestionType | "note" | "link";

/**
 * A film with one more stop, empty as yet, in the order of time.
 * `addStop(film, 5, "note", "en", () => "new").stops.map(({ id }) => id)` gives `["new", "stop"]`.
 */
export function addStop(film: Film, at: number, kind: StopKind, language: string, newId: NewId): Film {
  const stop: FilmStop = {
    id: newId(),
    at: tenth(at),
    maySkip: kind === "note" || kind === "link",
    ...(kind === "note"
      ? { note: { [language]: richText("") } }
      : kind === "link"
        ? { link: { href: "https://example.org/", label: { [language]: "" } } }
        : { question: newQuestion(kind, language, newId) }),
  };
  return { ...film, stops: inTime([...film.stops, stop]) };
}

const inTime = (stops: readonly FilmStop[]) => stops.toSorted((one, other) => one.at - other.at);

/**
 * A film with a stop of the same id in its place, in the order of time.
 * `putStop(film, { ...film.stops[0], at: 20.04 }).stops[0].at` gives `20`.
 */
export const putStop = (film: Film, stop: FilmStop): Film => ({
  ...film,
  stops: inTime(film.stops.map((old) => (old.id === stop.id ? { ...stop, at: tenth(stop.at) } : old))),
});

/**
 * Which stop was moved where, from the times of all stops before (the film's) and after, each in order; null when none
 * was. A stop that is carried past another changes places with it.
 * `movedStop(film, [30]).at` gives `30`.
 */
export function movedStop(film: Film, times: readonly number[]): { stop: FilmStop; at: number } | null {
  const after = [...times];
  const left = film.stops.filter((stop) => {
    const same = after.findIndex((at) => tenth(at) === stop.at);
    if (same >= 0) after.splice(same, 1);
    return same < 0;
  });
  return left.length === 1 && after.length === 1 ? { stop: left[0]!, at: tenth(after[0]!) } : null;
}

/** `removeStop({ stops: [{ id: "a" }] }, "a").stops` gives `[]`. */
export const removeStop = (film: Film, id: string): Film => ({
  ...film,
  stops: film.stops.filter((stop) => stop.id !== id),
});

/**
 * Why a film would not do what it is set up to do, or null. `length` is null until the file is known.
 * `filmProblem({ from: 9, to: 3, stops: [] })` gives `"A film ends before it begins."`.
 */
export function filmProblem(film: Film, length: number | null = null): string | null {
  const [from, to] = [film.from ?? 0, film.to ?? length ?? Infinity];
  if (from >= to) return "A film ends before it begins.";
  return film.stops.some((stop) => stop.at < from || stop.at > to)
    ? "A film has a stop outside the part that is shown."
    : null;
}
