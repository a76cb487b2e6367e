import { z } from "zod";
import { devices } from "../content/device";
import { isLanguageTag } from "../content/vocabulary";

/** What is said of a class: what it is called, and what decides whether something fits it. */
const Grade = z.number().int().min(0).max(12);
const ReadingGrade = z.number().min(0, "A reading grade is 0 to 13.").max(13, "A reading grade is 0 to 13.");

const Fields = z.object({
  name: z.string().trim().min(1, "A class needs a name.").max(60),
  subject: z.string().trim().min(1, "Say which subject.").max(60),
  gradeFrom: Grade,
  gradeTo: Grade,
  periodMinutes: z
    .number()
    .int("A lesson is a whole number of minutes.")
    .min(5, "A lesson is 5 to 240 minutes.")
    .max(240, "A lesson is 5 to 240 minutes."),
  /** Reading grades of its weakest and strongest readers; null: from what is known of its students. */
  reading: z.object({ from: ReadingGrade, to: ReadingGrade }).nullable(),
  languages: z
    .array(z.string().refine(isLanguageTag, "We do not know one of these. Write them like English, español."))
    .min(1, "Add at least one language.")
    .max(12),
  devices: z.array(z.enum(devices)).max(devices.length),
});

/** Two fields are compared as soon as both can be read, whatever is wrong with the others: all of it is said at once. */
const grades = Fields.pick({ gradeFrom: true, gradeTo: true });
const reading = Fields.pick({ reading: true });

export const ClassSaid = Fields.refine((said) => said.gradeFrom <= said.gradeTo, {
  message: "The lower grade comes first.",
  path: ["gradeFrom"],
  when: ({ value }) => grades.safeParse(value).success,
}).refine((said) => said.reading === null || said.reading.from <= said.reading.to, {
  message: "The lower reading grade comes first.",
  path: ["reading"],
  when: ({ value }) => reading.safeParse(value).success,
});
export type ClassSaid = z.infer<typeof ClassSaid>;
