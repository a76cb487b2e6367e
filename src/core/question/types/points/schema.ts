import { z } from "zod";
import { Axis } from "@/core/content/schema/scale";
import { asked } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("points"),
  x: Axis,
  y: Axis,
  right: z.array(z.tuple([z.number(), z.number()])).max(30),
  tolerance: z.number().min(0).default(0),
});

/** Pairs of numbers (multiple point, select point). */
export const Response = z.array(z.tuple([z.number(), z.number()])).max(40);
