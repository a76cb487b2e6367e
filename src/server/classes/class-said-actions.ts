"use server";
import { z } from "zod";
import { ClassSaid } from "@/core/roster/class-said";
import { addClass, classNameTaken, classSaid, setClassSaid } from "@/data/classes/class-said";
import { allClassesOf, classesOf, setClassArchived, studentsOf } from "@/data/classes/classes";
import { addEnrolments } from "@/data/office/rosters";
import type { Db } from "@/data/engine/db";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import type { Visitor } from "../web/session";
import { schoolOf } from "../office/school-of";

const Id = z.number().int().positive();

/** Keeps what is said of a class, and returns what was said before, for undo. */
async function keep(db: Db, visitor: Visitor, id: number, said: ClassSaid): Promise<{ before: ClassSaid }> {
  if (await classNameTaken(db, schoolOf(visitor), said.name, id))
    throw new ActionError(problemOf("classNameTaken", { name: said.name }), "name");
  const before = await classSaid(db, id);
  await setClassSaid(db, id, said);
  return { before };
}

/** What a teacher who keeps a class says of it. */
export const changeClass = act(
  "change roster",
  z.object({ class: Id, said: ClassSaid }),
  (input) => ({ class: input.class }),
  ({ db, visitor }, input) => keep(db, visitor, input.class, input.said),
);

/** The same by the school's office. */
export const changeClassAtOffice = act(
  "change the school's roster",
  z.object({ ofClass: Id, said: ClassSaid }),
  async ({ db, visitor }, input) => {
    if (!(await allClassesOf(db, schoolOf(visitor))).includes(input.ofClass)) throw new ActionError("notThere");
    return keep(db, visitor, input.ofClass, input.said);
  },
);

const make = async (db: Db, visitor: Visitor, now: Date, lead: number, said: ClassSaid) => {
  const school = schoolOf(visitor);
  if (await classNameTaken(db, school, said.name))
    throw new ActionError(problemOf("classNameTaken", { name: said.name }), "name");
  return { class: await db.transaction((tx) => addClass(tx, { school, year: now.getFullYear(), lead }, said)) };
};

/** A class or a mixed-grade group made by hand; its maker leads it. */
export const makeClass = act("make class", z.object({ said: ClassSaid }), ({ db, visitor, now }, { said }) =>
  make(db, visitor, now, visitor.id, said),
);

/** The same by the office, for one of the school's teachers. */
export const makeClassAtOffice = act(
  "change the school's roster",
  z.object({ said: ClassSaid, lead: Id }),
  async ({ db, visitor, now }, { said, lead }) => {
    const rows = await db.query("select 1 from person where id = $1 and school_id = $2 and kind = 'adult' and active", [
      lead,
      schoolOf(visitor),
    ]);
    if (rows.length === 0) throw new ActionError("personNotHere");
    return make(db, visitor, now, lead, said);
  },
);

/** Students of classes she teaches into another class she keeps: how a mixed-grade group gets its members. */
export const takeIntoClass = act(
  "take into class",
  z.object({
    class: Id,
    to: z
      .array(z.object({ class: Id, students: z.array(Id).min(1).max(400) }))
      .min(1)
      .max(20),
  }),
  (input) => ({ class: input.class, to: input.to }),
  async ({ db }, input) => {
    const students = [...new Set(input.to.flatMap((one) => one.students))];
    await addEnrolments(db, input.class, students);
    return { students };
  },
);

/** Students of her other classes, to choose from; who is in several is there once. */
export const studentsToTake = act(
  "change roster",
  z.object({ class: Id }),
  (input) => ({ class: input.class }),
  async ({ db, visitor, now }, input) => {
    const met = new Set((await studentsOf(db, input.class)).map(({ id }) => id));
    const list = [];
    for (const { id, name } of await classesOf(db, visitor.id, now)) {
      if (id === input.class) continue;
      const students = (await studentsOf(db, id)).filter((student) => !met.has(student.id));
      for (const student of students) met.add(student.id);
      if (students.length > 0)
        list.push({
          ...{ id, name },
          students: students.map(({ id: student, givenName, familyName, grade }) => ({
            ...{ id: student, name: `${givenName} ${familyName}`, grade },
          })),
        });
    }
    return list;
  },
);

/** A class of a past year back among those in use. */
export const bringClassBack = act(
  "bring a class back",
  z.object({ class: Id }),
  (input) => ({ class: input.class }),
  async ({ db, visitor }, input) => {
    const { name } = await classSaid(db, input.class);
    if (await classNameTaken(db, schoolOf(visitor), name, input.class))
      throw new ActionError(problemOf("classNameInUse", { name }));
    await setClassArchived(db, input.class, null);
    return { name };
  },
);

/** Puts a class she keeps away: it is out of every list, and its work and results are kept. */
export const putClassAway = act(
  "change roster",
  z.object({ class: Id }),
  (input) => ({ class: input.class }),
  async ({ db, now }, input) => {
    await setClassArchived(db, input.class, now);
    return {};
  },
);
