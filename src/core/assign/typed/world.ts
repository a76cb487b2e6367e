import type { Meeting } from "@/core/calendar/school-calendar";

export interface LineStudent {
  id: number;
  givenName: string;
  familyName: string;
  grade: number | null;
  /** 1, 1.25, 1.5 or 2: the time she always has. */
  factor: number;
  /** She has one of the resources already. */
  has: boolean;
}

export interface LineClass {
  id: number;
  name: string;
  students: readonly LineStudent[];
  groups: readonly { id: number; name: string; students: readonly number[] }[];
  /** Its lessons of the next weeks, soonest first. */
  meetings: readonly Pick<Meeting, "date" | "period" | "label" | "starts" | "ends">[];
}

export interface LineVersion {
  id: number;
  /** Which of the resources assigned it is a version of. */
  of: number;
  title: string;
  minutes: number;
  readingGrade: number | null;
  /** BCP 47, the first is the main one. */
  languages: readonly string[];
}

/** What a line can speak of: her classes with their students and lessons, versions, goals, and the school's day. */
export interface LineWorld {
  now: Date;
  /** IANA zone of the school. */
  zone: string;
  /** The school's date today. */
  today: string;
  /** "3/12" is 3 December; otherwise 12 March. */
  dayFirst: boolean;
  classes: readonly LineClass[];
  /** What is assigned: versions are compared with it. */
  mains: readonly Omit<LineVersion, "of" | "title">[];
  versions: readonly LineVersion[];
  /** Goals used before. */
  goals: readonly string[];
}
