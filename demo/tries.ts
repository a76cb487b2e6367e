import { allQuestions, type Document } from "@/core/resource/document";
import type { Queryable } from "@/data/engine/db";
import { addResponses, beginQuestion, handIn, openAttempt } from "@/data/student/work";
import { likelyMistake, misledBy, rightAnswer, type Misled } from "./answers";
import { SeededRandom } from "./bulk/random";

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** Nobody works at night: such a moment moves into the same day between nine and four, by UTC; never before it opens nor after the last. */
function inSchoolHours(at: number, opens: number, latest: number): number {
  const midnight = at - (at % DAY);
  const hour = (at - midnight) / HOUR;
  const moved = hour >= 9 && hour < 16 ? at : midnight + (9 + (hour % 7)) * HOUR;
  return Math.max(opens, Math.min(latest, moved));
}

/** How often a student is right, the same in all their work: 0.45 to 0.95. */
export const abilityOf = (student: number) => 0.45 + 0.5 * new SeededRandom(student * 7919).next();

/** One child's try at a piece of work: what was answered, and how well, by her ability (0 to 1). */
export async function addTry(
  tx: Queryable,
  of: {
    recipient: number;
    lesson: { document: Document };
    opens: Date;
    due: Date;
    all: boolean;
    tries: number | null;
    random: SeededRandom;
    now: Date;
    ability: number;
    misled?: Misled;
  },
): Promise<void> {
  const { random, lesson } = of;
  const latest = Math.min(of.due.getTime(), of.now.getTime()) - HOUR / 2;
  let at = of.opens.getTime() + random.next() * Math.max(HOUR / 4, latest - of.opens.getTime());
  at = inSchoolHours(at, of.opens.getTime(), latest);
  const attempt = (await openAttempt(tx, of, new Date(at)))!;
  const asked = allQuestions(lesson.document);
  const answered = of.all ? asked : asked.slice(0, random.int(1, Math.max(1, asked.length - 1)));
  for (const [nth, { step, question }] of answered.entries()) {
    if (of.all && random.next() < 0.04) continue;
    at += (20 + random.next() * 100) * 1000;
    const right = random.next() < of.ability;
    const value =
      (of.ability > 0.7 ? misledBy(question, of.misled) : undefined) ??
      (right ? rightAnswer(question, random) : likelyMistake(question, random));
    const response = {
      key: `demo-${nth}`,
      step: step.id,
      question: question.id,
      value,
      checked: question.checked === "at once",
      late: false,
    };
    if (question.seconds !== undefined) await beginQuestion(tx, attempt.id, question.id, new Date(at - 15_000));
    await addResponses(tx, attempt.id, [response], new Date(Math.min(at, of.now.getTime() - 60_000)));
  }
  if (of.all) await handIn(tx, attempt.id, new Date(Math.min(at + 30_000, of.now.getTime() - 30_000)));
}
