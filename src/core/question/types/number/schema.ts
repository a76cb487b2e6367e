import { z } from "zod";
import { Manipulative } from "@/core/manipulative/schema";
import { asked, PartId } from "../asked";

export const AcceptedUnit = z.object({
  name: z.string().min(1).max(20),
  /** How many of the first unit one of this makes; null for a unit that can never be right (an area for a length). */
  factor: z.number().positive().nullable(),
});
export type AcceptedUnit = z.infer<typeof AcceptedUnit>;

export const NumberPart = z.object({
  id: PartId,
  right: z.number(),
  /** Still right when off by no more than this, in the part's own unit. */
  tolerance: z.number().min(0).default(0),
  /** Written behind the box; or, with `units`, chosen by the student. */
  unit: z.string().max(20).optional(),
  units: z.array(AcceptedUnit).min(2).max(8).optional(),
});
export type NumberPart = z.infer<typeof NumberPart>;

export const Question = z.object({
  ...asked,
  type: z.literal("number"),
  parts: z.array(NumberPart).min(1).max(6),
  /** Something to find the number with; what it shows goes into the first part. */
  tool: Manipulative.optional(),
});

/** By part: what was typed, and the unit if one is chosen (a record of strings). */
export const Response = z.record(PartId, z.object({ number: z.string().max(60), unit: z.string().max(20).optional() }));
