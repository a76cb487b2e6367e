import { languageName } from "../locale/names";
import { gradeName, gradesOf } from "../content/grade";

/** What of a student decides which version she gets. */
export interface Whom {
  id: number;
  grade: number | null;
  readingGrade: number | null;
  factor: number;
  readsAloud: boolean;
  /** What she reads, BCP 47. */
  languages: readonly string[];
}

export interface WhomRule {
  text: string;
  test: (student: Whom) => boolean;
}

const READING_STEPS = [3, 4, 5, 6, 7, 8];

/**
 * Whom a rule means: every choice a teacher makes over and over, by what is known of students. Only rules that tell some
 * of these students from others are there, and at last everyone. `main`: languages of the resource, which need no rule.
 * `whomRules([{ id: 1, grade: 4, factor: 1, languages: ["en"] }, { id: 2, grade: 5, factor: 1, languages: ["en"] }], [], ["en"]).map(({ text }) => text)` gives `["grade 4", "grade 5", "everyone"]`.
 */
export function whomRules(
  students: readonly Whom[],
  groups: readonly { name: string; students: readonly number[] }[],
  main: readonly string[],
): WhomRule[] {
  const grades = gradesOf(students);
  const base = (tag: string) => tag.split("-")[0]!;
  const read = [...new Set(students.flatMap(({ languages }) => languages.map(base)))].filter(
    (language) => !main.map(base).includes(language),
  );
  return [
    ...(grades.length > 1
      ? grades.map((grade) => ({ text: `grade ${gradeName(grade)}`, test: (student: Whom) => student.grade === grade }))
      : []),
    ...groups.map((group) => ({ text: group.name, test: ({ id }: Whom) => group.students.includes(id) })),
    ...READING_STEPS.filter((most) => students.some(({ readingGrade }) => readingGrade !== null && readingGrade < most))
      .filter((most) => students.some(({ readingGrade }) => readingGrade !== null && readingGrade >= most))
      .map((most) => ({
        text: `everyone who reads below ${most}`,
        test: ({ readingGrade }: Whom) => readingGrade !== null && readingGrade < most,
      })),
    ...read.map((language) => ({
      text: `everyone who reads ${languageName(language)}`,
      test: ({ languages }: Whom) => languages.map(base).includes(language),
    })),
    ...(students.some(({ readsAloud }) => readsAloud)
      ? [{ text: "anyone who has things read aloud", test: ({ readsAloud }: Whom) => readsAloud }]
      : []),
    ...(students.some(({ factor }) => factor > 1)
      ? [{ text: "anyone with more time", test: ({ factor }: Whom) => factor > 1 }]
      : []),
    { text: "everyone", test: () => true },
  ];
}
