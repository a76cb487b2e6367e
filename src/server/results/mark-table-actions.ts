"use server";
import { z } from "zod";
import { markRulesOf, setExcused, setMarkRules, setWeight } from "@/data/results/mark-table";
import { act, ActionError } from "../web/act";

const Id = z.number().int().positive();

/** How the marks of a class come to a total. What it was before comes back, to be undone. */
export const changeMarkRules = act(
  "keep marks",
  z.object({
    class: Id,
    /** Only those that change: another one may have been changed a moment ago. */
    rules: z
      .object({
        lowest: z.number().int().min(0).max(5, "At most five results can be left out."),
        missing: z.enum(["nothing", "left out"]),
        by: z.enum(["work", "marks"]),
      })
      .partial(),
  }),
  (input) => ({ class: input.class }),
  async ({ db }, { class: group, rules }) => {
    const before = await db.transaction(async (tx) => {
      const there = await markRulesOf(tx, group);
      await setMarkRules(tx, group, { ...there, ...rules });
      return there;
    });
    return { before };
  },
);

/** How much a piece of work counts against the others, in hundredths. */
export const changeWeight = act(
  "change assignment",
  z.object({ assignment: Id, weight: z.number().int().min(0).max(1000, "10 times is the most.") }),
  (input) => ({ assignment: input.assignment }),
  async ({ db }, { assignment, weight }) => {
    await setWeight(db, assignment, weight);
    return {};
  },
);

/** Excuses a child from a piece of work, or no longer. */
export const excuse = act(
  "change assignment",
  z.object({ assignment: Id, student: Id, excused: z.boolean() }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    if (!(await setExcused(db, { ...input, by: visitor.id, at: now }))) throw new ActionError("notThere");
    return {};
  },
);
