import type { SchoolCalendar } from "../calendar/school-calendar";
import type { ClassProfile } from "../fit/fit";
import type { Document } from "../resource/document";
import type { Facts } from "../resource/facts";
import type { AssignForm, When, WhenProblem } from "./form";

/**
 * A change of the form that mends it; a copy without the voices of others, assigned in place of the resource; or a place to go and
 * mend it.
 */
export type Remedy =
  | { text: string; change: Partial<AssignForm> }
  | { text: string; copyWithoutVoices: number }
  | { text: string; href: string };

/** "stop": it cannot go out like this. "remark": worth a look, and she may say that it is meant so. */
export interface Finding {
  /** The same finding has the same key while she changes other things. */
  key: string;
  level: "stop" | "remark";
  text: string;
  remedies: Remedy[];
}

export interface LookedResource {
  id: number;
  title: string;
  document: Document;
  facts: Facts;
  /** Whose it is, by id and name; `mine` when it is hers. */
  owner: number;
  ownerName: string;
  mine: boolean;
  sameSchool: boolean;
  /** Files it shows or plays that are stored no more. */
  gone: readonly string[];
}

export interface LookedClass {
  id: number;
  profile: ClassProfile;
  calendar: SchoolCalendar;
  when: When | WhenProblem;
  /** How many students of it are chosen. */
  chosen: number;
  /** Minutes already planned in the meeting it opens at, and of work of that day that is tied to no meeting. */
  planned: number;
  /** The next meeting of the class with room for it; null when none is found. */
  nextRoom: { date: string; period: number; starts: Date } | null;
  /** Students chosen who handed it in before, or have it now. */
  did: readonly { id: number; name: string; did: boolean }[];
  /** Students chosen who have other work due on the day it is due: how many pieces. */
  alsoDue: readonly { student: number; count: number }[];
}

export interface LookedAt {
  form: AssignForm;
  resources: readonly LookedResource[];
  /** Versions of the resources she may give instead; `of`: of which. */
  versions: readonly { id: number; of: number; title: string; readingGrade: number | null; minutes: number }[];
  /** The versions some students get instead, looked at like the resource itself. */
  versionsToAssign: readonly LookedResource[];
  classes: readonly LookedClass[];
  /** Her other classes. */
  others: readonly { id: number; name: string; students: readonly number[]; grades: ClassProfile["grades"] }[];
  /** The work it waits for: whose class, and who of those chosen has it; null: it waits for nothing, or that is gone. */
  waitsFor: { class: number; title: string; due: Date; students: readonly number[] } | null;
  /** Students chosen of whom the school may not keep a recording or a picture yet. */
  withoutConsent: Record<"voice" | "picture", readonly { id: number; name: string }[]>;
  /** The class in the bar on top. */
  barClass: { id: number; name: string } | null;
  me: number;
  now: Date;
}
