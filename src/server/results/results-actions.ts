"use server";
import { z } from "zod";
import { Correction } from "@/core/results/correction";
import { effectOf, type Effect } from "@/core/results/effect";
import { allQuestions } from "@/core/resource/document";
import { readByPerson } from "@/core/question/mark";
import { assignmentById } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import { addCorrection, takeBackCorrection } from "@/data/results/corrections";
import { announceWork, attemptOf, countLate, workOf } from "@/data/student/work";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";

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
        if (attempt === undefined) throw new ActionError("This answer is not there any more. Nothing was changed.");
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
  const works = await workOf(db, assignment);
  const found = works.flatMap(({ document }) => allQuestions(document)).find((one) => one.question.id === question);
  if (!found || readByPerson(found.question.type)) throw new ActionError(problemOf("notThere"));
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

/** Corrects a question after it was answered; every mark is worked out anew from then on, for students too. */
export const correctQuestion = act(
  "change assignment",
  Asked,
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    await correctable(db, input);
    const correction = await addCorrection(db, { ...input, by: visitor.id, at: now });
    await announceWork(db, input.assignment);
    return { correction };
  },
);

/** Takes a correction back: marks are what they were. It stays on record. */
export const takeCorrectionBack = act(
  "change assignment",
  z.object({ assignment: Id, correction: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, now }, { assignment, correction }) => {
    if (!(await takeBackCorrection(db, { assignment, correction, at: now })))
      throw new ActionError(problemOf("notThere"));
    await announceWork(db, assignment);
    return {};
  },
);
