import { StudentForm, studentForm } from "./student-input";

const typed = {
  ...{
    grade: 4,
    readingGrade: "4,5",
    factor: 1 as const,
    readsAloud: false,
    languages: "en, es-MX",
    familyLanguage: "",
  },
  ...{ signInName: "Sunniva.Dale", goal: "", goals: [] },
};
const wrongIn = (change: Partial<Record<keyof typeof typed, unknown>>) => {
  const read = StudentForm.safeParse({ ...typed, ...change });
  return read.error?.issues.map(({ path, message }) => `${path.join(".")}: ${message}`) ?? [];
};

test("a grade is read with a comma or a point, languages with anything between them, and nothing is null", () => {
  expect(StudentForm.parse(typed)).toMatchObject({
    readingGrade: 4.5,
    languages: ["en", "es-MX"],
    familyLanguage: null,
  });
  expect(StudentForm.parse({ ...typed, readingGrade: " ", languages: "en;es fr," })).toMatchObject({
    ...{ readingGrade: null, languages: ["en", "es", "fr"] },
  });
  expect(StudentForm.parse(typed).signInName).toBe("sunniva.dale");
});

test("what is wrong is said for its field", () => {
  expect(wrongIn({})).toEqual([]);
  expect(wrongIn({ readingGrade: "four" })).toEqual(["readingGrade: Write the grade as a number, like 4.5."]);
  expect(wrongIn({ readingGrade: "45" })).toEqual(["readingGrade: The grade is at most 15."]);
  expect(wrongIn({ languages: "en, Spanish" })).toEqual(["languages.1: A language is written like en or es-MX."]);
  expect(wrongIn({ familyLanguage: "the same" })).toEqual(["familyLanguage: A language is written like en or es-MX."]);
  expect(wrongIn({ goals: [{ id: 1, goal: " ", closed: false }] })).toEqual(["goals.0.goal: Write the goal."]);
});

test("a name to sign in with that came from elsewhere may stay; a new one must be one", () => {
  const form = studentForm("DIR_77@x");
  expect(form.safeParse({ ...typed, signInName: "DIR_77@x" }).success).toBe(true);
  expect(form.safeParse({ ...typed, signInName: "bo.tideman" }).success).toBe(true);
  expect(form.safeParse({ ...typed, signInName: "DIR_78@x" }).error?.issues[0]).toMatchObject({ path: ["signInName"] });
});
