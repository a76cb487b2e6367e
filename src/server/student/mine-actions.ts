"use server";
import { z } from "zod";
import { BADGES } from "@/core/student/badge";
import { setBadge, setMine } from "@/data/student/mine";
import { attemptsOf, taskOf } from "@/data/student/work";
import { fromBefore } from "./by-code";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";

/** A child chooses a piece of work she has handed in as hers to keep, or no longer. */
export const chooseAsMine = act(
  "do assignment",
  z.object({ assignment: z.number().int().positive(), chosen: z.boolean() }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment, chosen }) => {
    const task = (await taskOf(db, visitor.id, assignment, visitor.joinedClass))!;
    const last = (await attemptsOf(db, task.recipient)).at(-1);
    // What is put away is not taken out again, and by the class's code nothing of earlier is touched.
    if (!last?.handedIn || task.sharing?.putAway || fromBefore(visitor, last))
      throw new ActionError(problemOf("notThere"));
    await setMine(db, { student: visitor.id, recipient: task.recipient, chosen, at: now });
    return {};
  },
);

/** The picture a child wants to be known by. Not by the class's code: anybody can press any name there. */
export const chooseBadge = act(
  "see own work",
  z.object({
    badge: z
      .number()
      .int()
      .min(0)
      .max(BADGES - 1),
  }),
  async ({ db, visitor }, { badge }) => {
    if (visitor.joinedAt !== null) throw new ActionError(problemOf("notThere"));
    await setBadge(db, visitor.id, badge);
    return {};
  },
);
