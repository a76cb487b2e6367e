"use server";
import { z } from "zod";
import { setCriterion } from "@/data/results/student";
import { act, ActionError } from "../web/act";

const Id = z.number().int().positive();

/** Says when a child's own goal counts as met, "8 of 10, three times running"; null: it is not worked out. */
export const setGoalCriterion = act(
  "change a student",
  z.object({
    class: Id,
    student: Id,
    goal: Id,
    criterion: z
      .object({
        share: z.number().min(0.05, "Say how many of 10.").max(1, "10 of 10 is the most."),
        times: z.number().int().min(1, "Say how often.").max(10, "10 times running is the most."),
      })
      .nullable(),
  }),
  (input) => ({ class: input.class, students: [input.student] }),
  async ({ db }, { student, goal, criterion }) => {
    if (!(await setCriterion(db, { student, goal, criterion }))) throw new ActionError("notThere");
    return {};
  },
);
