import { z } from "zod";
import { isEmail } from "./read-people";

/** What forms about a school and its people ask for: checked beside the field while it is filled in, and again by the act it is sent to. */

const Name = z.string().trim().min(1, "A name is needed.").max(80, "A name has at most 80 characters.");
const Email = z.string().trim().toLowerCase().refine(isEmail, "This is not an e-mail address.");
export const Password = z
  .string()
  .min(10, "A password has at least 10 characters.")
  .max(200, "A password has at most 200 characters.");
export const Adult = z.object({ givenName: Name, familyName: Name, email: Email });
const SchoolName = z.string().trim().min(1, "The school needs a name.").max(120, "At most 120 characters.");

/** Also one that goes by another name in the list, as a school of before may. */
function isZone(zone: string): boolean {
  try {
    return zone !== "" && new Intl.DateTimeFormat("en", { timeZone: zone }) !== null;
  } catch {
    return false;
  }
}
const Zone = z.string().max(60).refine(isZone, "Choose a time zone.");

/** A new installation: its school, its office and its first teacher. */
export const BeginInput = z.object({
  code: z.string().trim().min(1, "Type the code the server printed.").max(40),
  school: SchoolName,
  district: z.string().trim().max(120, "At most 120 characters."),
  zone: Zone,
  country: z.string().regex(/^[A-Z]{2}$/, "Choose a country."),
  office: Adult.extend({ password: Password }),
  teacher: Adult,
});

/** Another school of the district, with the first of its office. */
export const SchoolInput = z.object({ name: SchoolName, zone: Zone, office: Adult });

const Address = z.string().trim().min(1, "Type its address.").max(2000, "This address is too long.");

/** The school's own sign-in (OpenID Connect). */
export const ProviderInput = z.object({
  name: z.string().trim().min(1, "Type what the button should say.").max(60, "At most 60 characters."),
  issuer: Address,
  clientId: z.string().trim().min(1, "Type the name it gave Golden Satchel.").max(500),
  clientSecret: z.string().min(1, "Type the password it gave Golden Satchel.").max(500),
});

/** The directory the school's roster is fetched from. An empty secret: the one that is kept. */
export const DirectoryInput = z.object({
  address: Address,
  tokenUrl: Address,
  clientId: z.string().trim().min(1, "Type the name the directory gave you.").max(500),
  clientSecret: z.string().max(500),
});
