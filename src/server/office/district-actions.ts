"use server";
import { z } from "zod";
import { Adult, SchoolInput } from "@/core/people/inputs";
import { isTaken, type Queryable } from "@/data/engine/db";
import { addSchoolTo, schoolsOfDistrict } from "@/data/office/district";
import { takeFromAnotherSchool } from "@/data/office/leaving";
import { addAdult } from "@/data/student/front-door";
import type { Visitor } from "../web/session";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { invite } from "./invite";
import { schoolOf } from "./school-of";

/** Adds somebody to a school's office and invites them. @returns the address that works once @throws ActionError when the e-mail is taken */
async function addOffice(
  tx: Queryable,
  visitor: Visitor,
  office: z.infer<typeof Adult>,
  school: { id: number; name: string },
  now: Date,
): Promise<{ to: string; address: string }> {
  const newcomer = { ...office, district: visitor.district, school: school.id, roles: ["office"] as const };
  const person = (await addAdult(tx, newcomer)) ?? (await takeFromAnotherSchool(tx, newcomer));
  if (person === null) throw new ActionError("emailTaken", "office.email");
  const by = {
    ...{ id: visitor.id, name: `${visitor.givenName} ${visitor.familyName}` },
    ...{ school: schoolOf(visitor), schoolName: school.name },
  };
  const to = `${office.givenName} ${office.familyName}`;
  return { to, address: await invite(tx, by, { id: person, name: to, email: office.email }, now) };
}

/** Adds a school to the district, and invites the first of its office, who does the rest there. */
export const addSchool = act(
  "keep the district's schools",
  SchoolInput,
  () => ({}),
  async ({ db, visitor, now }, { name, zone, office }): Promise<{ name: string; to: string; address: string }> => {
    const { district, locale } = visitor;
    try {
      const invited = await db.transaction(async (tx) => {
        const id = await addSchoolTo(tx, { district, name, zone, locale });
        return addOffice(tx, visitor, office, { id, name }, now);
      });
      return { name, ...invited };
    } catch (error) {
      if (isTaken(error, "school_name_in_district")) throw new ActionError("schoolNameTaken", "name");
      throw error;
    }
  },
);

/** Gives a school of the district that has nobody in its office somebody who is. */
export const giveOffice = act(
  "keep the district's schools",
  z.object({ toSchool: z.number().int().positive(), office: Adult }),
  () => ({}),
  async ({ db, visitor, now }, { toSchool, office }): Promise<{ name: string; to: string; address: string }> => {
    const school = (await schoolsOfDistrict(db, visitor.district)).find(({ id }) => id === toSchool);
    if (!school) throw new ActionError("notThere");
    if (school.office.length > 0)
      throw new ActionError(problemOf("schoolHasOffice", { name: school.name, people: school.office.join(", ") }));
    return { name: school.name, ...(await db.transaction((tx) => addOffice(tx, visitor, office, school, now))) };
  },
);
