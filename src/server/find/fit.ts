import type { Country } from "@/core/locale/names";
import type { Device } from "@/core/content/device";
import type { ClassProfile } from "@/core/fit/fit";
import { profileOf, type Class } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { coveredBy } from "@/data/find/standards";

/** A class as the computation of fit knows it: the one in the top bar; null for a teacher without classes. */
export async function classProfile(db: Db, current: Class | null, now: Date): Promise<ClassProfile | null> {
  if (!current) return null;
  const [profile, covered] = await Promise.all([bareProfile(db, current), coveredBy(db, current.id, now)]);
  return { ...profile, covered };
}

/** The same without what the class has met already: where only what is in the way is asked. */
export async function bareProfile(db: Db, current: Class): Promise<ClassProfile> {
  const row = await profileOf(db, current.id);
  return {
    name: current.name,
    periodMinutes: current.periodMinutes,
    grades: { from: current.gradeFrom, to: current.gradeTo },
    reading: row.readingFrom === null || row.readingTo === null ? null : { from: row.readingFrom, to: row.readingTo },
    languages: row.languages,
    devices: row.devices as Device[],
    country: row.country as Country,
    covered: [],
  };
}
