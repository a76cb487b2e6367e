import type { Queryable } from "@/data/engine/db";
import { addInvitation } from "@/data/student/front-door";
import { addMessages } from "@/data/office/outbox";
import { baseAddress } from "../web/base-address";
import { newToken, tokenHash } from "../web/secrets";

const DAYS_GOOD = 14;

/** Sends somebody an address at which to choose a password. It goes to the outbox, the mail stand-in; returns the address. */
export async function invite(
  tx: Queryable,
  by: { id: number; name: string; school: number; schoolName: string },
  person: { id: number; name: string; email: string },
  now: Date,
): Promise<string> {
  const token = newToken();
  const expires = new Date(now.getTime() + DAYS_GOOD * 86_400_000);
  await addInvitation(tx, { person: person.id, tokenHash: tokenHash(token), made: now, expires });
  const address = `${await baseAddress()}/welcome/${token}`;
  await addMessages(tx, { school: by.school, person: by.id, at: now }, [
    {
      toName: person.name,
      toAddress: person.email,
      subject: `Welcome to Golden Satchel at ${by.schoolName}`,
      body:
        `Hello ${person.name}, ${by.name} has made an account for you. Choose your password here: ${address} ` +
        `(the address works once, for ${DAYS_GOOD} days).`,
    },
  ]);
  return address;
}
