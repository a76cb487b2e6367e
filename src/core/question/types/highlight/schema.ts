import { z } from "zod";
import { LanguageTag, TextByLanguage } from "@/core/content/schema/language";
import { asked } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("highlight"),
  passage: TextByLanguage,
  unit: z.enum(["word", "sentence"]).default("word"),
  /** Places of what is to be marked, by language: each passage has its own words. */
  right: z.record(LanguageTag, z.array(z.number().int().min(0).max(2000)).max(400)),
});

/** Places of words, counted from 0 (multiple identifier, hot text). */
export const Response = z.array(z.number().int().min(0).max(2000)).max(400);
