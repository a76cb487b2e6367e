import type { GradeSpan, Kind, Subject } from "../resource/document";
import { kinds, subjects } from "../content/vocabulary";
import { gradesOfSpan } from "../content/grade";
import { lengthLimits, shelves, type Need, type Shelf } from "./need";

/**
 * What is counted about an entry, packed into one integer so that a million rows can be counted without reading more:
 *
 *   bits 0-2 kind | 3-5 length | 6-15 subjects, one bit each | 16-28 grades K-12, one bit each
 */
export interface FacetValues {
  kind: Kind;
  minutes: number;
  subjects: readonly Subject[];
  grades: GradeSpan;
}

export const LENGTH_SHIFT = 3;
export const SUBJECT_SHIFT = 6;
export const GRADE_SHIFT = 16;
export const EIGHT = 7; // mask of three bits
export const SUBJECT_MASK = (1 << subjects.length) - 1;

/** 0 for up to 10 minutes, 1 for up to 15 …; one past the last limit for longer. `lengthClass(12)` gives `1`. */
export function lengthClass(minutes: number): number {
  const at = lengthLimits.findIndex((limit) => minutes <= limit);
  return at < 0 ? lengthLimits.length : at;
}

/** `bitsOf([0, 3])` gives `9`. */
export const bitsOf = (positions: readonly number[]): number => positions.reduce((bits, at) => bits | (1 << at), 0);

/**
 * Kind, length, subjects and grades of an entry in one integer.
 * `packFacets({ kind: "lesson", minutes: 12, subjects: [], grades: { from: 0, to: 0 } }) >> 16` gives `1`.
 */
export function packFacets({ kind, minutes, subjects: of, grades }: FacetValues): number {
  const gradeBits = bitsOf(gradesOfSpan(grades));
  return (
    kinds.indexOf(kind) |
    (lengthClass(minutes) << LENGTH_SHIFT) |
    (bitsOf(of.map((subject) => subjects.indexOf(subject))) << SUBJECT_SHIFT) |
    (gradeBits << GRADE_SHIFT)
  );
}

/** Where an entry can be seen by one reader; bits of `reach` in the search. */
export const STAFFROOM = 1;
export const DISTRICT = 2;
export const COMMONS = 4;
export const SATCHEL = 8;

export const shelfBit: Record<Shelf, number> = {
  staffroom: STAFFROOM,
  district: DISTRICT,
  commons: COMMONS,
  satchel: SATCHEL,
};

/** A need as masks for SQL; 0 (or 7 for the length) lets everything through. */
export interface NeedMasks {
  kinds: number;
  subjects: number;
  grades: number;
  longest: number;
  shelf: number;
}

/** What a need asks of that integer: `masksOf(need).grades` gives `48`. */
export function masksOf(need: Need): NeedMasks {
  return {
    kinds: bitsOf(need.kinds.map((kind) => kinds.indexOf(kind))),
    subjects: bitsOf(need.subjects.map((subject) => subjects.indexOf(subject))),
    grades: bitsOf(need.grades),
    longest: need.minutes === null ? EIGHT : lengthClass(need.minutes),
    shelf: need.shelf ? shelfBit[need.shelf] : 0,
  };
}

/** Counts by blank: how many results each value would leave, with all other blanks applied. */
export interface FacetCounts {
  kind: Partial<Record<Kind, number>>;
  subject: Partial<Record<Subject, number>>;
  grade: Partial<Record<number, number>>;
  /** By limit in minutes: how many take that long or less. */
  minutes: Partial<Record<number, number>>;
  shelf: Partial<Record<Shelf, number>>;
}

export interface CountRow {
  facet: "kind" | "length" | "subject" | "grade" | "shelf";
  value: number;
  entries: number;
}

/**
 * Rows of the database as the counts beside each blank.
 * `facetCounts([{ facet: "grade", value: 4, entries: 7 }]).grade` gives `{ 4: 7 }`.
 */
export function facetCounts(rows: readonly CountRow[]): FacetCounts {
  const counts: FacetCounts = { kind: {}, subject: {}, grade: {}, minutes: {}, shelf: {} };
  const byLength = new Array<number>(lengthLimits.length + 1).fill(0);
  for (const { facet, value, entries } of rows) {
    if (facet === "kind") counts.kind[kinds[value]!] = entries;
    if (facet === "subject") counts.subject[subjects[value]!] = entries;
    if (facet === "grade") counts.grade[value] = entries;
    if (facet === "length") byLength[value] = entries;
    if (facet === "shelf") counts.shelf[shelves.find((shelf) => shelfBit[shelf] === value)!] = entries;
  }
  let sum = 0;
  lengthLimits.forEach((limit, at) => (counts.minutes[limit] = sum += byLength[at]!));
  return counts;
}
