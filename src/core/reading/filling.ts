import { z } from "zod";
import { subjects } from "../content/vocabulary";

/** What fills a shelf of readings where it is no pocket: what is said is narrowed to, what is null is not. */
export const Blank = z.object({
  subject: z.enum(subjects).nullable(),
  language: z.string().max(20).nullable(),
  /** Reading grades. */
  level: z.object({ from: z.number().min(0).max(13), to: z.number().min(0).max(13) }).nullable(),
});
export type Blank = z.infer<typeof Blank>;

export const anyReading: Blank = { subject: null, language: null, level: null };

/**
 * As it is stored with a shelf, to be offered again when it is refilled.
 * `readBlank(writeBlank(anyReading))` gives `{ subject: null, language: null, level: null }`.
 */
export const writeBlank = (blank: Blank): string => JSON.stringify(blank);

/** What was stored; anything to read where it cannot be read. `readBlank("nonsense") === anyReading` gives `true`. */
export function readBlank(text: string): Blank {
  try {
    return Blank.parse(JSON.parse(text));
  } catch {
    return anyReading;
  }
}

/**
 * Whether a reading of this grade is within the level; without a measure only where every level will do.
 * `isAtLevel({ level: { from: 3, to: 4 } }, 3.5)` gives `true`.
 */
export const isAtLevel = ({ level }: Blank, readingGrade: number | null): boolean =>
  level === null || (readingGrade !== null && readingGrade >= level.from && readingGrade <= level.to);
