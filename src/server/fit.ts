import type { Country, Device } from "@/core/find/also";
import type { ClassProfile } from "@/core/fit/fit";
import { profileOf } from "@/data/classes";
import type { Db } from "@/data/db";
import { coveredBy } from "@/data/standards";
import { chosenClass } from "./chosen-class";
import type { Visitor } from "./session";

/** The class in the top bar, as the computation of fit knows it; null for a teacher without classes. */
export async function classProfile(db: Db, visitor: Visitor, now: Date): Promise<ClassProfile | null> {
  const { current } = await chosenClass(db, visitor, now);
  if (!current) return null;
  const [row, covered] = await Promise.all([profileOf(db, current.id), coveredBy(db, current.id, now)]);
  return {
    name: current.name,
    periodMinutes: current.periodMinutes,
    grades: { from: current.gradeFrom, to: current.gradeTo },
    reading: row.readingFrom === null || row.readingTo === null ? null : { from: row.readingFrom, to: row.readingTo },
    languages: row.languages,
    devices: row.devices as Device[],
    country: row.country as Country,
    covered,
  };
}
