import { z } from "zod";
import { TextByLanguage } from "./language";

/** A scale from one number to another; `step` between two marks. */
export const Axis = z
  .object({ from: z.number(), to: z.number(), step: z.number().positive(), name: TextByLanguage.optional() })
  .refine((axis) => axis.from < axis.to, "A scale starts at the smaller number")
  .refine((axis) => (axis.to - axis.from) / axis.step <= 1000, "A scale has at most 1,000 steps");
export type Axis = z.infer<typeof Axis>;
