"use server";
import { z } from "zod";
import { goalsUsed, renameGoal, renameGoalBack, setEnded } from "@/data/assign/goal-tags";
import { act, ActionError } from "../web/act";

const Tag = z.string().trim().min(1, "Name the goal.").max(60, "Keep the name below 60 characters.");
const Ids = z.array(z.number().int().positive()).max(5_000);

/** The goals of all work she works with, to be kept in order. */
export const lookAtGoals = act("keep goals", z.object({}), async ({ db, visitor, now }) => ({
  goals: await goalsUsed(db, visitor.id, now),
}));

/** Calls a goal something else, in all work she works with; one that is called so already takes it in. */
export const renameGoalTag = act(
  "keep goals",
  z.object({ from: Tag, to: Tag }),
  async ({ db, visitor, now }, { from, to }) => {
    if (from === to) throw new ActionError("nameIsThat", "to");
    const found = await db.transaction((tx) => renameGoal(tx, { teacher: visitor.id, now, from, to }));
    if (found.renamed.length + found.merged.length === 0) throw new ActionError("notThere");
    return found;
  },
);

/** Takes a renaming back. */
export const renameGoalTagBack = act(
  "rename goals back",
  z.object({ from: Tag, to: Tag, renamed: Ids, merged: Ids }),
  ({ renamed, merged }) => ({ assignments: [...renamed, ...merged] }),
  async ({ db }, input) => {
    await db.transaction((tx) => renameGoalBack(tx, input));
    return {};
  },
);

/** Ends a goal, or takes it up again: one that is ended is offered no more when work is assigned. */
export const endGoal = act(
  "keep goals",
  z.object({ tag: Tag, ended: z.boolean() }),
  async ({ db, visitor, now }, { tag, ended }) => {
    await setEnded(db, { teacher: visitor.id, tag, at: now, ended });
    return {};
  },
);
