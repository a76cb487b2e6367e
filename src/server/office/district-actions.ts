"use server";
import { z } from "zod";
import { isEmail } from "@/core/people/read-people";
import { isTaken } from "@/data/engine/db";
import { addSchoolTo } from "@/data/office/district";
import { takeFromAnotherSchool } from "@/data/office/leaving";
import { addAdult } from "@/data/student/front-door";
import { act, ActionError } from "../web/act";
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

/** Adds a school to the district, and invites the first of its office, who does the rest there. */
export const addSchool = act(
  "keep the district's schools",
  z.object({
    name: z.string().trim().min(1, "The school needs a name.").max(120),
    zone: z.string().max(60).refine(isZone, "Choose a time zone."),
    office: z.object({
      givenName: Name,
      familyName: Name,
      email: z.string().trim().toLowerCase().refine(isEmail, "This is not an e-mail address."),
    }),
  }),
  () => ({}),
  async ({ db, visitor, now }, { name, zone, office }): Promise<{ name: string; to: string; address: string }> => {
    const { district, locale } = visitor;
    const to = `${office.givenName} ${office.familyName}`;
    try {
      const address = await db.transaction(async (tx) => {
        const school = await addSchoolTo(tx, { district, name, zone, locale });
        const newcomer = { ...office, district, school, roles: ["office"] as const };
        const person = (await addAdult(tx, newcomer)) ?? (await takeFromAnotherSchool(tx, newcomer));
        if (person === null)
          throw new ActionError("Somebody uses this e-mail address already. Nothing was changed.", "email");
        const by = {
          ...{ id: visitor.id, name: `${visitor.givenName} ${visitor.familyName}` },
          ...{ school: schoolOf(visitor), schoolName: name },
        };
        return invite(tx, by, { id: person, name: to, email: office.email }, now);
      });
      return { name, to, address };
    } catch (error) {
      if (isTaken(error, "school_name_in_district"))
        throw new ActionError("The district has a school of this name. Nothing was changed.", "name");
      throw error;
    }
  },
);
