import { schoolOfPerson } from "@/data/office/people";
import type { Db } from "@/data/engine/db";
import { addMessages } from "@/data/office/outbox";
import { addInvitation } from "@/data/student/front-door";
import { newToken, tokenHash } from "../web/secrets";

export const HOURS_GOOD = 1;

/**
 * Sends somebody who forgot her password an address at which to choose another; nothing where nobody has that address. The old password works
 * until then.
 */
export async function sendNewPassword(db: Db, email: string, of: { base: string; now: Date }): Promise<void> {
  const person = await schoolOfPerson(db, email);
  if (!person) return;
  const token = newToken();
  const expires = new Date(of.now.getTime() + HOURS_GOOD * 3_600_000);
  await db.transaction(async (tx) => {
    await addInvitation(tx, { person: person.id, tokenHash: tokenHash(token), made: of.now, expires });
    await addMessages(tx, { school: person.school, person: person.id, at: of.now }, [
      {
        ...{ toName: person.name, toAddress: person.email, subject: "A new password for Golden Satchel" },
        body:
          `Hello ${person.name}, choose a new password here: ${of.base}/welcome/${token} (it works once, for an hour). ` +
          "If you did not ask for this, you don't need to do anything: your password stays the same.",
      },
    ]);
  });
}
