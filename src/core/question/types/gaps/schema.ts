import { z } from "zod";
import { TextByLanguage } from "@/core/content/schema/language";
import { usualSpelling } from "@/core/content/vocabulary";
import { asked, Gap, PartId, SpellingRule } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("gaps"),
  /** The passage, a gap written as [[id]]. */
  passage: TextByLanguage,
  gaps: z.array(Gap).max(30),
  spelling: SpellingRule.default(usualSpelling),
});

/** By gap: what was typed or chosen (a record of strings). */
export const Response = z.record(PartId, z.string().max(500));
