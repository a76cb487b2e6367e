/** K for kindergarten (0), else the number. `gradeName(0)` gives `"K"`. */
export function gradeName(grade: number): string {
  return grade === 0 ? "K" : String(grade);
}

/**
 * The grades there are among students, lowest first; anyone who has none is left out.
 * `gradesOf([{ grade: 5 }, { grade: null }, { grade: 4 }])` gives `[4, 5]`.
 */
export const gradesOf = (students: readonly { grade: number | null }[]): number[] =>
  [...new Set(students.flatMap(({ grade }) => grade ?? []))].sort((one, other) => one - other);

/** `formatGradeSpan({ from: 0, to: 3 })` gives `"K–3"`. */
export function formatGradeSpan(span: { from: number; to: number }): string {
  return span.from === span.to ? gradeName(span.from) : `${gradeName(span.from)}–${gradeName(span.to)}`;
}

/** A measured reading grade: beyond school the formulas only say that it is far beyond. `formatReadingGrade(4.5)` gives `"4.5"`. */
export const formatReadingGrade = (grade: number): string => (grade > 12 ? "12+" : grade.toFixed(1));

const ordinals = "first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth".split(" ");
/** Any of them, for a pattern. */
export const ordinalPattern = `(?:${ordinals.join("|")}|\\d{1,2}(?:st|nd|rd|th))`;

/** "4", "4th", "fourth" and "K" as a grade; null for any other word. `gradeNamed("fourth")` gives `4`. */
export function gradeNamed(word: string): number | null {
  const lower = word.toLowerCase();
  if (lower === "k") return 0;
  if (/^\d{1,2}(?:st|nd|rd|th)?$/.test(lower)) return Number.parseInt(lower, 10);
  const at = ordinals.indexOf(lower);
  return at < 0 ? null : at + 1;
}

/** Every grade of a span, 0 for K. `gradesOfSpan({ from: 0, to: 2 })` gives `[0, 1, 2]`. */
export const gradesOfSpan = ({ from, to }: { from: number; to: number }): number[] =>
  Array.from({ length: to - from + 1 }, (_, at) => from + at);
