"use server";
import { randomBytes } from "node:crypto";
import { redirect } from "next/navigation";
import { z } from "zod";
import * as guests from "@/data/classes/guests";
import { announceWork } from "@/data/student/work";
import { act, ActionError } from "../web/act";
import { baseAddress } from "../web/base-address";
import { callerAddress } from "../web/client-address";
import { allowJoin, forgetJoin } from "../web/limits";
import { problemOf } from "../web/problem";
import { newLinkToken, tokenHash } from "../web/secrets";
import { signIn } from "../web/session";

const Id = z.number().int().positive();

/** Whether guests may come to this work, and whether a link is out. Changes nothing. */
export const lookAtGuests = act(
  "invite guests",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  ({ db }, { assignment }) => guests.guestsWith(db, assignment),
);

/** Makes an address for guests; the one before leads nowhere. It is in the answer and kept nowhere: only its hash is. */
export const makeGuestLink = act(
  "invite guests",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment }) => {
    if (!(await guests.guestsWith(db, assignment)).allowed) throw new ActionError("guestsNotAllowed");
    const token = newLinkToken();
    await guests.setGuestLink(db, { assignment, hash: tokenHash(token), by: visitor.id, at: now });
    return { address: `${await baseAddress()}/guest/${token}` };
  },
);

export const endGuestLink = act(
  "invite guests",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db }, { assignment }) => {
    await guests.endGuestLink(db, assignment);
    return {};
  },
);

/** Comes in as a guest, with a name that is typed. */
export const comeAsGuest = act(
  "come as a guest",
  z.object({ token: z.string().max(80), name: z.string().trim().min(1).max(40) }),
  async ({ db, now }, { token, name }) => {
    const address = await callerAddress();
    const allowed = await allowJoin(address);
    if (!allowed.allowed) throw new ActionError(problemOf("tooManyTries", { minutes: allowed.minutes }));
    const door = await guests.guestDoor(db, tokenHash(token), now);
    if (!door) throw new ActionError("notThere");
    await forgetJoin(address);
    const signInName = `guest.${randomBytes(9).toString("hex")}`;
    const guest = await db.transaction((tx) => guests.addGuest(tx, door, { name, signInName }));
    if (guest === undefined) throw new ActionError("tooManyGuests");
    await announceWork(db, door.assignment);
    await signIn(guest, "student", null, door.until);
    redirect(`/student/${door.assignment}`);
  },
);

/** What a guest did becomes a student's, who has the work and has not begun; or goes back. */
export const moveGuestWork = act(
  "move a guest's work",
  z.object({ assignment: Id, guest: Id, student: Id, back: z.boolean().default(false) }),
  (input) => ({ assignment: input.assignment }),
  async ({ db }, { assignment, guest, student, back }) => {
    // Only between a guest of this work and somebody who is none.
    const [isGuest, other] = [await guests.guestOf(db, guest), await guests.guestOf(db, student)];
    if (isGuest !== assignment || other !== null) throw new ActionError("notThere");
    const [from, to] = back ? [student, guest] : [guest, student];
    if (!(await db.transaction((tx) => guests.moveWork(tx, assignment, from, to))))
      throw new ActionError("guestCannotMove", "student");
    await announceWork(db, assignment);
    return {};
  },
);
