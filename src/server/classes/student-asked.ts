import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import type { Visitor } from "../web/session";
import { chosenClass } from "./chosen-class";

/** One of her classes and a child of it, as an address asks for them; the page asks what may be done with the child. */
export async function studentAsked(
  { db, visitor, now }: { db: Db; visitor: Visitor; now: Date },
  parameters: Record<string, string | string[] | undefined>,
) {
  const { classes, current } = await chosenClass(db, visitor, now);
  if (!current) return null;
  const group = classes.find(({ id }) => id === (idFrom(parameters.class) ?? current.id));
  if (!group) notFound();
  const students = await studentsOf(db, group.id);
  const student = idFrom(parameters.student) ?? students[0]?.id ?? null;
  return {
    student,
    // What the screens of one student begin with.
    shown: {
      classes: classes.map(({ id, name }) => ({ id, name })),
      group: group.id,
      students: students.map(({ id, givenName, familyName }) => ({ id, name: `${givenName} ${familyName}` })),
      zone: visitor.zone,
      now,
    },
  };
}
