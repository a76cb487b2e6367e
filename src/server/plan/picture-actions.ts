"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { DayParts } from "@/core/day-pictures/day-pictures";
import { keepDay } from "@/data/plan/day-pictures";
import { act } from "../web/act";

/** Keeps a day of a class in pictures as it is now. */
export const keepDayPictures = act(
  "arrange class",
  z.object({ class: z.number().int().positive(), day: PlainDate, parts: DayParts }),
  (input) => ({ class: input.class }),
  async ({ db, visitor, now }, input) => {
    await keepDay(db, { ...input, by: visitor.id, at: now });
    return {};
  },
);
