import { z } from "zod";
import { TextByLanguage } from "@/core/content/schema/language";
import { Axis } from "@/core/content/schema/scale";
import { asked, PartId } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("bars"),
  axis: Axis,
  bars: z
    .array(z.object({ id: PartId, text: TextByLanguage, right: z.number(), tolerance: z.number().min(0).default(0) }))
    .min(1)
    .max(12),
});

/** By bar: a float (a record). */
export const Response = z.record(PartId, z.number());
