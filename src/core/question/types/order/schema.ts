import { z } from "zod";
import { asked, Options, PartId } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("order"),
  /** In the order students first see them. */
  items: Options,
  right: z.array(PartId),
});

/** Items, first to last (ordered identifiers). */
export const Response = z.array(PartId).max(30);
