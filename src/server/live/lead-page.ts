import { formatMoment, toWallClock } from "@/core/calendar/format-moment";
import { momentAt, schoolClock, schoolDaysLater } from "@/core/calendar/school-calendar";
import { sameParts } from "@/core/run-sheet/lesson-time";
import { scriptInUse } from "@/data/live/scripts-in-use";
import { stepMinutes } from "@/core/plan/parts";
import type { Document } from "@/core/resource/document";
import type { LessonState } from "@/core/live/lesson";
import type { Seated } from "@/core/live/room";
import { assignmentById, type Assignment } from "@/data/assign/assignments";
import { joinCodeOf, type JoinCode } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { lastLesson } from "@/data/live/lessons";
import { calendarOf } from "@/data/plan/calendar";
import type { Visitor } from "../web/session";
import { nextLesson } from "./next-lesson";
import { ledDocument, roomOf } from "./room";
import { watchedLesson, type WatchedLesson } from "./watch-room";

/** What the teacher's screen needs to begin with. */
export interface LeadPageData {
  assignment: Assignment;
  document: Document;
  planned: number[];
  start: { room: Seated[]; lesson: WatchedLesson | null };
  /** The last lesson that was led with it and is over: its minutes are shown while nobody leads. */
  past: { state: LessonState; leader: string; ended: Date } | null;
  code: JoinCode | null;
  /** When the class meets next, in words; null: it does not. */
  next: string | null;
  /** The times of the rest as homework; null: no school day is to come. */
  homework: { said: string; times: { opens: string; due: string; closes: "never" } } | null;
}

/** When lessons of the next school day begin, where nothing else is known. Common practice. */
const MORNING = "08:30";

/** Null: nobody has this work. */
export async function leadPage(db: Db, visitor: Visitor, id: number, now: Date): Promise<LeadPageData | null> {
  const assignment = (await assignmentById(db, id))!;
  const led = await ledDocument(db, assignment);
  if (!led) return null;
  const goesOn = led.runSheet && (await scriptInUse(db, id));
  const document = goesOn && sameParts(led.runSheet!, goesOn) ? { ...led, runSheet: goesOn } : led;
  const calendar = await calendarOf(db, assignment.school);
  const today = schoolClock(now, calendar.zone).date;
  const tomorrow = schoolDaysLater(calendar, today, 1);
  const due = tomorrow === null ? null : momentAt(tomorrow, MORNING, calendar.zone);
  const next = await nextLesson(db, assignment, now, calendar.zone);
  const steps = document.steps.filter(({ audience }) => audience !== "teacher");
  const past = await lastLesson(db, id);
  return {
    assignment,
    document,
    planned: stepMinutes({ ...document, steps }, { minutes: assignment.minutes }),
    start: { room: await roomOf(db, assignment), lesson: await watchedLesson(db, id) },
    past: past?.ended ? { state: past.state, leader: past.leader, ended: past.ended } : null,
    code: await joinCodeOf(db, assignment.class, now),
    next: next && formatMoment(next.meeting.starts, visitor.zone, now),
    homework: due && {
      said: formatMoment(due, visitor.zone, now),
      times: {
        opens: toWallClock(assignment.opens, visitor.zone),
        due: toWallClock(due, visitor.zone),
        closes: "never",
      },
    },
  };
}
