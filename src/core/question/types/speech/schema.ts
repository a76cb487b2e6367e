import { z } from "zod";
import { StoredFile } from "@/core/content/schema/media-reference";
import { asked } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("speech"),
  /** Seconds a recording may last. */
  longest: z.number().int().min(5).max(600).default(120),
});

/** A file and how long it lasts; no file: what was recorded was deleted again. A person listens to it. */
export const Response = z.object({ media: z.union([StoredFile, z.literal("")]), seconds: z.number().min(0).max(600) });
