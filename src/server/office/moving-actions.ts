"use server";
import { z } from "zod";
import type { Db } from "@/data/engine/db";
import { classesAt } from "@/data/classes/classes";
import { studentAt } from "@/data/keep/about-child";
import { moveChild, schoolsBeside } from "@/data/office/moving";
import { addEnrolments } from "@/data/office/rosters";
import { act, ActionError } from "../web/act";
import type { Visitor } from "../web/session";
import { changeSchool } from "./change-school";
import { schoolOf } from "./school-of";

const Id = z.number().int().positive();

/** @throws ActionError when there is no such child in the office's school */
async function childAt(db: Db, visitor: Visitor, student: number): Promise<string> {
  const name = await studentAt(db, schoolOf(visitor), student);
  if (name === undefined) throw new ActionError("notThere");
  return name;
}

/** A child goes to another school of the district. Its office puts the child into a class, or sends the child back. */
export const sendChild = act(
  "keep the school's people",
  z.object({ ofStudent: Id, toSchool: Id }),
  async ({ db, visitor, now }, { ofStudent, toSchool }): Promise<{ name: string; school: string; event: number }> => {
    const name = await childAt(db, visitor, ofStudent);
    const school = (await schoolsBeside(db, schoolOf(visitor))).find(({ id }) => id === toSchool);
    if (!school) throw new ActionError("noSuchSchool");
    const sent = { student: ofStudent, to: school.id };
    const made = { by: visitor.id, at: now, what: "sent a child to another school", school: schoolOf(visitor), sent };
    const { event } = await changeSchool(db, made, (tx) => moveChild(tx, sent));
    return { name, school: school.name, event };
  },
);

/** Puts a child of the school into one of its classes. */
export const putInClass = act(
  "keep the school's people",
  z.object({ ofStudent: Id, intoClass: Id }),
  async ({ db, visitor, now }, { ofStudent, intoClass }): Promise<{ name: string; class: string; event: number }> => {
    const name = await childAt(db, visitor, ofStudent);
    const school = schoolOf(visitor);
    const group = (await classesAt(db, school)).find(({ id }) => id === intoClass);
    if (!group) throw new ActionError("notThere");
    const made = { by: visitor.id, at: now, what: "put a child into a class", school };
    const { event } = await changeSchool(db, made, (tx) => addEnrolments(tx, group.id, [ofStudent]));
    return { name, class: group.name, event };
  },
);
