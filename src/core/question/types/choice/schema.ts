import { z } from "zod";
import { asked, Options, PartId } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("choice"),
  options: Options,
  right: PartId.nullable(),
});

/** A single identifier. */
export const Response = PartId;
