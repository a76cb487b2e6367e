"use server";
import { redirect } from "next/navigation";
import { z } from "zod";
import { BeginInput, Password } from "@/core/people/inputs";
import { readFile } from "../web/read-file";
import {
  addAdult,
  addSchool,
  endInvitation,
  hasPeople,
  invitationBy,
  peopleAt,
  setPassword,
  useFirstCode,
} from "@/data/student/front-door";
import { letKeepDistrict } from "@/data/office/district";
import { takeFromAnotherSchool } from "@/data/office/leaving";
import { endOtherSessions, setTotp, totpOf } from "@/data/office/second-step";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { callerAddress } from "../web/client-address";
import { firstCodeHash } from "./first-code";
import { invite } from "./invite";
import { allowSignIn, forgetAttempts } from "../web/limits";
import { schoolOf } from "./school-of";
import { hashSecret, tokenHash } from "../web/secrets";
import { signIn } from "../web/session";

const Id = z.number().int().positive();

/** Makes the school, its office account and the first teacher, with the code the server printed. Signs the office in. */
export const beginSchool = act("begin a school", BeginInput, async ({ db, now }, input) => {
  const address = await callerAddress();
  const allowed = await allowSignIn("the first code", address);
  if (!allowed.allowed) throw new ActionError(problemOf("tooManyTriesWait", { minutes: allowed.minutes }));
  const password = await hashSecret(input.office.password);
  const made = await db.transaction(async (tx) => {
    if (!(await useFirstCode(tx, firstCodeHash(input.code))) || (await hasPeople(tx)))
      throw new ActionError("notServersCode", "code");
    const { district, school } = await addSchool(tx, {
      name: input.school,
      district: input.district || input.school,
      country: input.country,
      zone: input.zone,
      locale: "en",
    });
    const same = input.teacher.email === input.office.email;
    const office = (await addAdult(tx, {
      district,
      school,
      ...input.office,
      roles: same ? ["office", "teacher"] : ["office"],
    }))!;
    await setPassword(tx, office, password);
    await letKeepDistrict(tx, office);
    if (same) return office;
    const teacher = (await addAdult(tx, { district, school, ...input.teacher, roles: ["teacher"] }))!;
    const by = { id: office, name: nameOf(input.office), school, schoolName: input.school };
    await invite(tx, by, { id: teacher, name: nameOf(input.teacher), email: input.teacher.email }, now);
    return office;
  });
  await forgetAttempts("the first code", address);
  await signIn(made, "adult", null);
  redirect("/office");
});

const nameOf = ({ givenName, familyName }: { givenName: string; familyName: string }) => `${givenName} ${familyName}`;

/** Chooses a password with an invitation, and is in. */
export const acceptInvitation = act(
  "accept an invitation",
  z.object({ token: z.string().max(100), password: Password }),
  async ({ db, now }, input) => {
    const hash = tokenHash(input.token);
    const invited = await invitationBy(db, hash, now);
    if (!invited) throw new ActionError("invitationOver");
    const password = await hashSecret(input.password);
    await db.transaction(async (tx) => {
      if (!(await endInvitation(tx, hash))) throw new ActionError("invitationUsed");
      await setPassword(tx, invited.person, password);
    });
    // A new password is no way round her second step.
    if (await totpOf(db, invited.person)) redirect("/sign-in");
    await signIn(invited.person, "adult", null);
    redirect("/find");
  },
);

/** Reads a list of people and says what would be done with it; with `add`, adds them and sends each an invitation. */
export const bringInPeople = act(
  "keep the school's people",
  z.object({ text: z.string().min(1, "Type or paste some people first.").max(200_000), add: z.boolean() }),
  async ({ db, visitor, now }, input) => {
    const school = schoolOf(visitor);
    const read = await readFile("table of people", input.text);
    const by = { id: visitor.id, name: nameOf(visitor), school, schoolName: visitor.schoolName ?? "the school" };
    const there = new Set((await peopleAt(db, school, now)).map(({ email }) => email));
    const fresh = read.people.filter(({ email }) => !there.has(email));
    const known = read.people.length - fresh.length;
    const problems = read.problems.slice(0, 60);
    if (!input.add) return { fresh: fresh.length, known, problems, added: 0 };
    let added = 0;
    await db.transaction(async (tx) => {
      for (const person of fresh) {
        const id =
          (await addAdult(tx, { district: visitor.district, school, ...person })) ??
          (await takeFromAnotherSchool(tx, { district: visitor.district, school, ...person }));
        if (id === null) {
          problems.push({ line: person.line, text: "This address cannot be used here.", row: person.email });
          continue;
        }
        added += 1;
        await invite(tx, by, { id, name: nameOf(person), email: person.email }, now);
      }
    });
    return { fresh: fresh.length, known, problems, added };
  },
);

/** Sends somebody who has no password yet, or forgot it, a new invitation. Returns its address, to be handed over. */
export const inviteAgain = act(
  "keep the school's people",
  z.object({ person: Id }),
  async ({ db, visitor, now }, input) => {
    const school = schoolOf(visitor);
    const person = (await peopleAt(db, school, now)).find(({ id }) => id === input.person);
    if (!person) throw new ActionError("notThere");
    const by = { id: visitor.id, name: nameOf(visitor), school, schoolName: visitor.schoolName ?? "the school" };
    return { address: await db.transaction((tx) => invite(tx, by, person, now)), name: person.name };
  },
);

/** Somebody has lost her phone and her codes: she signs in with the password alone again, and is signed out where she is. */
export const endSecondStepOf = act(
  "keep the school's people",
  z.object({ person: Id }),
  async ({ db, visitor, now }, input) => {
    const person = (await peopleAt(db, schoolOf(visitor), now)).find(({ id }) => id === input.person);
    if (!person) throw new ActionError("notThere");
    await db.transaction(async (tx) => {
      await setTotp(tx, person.id, null);
      await endOtherSessions(tx, person.id, null);
    });
    return {};
  },
);
