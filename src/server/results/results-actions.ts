"use server";
import { z } from "zod";
import { Correction } from "@/core/results/correction";
import { effectOf, type Effect } from "@/core/results/effect";
import { allQuestions } from "@/core/resource/document";
import { readByPerson } from "@/core/question/mark";
import { ownsAll } from "@/data/adapt/resources";
import { assignmentById } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import { addCorrection, setFixed, takeBackCorrection } from "@/data/results/corrections";
import { announceWork, attemptOf, countLate } from "@/data/student/work";
import { workWithLastAnswers } from "@/data/results/work-of-class";
import { act, ActionError } from "../web/act";
import { fixOwnVersion, unfixOwnVersion, type Fixed } from "./fix-own-version";

const Id = z.number().int().positive();

/** Answers that came when it was over count from now on, or no longer. All of them or none. */
export const countLateAnswers = act(
  "change assignment",
  z.object({
    assignment: Id,
    answers: z
      .array(z.object({ student: Id, question: z.string().max(40), number: Id }))
      .min(1)
      .max(2000),
    counts: z.boolean(),
  }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment, answers, counts }) => {
    const changed = await db.transaction(async (tx) => {
      let sum = 0;
      for (const { student, question, number } of answers) {
        const attempt = await attemptOf(tx, assignment, student, number);
        if (attempt === undefined) throw new ActionError("answerGone");
        sum += await countLate(tx, { attempt, question, by: visitor.id, at: now, counts });
      }
      return sum;
    });
    await announceWork(db, assignment);
    return { changed };
  },
);

const Asked = z.object({ assignment: Id, question: z.string().max(40), correction: Correction });

/** The work a correction is about; refused where the question is not in it, or has no marks to correct. */
async function correctable(db: Db, { assignment, question }: z.infer<typeof Asked>) {
  const works = await workWithLastAnswers(db, assignment);
  const found = works.flatMap(({ document }) => allQuestions(document)).find((one) => one.question.id === question);
  if (!found || readByPerson(found.question.type)) throw new ActionError("notThere");
  return works;
}

/** Who would gain and who would lose by a correction. Changes nothing. */
export const lookAtCorrection = act(
  "change assignment",
  Asked,
  (input) => ({ assignment: input.assignment }),
  async ({ db }, input): Promise<Effect> => {
    const works = await correctable(db, input);
    return effectOf(works, (await assignmentById(db, input.assignment))!.keep, input.question, input.correction);
  },
);

/**
 * Corrects a question after it was answered; every mark is worked out anew from then on, for students too. `nextTime`: her own version
 * is corrected as well, where it is one of hers.
 */
export const correctQuestion = act(
  "change assignment",
  Asked.extend({ nextTime: z.boolean() }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { nextTime, ...input }): Promise<{ correction: number; fixed: Fixed["how"] | null }> => {
    await correctable(db, input);
    const { resource } = (await assignmentById(db, input.assignment))!;
    const own = nextTime && (await ownsAll(db, visitor.id, [resource]));
    // Both or neither.
    const made = await db.transaction(async (tx) => {
      const correction = await addCorrection(tx, { ...input, by: visitor.id, at: now });
      if (!own) return { correction, fixed: null };
      const fixed = await fixOwnVersion(tx, { ...input, resource, by: visitor.id, now });
      if (fixed.how === "published") await setFixed(tx, correction, fixed);
      return { correction, fixed: fixed.how };
    });
    await announceWork(db, input.assignment);
    return made;
  },
);

/** Takes a correction back: marks are what they were, and so is her own version, unless it was changed since. It stays on record. */
export const takeCorrectionBack = act(
  "change assignment",
  z.object({ assignment: Id, correction: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment, correction }): Promise<{ versionToo: boolean }> => {
    const versionToo = await db.transaction(async (tx) => {
      const taken = await takeBackCorrection(tx, { assignment, correction, at: now });
      if (!taken) throw new ActionError("notThere");
      // Somebody else's version is not hers to change.
      return taken.fixed !== null && taken.by === visitor.id && (await unfixOwnVersion(tx, taken.fixed));
    });
    await announceWork(db, assignment);
    return { versionToo };
  },
);
