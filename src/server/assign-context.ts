import type { Country } from "@/core/find/also";
import type { Class } from "@/data/classes";
import type { Db } from "@/data/db";
import { chosenClass } from "./chosen-class";
import type { Visitor } from "./session";

/** What a page needs to know of her day: her classes, the one chosen, the school's clock. */
export interface AssignContext {
  classes: readonly Class[];
  current: number | null;
  zone: string;
  /** The district's: what is made for another says so. */
  country: Country;
  now: Date;
}

export async function assignContext(db: Db, visitor: Visitor, now: Date): Promise<AssignContext> {
  const { classes, current } = await chosenClass(db, visitor, now);
  return { classes, current: current?.id ?? null, zone: visitor.zone, country: visitor.country, now };
}
