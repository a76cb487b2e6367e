import { z } from "zod";
import { isSignInName } from "./sign-in-name";

/** What a teacher writes down about a student: checked beside the field, and again by the act it is sent to. */

const Language = z.string().regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/, "A language is written like en or es-MX.");

export const StudentFacts = z.object({
  grade: z.number().int().min(0).max(12).nullable(),
  readingGrade: z
    .number("Write the grade as a number, like 4.5.")
    .min(0)
    .max(15, "The grade is at most 15.")
    .nullable(),
  factor: z.union([z.literal(1), z.literal(1.25), z.literal(1.5), z.literal(2)]),
  readsAloud: z.boolean(),
  languages: z.array(Language).max(6, "Six languages at most."),
  familyLanguage: Language.nullable(),
});

const NO_SIGN_IN_NAME = "A name to sign in with has 3 to 40 letters, digits, dots and hyphens.";
export const SignInName = z.string().trim().toLowerCase().refine(isSignInName, NO_SIGN_IN_NAME);

export const NewGoal = z.string().trim().max(120, "A goal has at most 120 characters.");
export const GoalChange = z.object({
  id: z.number().int().positive(),
  goal: NewGoal.min(1, "Write the goal."),
  closed: z.boolean(),
});

/**
 * The same as it is typed: a grade with a point or a comma, languages one after the other with commas between them.
 *
 *     StudentForm.parse({ readingGrade: "4,5", languages: "en, es-MX", … }).facts // { readingGrade: 4.5, languages: ["en", "es-MX"], … }
 */
export const StudentForm = z.object({
  grade: StudentFacts.shape.grade,
  readingGrade: z
    .string()
    .transform((text) => (text.trim() === "" ? null : Number(text.replace(",", "."))))
    .pipe(StudentFacts.shape.readingGrade),
  factor: StudentFacts.shape.factor,
  readsAloud: z.boolean(),
  languages: z
    .string()
    .transform((text) => text.split(/[,;\s]+/u).filter(Boolean))
    .pipe(StudentFacts.shape.languages),
  familyLanguage: z
    .string()
    .transform((text) => text.trim() || null)
    .pipe(StudentFacts.shape.familyLanguage),
  signInName: SignInName,
  goal: NewGoal,
  goals: z.array(GoalChange),
});

/**
 * The same for one student, whose name to sign in with may stay as it is, no matter who gave it.
 * `studentForm("Old Name").shape.signInName.safeParse("Old Name").success` gives `true`.
 */
export const studentForm = (signInName: string) =>
  StudentForm.extend({
    signInName: z
      .string()
      .trim()
      .refine((text) => text === signInName || SignInName.safeParse(text).success, NO_SIGN_IN_NAME),
  });
