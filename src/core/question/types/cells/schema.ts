import { z } from "zod";
import { LanguageTag } from "@/core/content/schema/language";
import { usualSpelling } from "@/core/content/vocabulary";
import { asked, Gap, PartId, SpellingRule } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("cells"),
  /** Rows by language, all of one length; a cell to fill is written as [[id]]. */
  rows: z.record(
    LanguageTag,
    z
      .array(z.array(z.string().max(400)).min(1).max(12))
      .min(1)
      .max(30),
  ),
  gaps: z.array(Gap).max(60),
  spelling: SpellingRule.default(usualSpelling),
});

/** By gap: what was typed or chosen (a record of strings). */
export const Response = z.record(PartId, z.string().max(500));
