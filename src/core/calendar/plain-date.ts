import { z } from "zod";

const FIRST = "2000-01-01";
const LAST = "2199-12-31";

/**
 * A calendar date from outside, "2026-11-30" (ISO 8601), from 2000 to 2199: further away nobody plans, and reckoning
 * with days ends somewhere beyond the year 9999.
 */
export const PlainDate = z.iso
  .date("Write the day like 30 Nov 2026.")
  .refine((date) => date >= FIRST && date <= LAST, "A date must be between 2000 and 2199.");
