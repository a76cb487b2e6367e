"use server";
import { z } from "zod";
import { isEmail } from "@/core/people/read-people";
import { isTaken, type Queryable } from "@/data/engine/db";
import { addSchoolTo, schoolsOfDistrict } from "@/data/office/district";
import { takeFromAnotherSchool } from "@/data/office/leaving";
import { addAdult } from "@/data/student/front-door";
import type { Visitor } from "../web/session";
import { act, ActionError, notThere } from "../web/act";
import { invite } from "./invite";
import { schoolOf } from "./school-of";

const Name = z.string().trim().min(1, "A name is needed.").max(80);

/** Also one that goes by another name in the list, as a school of before may. */
function isZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat("en", { timeZone: zone }) !== null;
  } catch {
    return false;
  }
}

const Office = z.object({
  givenName: Name,
  familyName: Name,
  email: z.string().trim().toLowerCase().refine(isEmail, "This is not an e-mail address."),
});

/** Adds somebody to a school's office and invites them. @returns the address that works once @throws ActionError when the e-mail is taken */
async function addOffice(
  tx: Queryable,
  visitor: Visitor,
  office: z.infer<typeof Office>,
  school: { id: number; name: string },
  now: Date,
): Promise<{ to: string; address: string }> {
  const newcomer = { ...office, district: visitor.district, school: school.id, roles: ["office"] as const };
  const person = (await addAdult(tx, newcomer)) ?? (await takeFromAnotherSchool(tx, newcomer));
  if (person === null)
    throw new ActionError("Somebody uses this e-mail address already. Nothing was changed.", "email");
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
  z.object({
    name: z.string().trim().min(1, "The school needs a name.").max(120),
    zone: z.string().max(60).refine(isZone, "Choose a time zone."),
    office: Office,
  }),
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
      if (isTaken(error, "school_name_in_district"))
        throw new ActionError("The district has a school of this name. Nothing was changed.", "name");
      throw error;
    }
  },
);

/** Gives a school of the district that has nobody in its office somebody who is. */
export const giveOffice = act(
  "keep the district's schools",
  z.object({ toSchool: z.number().int().positive(), office: Office }),
  () => ({}),
  async ({ db, visitor, now }, { toSchool, office }): Promise<{ name: string; to: string; address: string }> => {
    const school = (await schoolsOfDistrict(db, visitor.district)).find(({ id }) => id === toSchool);
    if (!school) throw new ActionError(notThere);
    if (school.office.length > 0)
      throw new ActionError(`${school.name} has an office: ${school.office.join(", ")}. Nothing was changed.`);
    return { name: school.name, ...(await db.transaction((tx) => addOffice(tx, visitor, office, school, now))) };
  },
);
