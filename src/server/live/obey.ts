import { lessonAfter, type LessonCommand, type LessonState, type NotNow } from "@/core/live/lesson";
import { GONE_AFTER_MS } from "@/core/live/room";
import { assignmentById } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import * as lessons from "@/data/live/lessons";
import { putAt, thereSince } from "@/data/live/places";
import { nameOf } from "@/data/office/people";
import type { RefusalCode } from "@/messages/catalogues";
import { problemOf, type Problem } from "../web/problem";
import { followNotice } from "./lesson-view";

/** What came of a command: the state all screens share from now on, or why it was not obeyed. */
export type Obeyed = { state: LessonState; version: number } | Problem;

const whyNot: Record<NotNow, RefusalCode> = {
  "not begun": "lessonNotBegun",
  ended: "lessonEnded",
  "no timer": "noTimer",
  "pen full": "penFull",
  twice: "inTwoGroups",
  choices: "twoAnswers",
};

/** How often a command is tried anew on what another has just left. */
const MOST_TRIES = 12;

/**
 * Changes what all screens share. Anybody who teaches the class may: who did it last leads. Of two commands at once the second is
 * obeyed on what the first has left.
 */
export async function obey(
  db: Db,
  of: { assignment: number; by: number; asked: LessonCommand; now: Date },
): Promise<Obeyed> {
  const { assignment, asked, now } = of;
  const done = await change(db, of, MOST_TRIES);
  if ("problem" in done) return done;
  const { state } = done;
  // Screens that follow are where she is: they need not say so themselves.
  if ((asked.do === "go" || asked.do === "begin" || asked.do === "pace") && state.pace === "together") {
    const there = await thereSince(db, assignment, new Date(now.getTime() - GONE_AFTER_MS));
    await putAt(db, { assignment, students: there, step: state.step, at: now });
  }
  if (state.phase === "ended") await lessons.announceToClass(db, (await assignmentById(db, assignment))!.class);
  return done;
}

async function change(
  db: Db,
  of: { assignment: number; by: number; asked: LessonCommand; now: Date },
  tries: number,
): Promise<Obeyed> {
  const lesson = await lessons.openedLesson(db, of.assignment);
  if (!lesson) return problemOf("lessonEnded");
  const state = lessonAfter(lesson.state, of.asked, of.now.getTime());
  if (typeof state === "string") return problemOf(whyNot[state]);
  const ended = state.phase === "ended" ? of.now : null;
  const leader = lesson.ledBy === of.by ? lesson.leader : await nameOf(db, of.by);
  const told = followNotice(of.assignment, ended ? undefined : { state, version: lesson.version + 1, leader }, of.now);
  const version = await lessons.writeLesson(db, lesson, { state, by: of.by, ended, told });
  if (version !== undefined) return { state, version };
  return tries > 1 ? change(db, of, tries - 1) : problemOf("othersChangeLesson");
}
