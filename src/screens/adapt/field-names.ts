import type { Field } from "@/core/resource/merge";

export const fieldNames: Record<Field, string> = {
  title: "Title",
  summary: "Summary",
  kind: "Kind",
  grades: "Grades",
  subjects: "Subjects",
  topics: "Topics",
  months: "Months",
  minutes: "Minutes",
  region: "Country",
  devices: "Devices",
  standards: "Standards",
  edition: "Edition",
  vocabulary: "Vocabulary",
  teacherNotes: "Notes for the teacher",
  familyNote: "Note for families",
  runSheet: "Run sheet",
  languages: "Languages",
};
