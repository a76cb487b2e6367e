import { z } from "zod";
import { PlainDate } from "../calendar/plain-date";

/** Whether the one who opens it may only look, or copy it as well. */
export const shareWays = ["look", "copy"] as const;
export type ShareWay = (typeof shareWays)[number];

/** An address that anybody may open who has it, and what can be seen there. */
export const LinkInput = z.object({
  resources: z.array(z.number().int().positive()).min(1).max(60, "You can choose up to 60 at once."),
  name: z.string().trim().min(1).max(300),
  way: z.enum(shareWays),
  teacherPart: z.boolean(),
  /** The last day it leads anywhere; null: until it is ended. */
  until: PlainDate.nullable(),
});

/** What of it is filled in: a field for a day has no nothing. */
export const TypedLink = LinkInput.pick({ way: true, teacherPart: true }).extend({
  until: z
    .string()
    .transform((day) => day || null)
    .pipe(LinkInput.shape.until),
});
