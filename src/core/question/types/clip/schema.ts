import { z } from "zod";
import { StoredFile } from "@/core/content/schema/media-reference";
import { asked } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("clip"),
  /** Seconds a film may last: three minutes take some 25 MB. */
  longest: z.number().int().min(5).max(180).default(60),
});

/** A file and how long it lasts; no file: what was filmed was deleted again. A person watches it. */
export const Response = z.object({ media: z.union([StoredFile, z.literal("")]), seconds: z.number().min(0).max(180) });
