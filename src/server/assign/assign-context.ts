import type { Country } from "@/core/locale/names";
import type { Class } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { chosenClass } from "../classes/chosen-class";
import type { Visitor } from "../web/session";

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
