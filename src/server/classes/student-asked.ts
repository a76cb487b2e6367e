import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { studentsOf } from "@/data/classes/classes";
import { enter } from "../web/page";
import { chosenClass } from "./chosen-class";

/** One of her classes and a child of it, as an address asks for them; `act`: what is done with the child there. */
export async function studentAsked(
  parameters: Record<string, string | string[] | undefined>,
  act: "see how a student is doing" | "keep a portfolio",
) {
  const { db, visitor, now } = await enter("see assignments");
  const { classes, current } = await chosenClass(db, visitor, now);
  if (!current) return null;
  const group = classes.find(({ id }) => id === (idFrom(parameters.class) ?? current.id));
  if (!group) notFound();
  const students = await studentsOf(db, group.id);
  const student = idFrom(parameters.student) ?? students[0]?.id ?? null;
  if (student !== null) await enter(act, { class: group.id, students: [student] });
  return {
    ...{ db, visitor, now, student },
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
