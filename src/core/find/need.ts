import { z } from "zod";
import { Kind, Subject, kinds, subjects } from "../resource/document";
import { gradeName } from "./grade";

/** The need line: what she looks for, as a sentence with blanks. Its text form is the address of the page. */
export const shelves = ["satchel", "staffroom", "district", "commons"] as const;
export const Shelf = z.enum(shelves);
export type Shelf = z.infer<typeof Shelf>;

/** "Up to so many minutes"; the last is everything longer than the one before. */
export const lengthLimits = [10, 15, 20, 30, 45, 60] as const;

export interface Need {
  words: string;
  kinds: Kind[];
  grades: number[];
  subjects: Subject[];
  /** At most so many minutes; null: any time. */
  minutes: number | null;
  shelf: Shelf | null;
}

export const anyNeed: Need = { words: "", kinds: [], grades: [], subjects: [], minutes: null, shelf: null };

const LONGEST_WORDS = 200;

type Parameters = Record<string, string | string[] | undefined>;

function list<Value>(parameters: Parameters, name: string, known: (text: string) => Value | undefined): Value[] {
  const given = parameters[name];
  const texts = (Array.isArray(given) ? given.join(",") : (given ?? "")).split(",");
  return [...new Set(texts.map(known).filter((value) => value !== undefined))];
}

/** Reads an address; what it does not know it leaves out, so an old or mistyped link still opens. */
export function needFromParameters(parameters: Parameters): Need {
  const first = (name: string) => [parameters[name]].flat()[0] ?? "";
  const minutes = Number(first("minutes"));
  const inRange = (text: string) => (/^\d{1,2}$/.test(text) && Number(text) <= 12 ? Number(text) : undefined);
  return {
    words: first("words").slice(0, LONGEST_WORDS),
    kinds: list(parameters, "kind", (text) => Kind.safeParse(text).data),
    grades: list(parameters, "grades", inRange).sort((a, b) => a - b),
    subjects: list(parameters, "subject", (text) => Subject.safeParse(text).data),
    minutes: (lengthLimits as readonly number[]).includes(minutes) ? minutes : null,
    shelf: Shelf.safeParse(first("shelf")).data ?? null,
  };
}

export function needToParameters(need: Need): URLSearchParams {
  const parameters = new URLSearchParams();
  if (need.words.trim()) parameters.set("words", need.words.trim());
  if (need.kinds.length) parameters.set("kind", need.kinds.join(","));
  if (need.grades.length) parameters.set("grades", need.grades.join(","));
  if (need.subjects.length) parameters.set("subject", need.subjects.join(","));
  if (need.minutes !== null) parameters.set("minutes", String(need.minutes));
  if (need.shelf) parameters.set("shelf", need.shelf);
  return parameters;
}

export const blanks = ["kind", "words", "grades", "subject", "minutes", "shelf"] as const;
export type Blank = (typeof blanks)[number];

export function isFilled(need: Need, blank: Blank): boolean {
  switch (blank) {
    case "words":
      return need.words.trim() !== "";
    case "kind":
      return need.kinds.length > 0;
    case "grades":
      return need.grades.length > 0;
    case "subject":
      return need.subjects.length > 0;
    case "minutes":
      return need.minutes !== null;
    case "shelf":
      return need.shelf !== null;
  }
}

export function emptied(need: Need, blank: Blank): Need {
  switch (blank) {
    case "words":
      return { ...need, words: "" };
    case "kind":
      return { ...need, kinds: [] };
    case "grades":
      return { ...need, grades: [] };
    case "subject":
      return { ...need, subjects: [] };
    case "minutes":
      return { ...need, minutes: null };
    case "shelf":
      return { ...need, shelf: null };
  }
}

/** Runs of neighbouring grades: "4–5", "K, 3–4". */
export function sayGrades(grades: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const grade of [...grades].sort((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last && grade === last[1] + 1) last[1] = grade;
    else runs.push([grade, grade]);
  }
  return runs.map(([from, to]) => (from === to ? gradeName(from) : `${gradeName(from)}–${gradeName(to)}`)).join(", ");
}

const either = (words: readonly string[]) =>
  words.length <= 1 ? (words[0] ?? "") : `${words.slice(0, -1).join(", ")} or ${words.at(-1)}`;

export const shelfNames: Record<Shelf, string> = {
  satchel: "my satchel",
  staffroom: "the staffroom",
  district: "the district shelf",
  commons: "the commons",
};

const kindPlural: Record<Kind, string> = {
  lesson: "lessons",
  activity: "activities",
  reading: "readings",
  quiz: "quizzes",
  film: "films",
  printable: "printables",
  template: "templates",
};

export const kindName = (kind: Kind): string => kindPlural[kind];

/** What a blank says when filled, and what it says when not. */
export function sayBlank(need: Need, blank: Blank): string {
  switch (blank) {
    case "kind":
      return need.kinds.length ? either(need.kinds.map(kindName)) : "anything";
    case "words":
      return need.words.trim() || "anything";
    case "grades":
      return need.grades.length
        ? `${need.grades.length === 1 ? "grade" : "grades"} ${sayGrades(need.grades)}`
        : "any grade";
    case "subject":
      return need.subjects.length ? either(need.subjects) : "any subject";
    case "minutes":
      return need.minutes !== null ? `up to ${need.minutes} minutes` : "any time";
    case "shelf":
      return need.shelf ? shelfNames[need.shelf] : "every shelf";
  }
}

export const everyKind = kinds;
export const everySubject = subjects;
