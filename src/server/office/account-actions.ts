"use server";
import { z } from "zod";
import { credentialsById } from "@/data/office/people";
import { endOtherSessions, setTotp } from "@/data/office/second-step";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { callerAddress } from "../web/client-address";
import { allowSignIn, forgetAttempts } from "../web/limits";
import { hashSecret, secretIsRight } from "../web/secrets";
import { sessionHash, type Visitor } from "../web/session";
import { changePassword } from "@/data/student/front-door";
import { newRecoveryCodes, newTotpSecret, recoveryHash, stepOfCode, totpAddress } from "./second-step";
import type { Db } from "@/data/engine/db";

const Secret = z.string().regex(/^[A-Z2-7]{32}$/);
const Password = z.string().max(200);

/** Only she changes how she signs in: her password is asked, with the same patience as at the door. */
async function mustBeHer(db: Db, visitor: Visitor, password: string): Promise<string> {
  const known = visitor.kind === "adult" ? await credentialsById(db, visitor.id) : undefined;
  if (!known) throw new ActionError("notThere");
  const address = await callerAddress();
  const allowed = await allowSignIn(known.email, address);
  if (!allowed.allowed) throw new ActionError(problemOf("tooManyTriesWait", { minutes: allowed.minutes }));
  if (!(await secretIsRight(known.hash, password))) throw new ActionError("notPassword", "password");
  await forgetAttempts(known.email, address);
  return known.email;
}

/** A secret for her app, not yet hers: a code of it must come back first. */
export const beginSecondFactor = act(
  "keep own account",
  z.object({ password: Password }),
  async ({ db, visitor }, { password }) => {
    const email = await mustBeHer(db, visitor, password);
    const secret = newTotpSecret();
    return { secret, address: totpAddress(secret, email) };
  },
);

/** The app shows the right code: from now on it is asked for. Returns the codes to write down, once. */
export const turnOnSecondFactor = act(
  "keep own account",
  z.object({ password: Password, secret: Secret, code: z.string().max(20) }),
  async ({ db, visitor, now }, { password, secret, code }) => {
    await mustBeHer(db, visitor, password);
    const used = stepOfCode(secret, code, now);
    if (used === null) throw new ActionError("codeWrongClock", "code");
    const codes = newRecoveryCodes();
    await db.transaction((tx) => setTotp(tx, visitor.id, { secret, used, recovery: codes.map(recoveryHash) }));
    return { codes };
  },
);

export const turnOffSecondFactor = act(
  "keep own account",
  z.object({ password: Password }),
  async ({ db, visitor }, { password }) => {
    await mustBeHer(db, visitor, password);
    await db.transaction((tx) => setTotp(tx, visitor.id, null));
    return {};
  },
);

export const signOutElsewhere = act("keep own account", z.object({}), async ({ db, visitor }) => ({
  ended: await endOtherSessions(db, visitor.id, await sessionHash()),
}));

/** A new password; she stays signed in here, and nowhere else. */
export const setNewPassword = act(
  "keep own account",
  z.object({
    password: Password,
    next: z.string().min(10, "The password needs at least 10 characters.").max(200),
  }),
  async ({ db, visitor }, { password, next }) => {
    await mustBeHer(db, visitor, password);
    const hash = await hashSecret(next);
    const here = await sessionHash();
    await db.transaction(async (tx) => {
      await changePassword(tx, visitor.id, hash);
      await endOtherSessions(tx, visitor.id, here);
    });
    return {};
  },
);
