import { z } from "zod";
import { PartId } from "../question/types/asked";
import { chosenHow, lineKinds, mostInRunSheet, sheetPhases } from "./vocabulary";

/** What a line was taken from, and what was said there then: when that changes, the line says so. */
export const LineSource = z.object({
  step: PartId,
  /** A block of it; none: the step itself. */
  block: PartId.optional(),
  /** A word of the resource's vocabulary. */
  word: z.string().max(80).optional(),
  said: z.string().max(4000),
});

export const SheetLine = z.object({
  id: PartId,
  kind: z.enum(lineKinds),
  text: z.string().max(2000),
  /** What to ask when nobody answers. */
  ifNobody: z.boolean().default(false),
  /** Who comes to the board. Whose name it is, the class says: a script that is shared names no child. */
  who: z.enum(chosenHow).optional(),
  from: LineSource.optional(),
});

export const SheetPart = z.object({
  id: PartId,
  phase: z.enum(sheetPhases),
  step: PartId.optional(),
  minutes: z.number().int().min(0).max(300),
  lines: z.array(SheetLine).max(mostInRunSheet.lines),
});

export const SheetDay = z.object({ id: PartId, parts: z.array(SheetPart).max(mostInRunSheet.parts) });

/** The teacher's script for leading a resource, over as many lessons as it needs. In the document's first language. */
export const RunSheet = z.object({
  /** Minutes of a lesson. */
  period: z.number().int().min(10).max(300),
  days: z.array(SheetDay).min(1).max(mostInRunSheet.days),
  /** Terms of the vocabulary to explain before they are needed. */
  words: z.array(z.string().max(80)).max(60),
  materials: z.array(z.object({ text: z.string().max(200), ready: z.boolean() })).max(40),
  /** Parts that may be left out when time is short, the first first. */
  short: z.array(PartId).max(200),
});

export type LineSource = z.infer<typeof LineSource>;
export type SheetLine = z.infer<typeof SheetLine>;
export type SheetPart = z.infer<typeof SheetPart>;
export type SheetDay = z.infer<typeof SheetDay>;
export type RunSheet = z.infer<typeof RunSheet>;
