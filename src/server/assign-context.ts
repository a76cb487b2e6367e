import { studentsOf, type Class, type Student } from "@/data/classes";
import type { Db } from "@/data/db";
import { chosenClass } from "./chosen-class";
import type { Visitor } from "./session";

/** What assigning needs to know about her day: her classes with their students, the school's clock, the class chosen. */
export interface AssignContext {
  classes: readonly Class[];
  rosters: Record<number, Student[]>;
  current: number | null;
  zone: string;
  now: Date;
}

/** Her classes with their students, and the school's clock: what the light table needs to assign. */
export async function assignContext(db: Db, visitor: Visitor, now: Date): Promise<AssignContext> {
  const { classes, current } = await chosenClass(db, visitor, now);
  const rosters = await Promise.all(classes.map(async (group) => [group.id, await studentsOf(db, group.id)] as const));
  return { classes, rosters: Object.fromEntries(rosters), current: current?.id ?? null, zone: visitor.zone, now };
}
