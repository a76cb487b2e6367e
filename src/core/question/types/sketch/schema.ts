import { z } from "zod";
import { TextByLanguage } from "@/core/content/schema/language";
import { MediaReference } from "@/core/content/schema/media-reference";
import { inks } from "@/core/content/vocabulary";
import { Drawing } from "@/core/drawing/schema";
import { asked } from "../asked";

/** One line of a drawing: x and y in turn, shares of width and height. */
export const Stroke = z.object({
  ink: z.enum(inks),
  width: z.number().min(1).max(20),
  points: z.array(z.number().min(0).max(1)).min(2).max(4000),
});
export type Stroke = z.infer<typeof Stroke>;

export const Question = z.object({
  ...asked,
  type: z.literal("sketch"),
  /** What lies under the student's own lines: a picture, or a drawing of the teacher's. */
  over: MediaReference.optional(),
  on: Drawing.optional(),
  description: TextByLanguage.optional(),
});

/** Strokes; a person looks at them. */
export const Response = z.array(Stroke).max(300);
