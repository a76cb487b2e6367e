import { viewOf, type LessonView } from "@/core/live/lesson";
import { inLanguage } from "@/core/content/language";
import { allQuestions } from "@/core/resource/document";
import { assignmentById } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import type { Lesson } from "@/data/live/lessons";
import type { StepNote } from "@/data/live/step-notes";
import { chosenSoFar } from "@/data/live/answers-so-far";
import { ledDocument } from "./room";

/** One bar of a chart that everybody sees. */
export interface ShownBar {
  label: string;
  count: number;
}

/** What is told to those who follow a lesson. `now` is the server's clock: a device's own may be wrong. */
export type FollowEvent =
  | { kind: "lesson"; lesson: (LessonView & { version: number; leader: string }) | null; now: number }
  | { kind: "bars"; question: string; bars: ShownBar[]; answered: number }
  | { kind: "point"; on: string | null; x: number; y: number }
  /** Between this child and the teacher; `allowed`: whether another may be written. */
  | { kind: "notes"; notes: StepNote[]; allowed: boolean }
  /** Whether the teacher still sees that this child needs help. */
  | { kind: "asked"; asked: boolean }
  /** A page she shares was changed by `by` (null: the teacher). Without a change, it is to be read again. */
  | { kind: "page"; page: number | null; step: string | null; by: number | null; change: string | null }
  | { kind: "work" };

export function followEvent(
  lesson: Pick<Lesson, "state" | "version" | "leader"> | undefined,
  now: Date,
): Extract<FollowEvent, { kind: "lesson" }> {
  return {
    kind: "lesson",
    lesson: lesson ? { ...viewOf(lesson.state), version: lesson.version, leader: lesson.leader } : null,
    now: now.getTime(),
  };
}

/** What fits in a notice of PostgreSQL (8,000 bytes). */
const LONGEST_NOTICE = 7_900;

/** The same as a notice, so that nobody has to read it; null where it is too long, with many lines of the pen. */
export function followNotice(assignment: number, ...of: Parameters<typeof followEvent>): string | null {
  const text = `${assignment} ${JSON.stringify(followEvent(...of))}`;
  return new TextEncoder().encode(text).length <= LONGEST_NOTICE ? text : null;
}

/** The options of a question, or of one asked on the spot, in words; null: it has none. */
async function optionsOf(db: Db, lesson: Lesson): Promise<{ id: string; label: string }[] | null> {
  const { shown, quick } = lesson.state;
  if (quick && quick.id === shown?.question)
    return quick.options.length > 0 ? quick.options.map((label, at) => ({ id: String(at), label })) : null;
  const assigned = await assignmentById(db, lesson.assignment);
  const document = assigned && (await ledDocument(db, assigned));
  const found = document && allQuestions(document).find(({ question }) => question.id === shown?.question);
  if (!found || !("options" in found.question)) return null;
  return found.question.options.map(({ id, text }) => ({ id, label: inLanguage(text, document.languages) ?? id }));
}

/** The chart a lesson shows now, counted without names; null: it shows none. */
export async function shownBars(db: Db, lesson: Lesson): Promise<FollowEvent | null> {
  if (!lesson.state.shown?.chart) return null;
  const { assignment } = lesson;
  const { question } = lesson.state.shown;
  const options = await optionsOf(db, lesson);
  const chosen = await chosenSoFar(db, { assignment, lesson: lesson.id, question });
  const values = chosen.flatMap((value) =>
    Array.isArray(value) ? [...new Set(value.map(String))] : typeof value === "object" ? [] : [String(value)],
  );
  const count = (id: string) => values.filter((value) => value === id).length;
  // A number or a few words have no options: what was said most often is.
  const bars = options
    ? options.map(({ id, label }) => ({ label, count: count(id) }))
    : [...new Set(values)]
        .map((label) => ({ label: label.slice(0, 60), count: count(label) }))
        .sort((one, other) => other.count - one.count)
        .slice(0, 8);
  return { kind: "bars", question, bars, answered: chosen.length };
}
