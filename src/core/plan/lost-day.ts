import { z } from "zod";
import { PlainDate } from "../calendar/plain-date";

/** A day on which classes do not meet after all, and whether what was planned moves on from there. */
export const LostDay = z.object({
  classes: z.array(z.number().int().positive()).min(1, "Choose at least one class.").max(20),
  date: PlainDate,
  name: z.string().trim().min(1, "Say why the day is lost.").max(60, "Keep it under 60 characters."),
  move: z.boolean(),
});
