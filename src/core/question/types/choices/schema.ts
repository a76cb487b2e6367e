import { z } from "zod";
import { asked, Options, PartId } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("choices"),
  options: Options,
  right: z.array(PartId),
});

/** Multiple identifiers. */
export const Response = z.array(PartId).max(30);
