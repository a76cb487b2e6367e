import { z } from "zod";
import { asked, Options, Pairs, PartId } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("match"),
  left: Options,
  /** May hold more than there are on the left: the rest lead astray. */
  right: Options,
  pairs: z.array(z.tuple([PartId, PartId])),
});

/** Pairs of left and right (multiple directedPair). */
export const Response = Pairs;
