import { z } from "zod";
import { TextByLanguage } from "@/core/content/schema/language";
import { asked, PartId } from "../asked";

const Typed = z.string().max(20_000);

export const Question = z.object({
  ...asked,
  type: z.literal("longText"),
  lines: z.number().int().min(1).max(60).default(6),
  /** What a writer looks through before handing it in, and ticks. */
  checklist: z
    .array(z.object({ id: PartId, text: TextByLanguage }))
    .max(12)
    .optional(),
});

/** What was written, and what was ticked beside it; a person reads it. */
export const Response = z.union([Typed, z.object({ text: Typed, done: z.array(PartId).max(12) })]);
