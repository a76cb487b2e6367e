import { z } from "zod";
import { StoredFile } from "@/core/content/schema/media-reference";
import { asked } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("photo"),
  most: z.number().int().min(1).max(6).default(1),
});

/** Files, by their SHA-256; a person looks at them. */
export const Response = z.array(StoredFile).max(6);
