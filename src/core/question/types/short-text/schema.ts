import { z } from "zod";
import { usualSpelling } from "@/core/content/vocabulary";
import { asked, SpellingRule } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("shortText"),
  /** `share` is the part of the marks this answer earns, 1 for a full one. */
  accepted: z.array(z.object({ text: z.string().max(200), share: z.number().min(0).max(1).default(1) })).max(30),
  spelling: SpellingRule.default(usualSpelling),
});

/** A single string. */
export const Response = z.string().max(500);
