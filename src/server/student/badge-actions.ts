"use server";
import { z } from "zod";
import { BADGES } from "@/core/student/badge";
import { setBadge } from "@/data/student/badge";
import { act, ActionError } from "../web/act";

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
    if (visitor.joinedAt !== null) throw new ActionError("notThere");
    await setBadge(db, visitor.id, badge);
    return {};
  },
);
