import { z } from "zod";
import { Axis } from "@/core/content/schema/scale";
import { asked } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("line"),
  axis: Axis,
  right: z.number(),
  tolerance: z.number().min(0).default(0),
});

/** A single float (slider). */
export const Response = z.number();
