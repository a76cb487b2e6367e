import { z } from "zod";
import { asked, Options, Pairs } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("groups"),
  groups: Options,
  items: Options,
  /** Which item belongs to which group. */
  right: Pairs,
});

/** Pairs of item and group (multiple directedPair, gap match). */
export const Response = Pairs;
