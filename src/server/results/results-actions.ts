"use server";
import { z } from "zod";
import { announceWork, attemptOf, countLate } from "@/data/student/work";
import { act, ActionError } from "../web/act";

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
