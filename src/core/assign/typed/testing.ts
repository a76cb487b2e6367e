import { momentAt } from "@/core/calendar/school-calendar";
import type { AssignForm } from "../form";
import { plainForm } from "../plain-form";
import type { LineClass, LineWorld } from "./world";

/** Two classes on a Thursday, 26 November 2026, at ten in the morning, for tests of typed lines. */

const zone = "Atlantic/Reykjavik";
const meeting = (date: string, period: number, time: string, label = "") => ({
  date,
  period,
  label,
  starts: momentAt(date, time, zone),
  ends: new Date(momentAt(date, time, zone).getTime() + 40 * 60_000),
});
const student = (id: number, givenName: string, familyName: string, grade: number, has = false, factor = 1) => ({
  id,
  givenName,
  familyName,
  grade,
  has,
  factor,
});

export const puffin: LineClass = {
  id: 1,
  name: "4/5 Puffin",
  students: [
    student(11, "Benno", "Lasz", 4),
    student(12, "Marek", "Dunlin", 4),
    student(13, "Hari", "Sundin", 5, true, 1.5),
    student(14, "Opal", "Reed", 5),
    student(15, "Aina", "Berg", 4),
    student(16, "Aina", "Voss", 5),
  ],
  groups: [
    { id: 101, name: "Red boats", students: [11, 12] },
    { id: 102, name: "Terns", students: [13, 14] },
  ],
  meetings: [
    meeting("2026-11-27", 1, "08:50", "Reading"),
    meeting("2026-12-01", 1, "08:50", "Reading"),
    meeting("2026-12-01", 5, "13:10", "Science"),
    meeting("2026-12-03", 1, "08:50", "Reading"),
  ],
};

export const kittiwake: LineClass = {
  id: 2,
  name: "5 Kittiwake",
  students: [student(21, "Bo", "Tideman", 5), student(22, "Iris", "Kelp", 5), student(23, "Wren", "Sun", 5)],
  groups: [],
  meetings: [meeting("2026-11-30", 2, "09:40"), meeting("2026-12-01", 2, "09:40"), meeting("2026-12-01", 6, "14:00")],
};

export const world: LineWorld = {
  now: momentAt("2026-11-26", "10:00", zone),
  zone,
  today: "2026-11-26",
  dayFirst: true,
  classes: [puffin, kittiwake],
  mains: [{ id: 7, minutes: 40, readingGrade: 4.2, languages: ["en"] }],
  versions: [
    { id: 901, of: 7, title: "Reading a tide table, short", minutes: 20, readingGrade: 4.1, languages: ["en"] },
    { id: 902, of: 7, title: "Tide tables for the harbour master", minutes: 40, readingGrade: 2.8, languages: ["en"] },
    { id: 903, of: 7, title: "La tabla de mareas", minutes: 40, readingGrade: null, languages: ["es"] },
  ],
  goals: ["Equivalent fractions", "Reads charts and tables"],
};

export const base: AssignForm = plainForm(
  { resources: [7], to: [{ class: 1, students: puffin.students.map(({ id }) => id) }] },
  { opens: { kind: "place", date: "2026-11-27", period: 1 } },
);
export const several: AssignForm = { ...base, resources: [7, 8, 9] };
