"use server";
import { redirect } from "next/navigation";
import { z } from "zod";
import { credentialsByEmail, demoPeople } from "@/data/office/people";
import { act, ActionError } from "@/server/web/act";
import { callerAddress } from "@/server/web/client-address";
import { allowSignIn, forgetAttempts } from "@/server/web/limits";
import { secretIsRight } from "@/server/web/secrets";
import { signIn, signOut } from "@/server/web/session";

const tooMany = (minutes: number) =>
  new ActionError(`Too many tries. Wait ${minutes} ${minutes === 1 ? "minute" : "minutes"}, then try again.`);

/** Where signing in may lead: to what somebody shared by a link, nowhere else. */
const To = z
  .string()
  .regex(/^\/look\/[\w-]{22}$/)
  .optional()
  .catch(undefined);

export const signInWithPassword = act(
  "sign in",
  z.object({ email: z.string().max(200), password: z.string().max(200), to: To }),
  async ({ db }, { email, password, to }) => {
    const address = await callerAddress();
    const allowed = await allowSignIn(email, address);
    if (!allowed.allowed) throw tooMany(allowed.minutes);
    const found = await credentialsByEmail(db, email);
    if (!(await secretIsRight(found?.hash, password))) {
      throw new ActionError("This e-mail address and password do not match. Check both and try again.", "password");
    }
    await forgetAttempts(email, address);
    await signIn(found!.id, "adult", null);
    redirect(to ?? "/find");
  },
);

/** The demo's doors: only where DEMO is set, and only for the people it lists. */
export const enterAsDemoPerson = act(
  "sign in",
  z.object({ person: z.number().int(), to: To }),
  async ({ db }, { person, to }) => {
    if (process.env.DEMO !== "1") throw new ActionError("This is only in the demo.");
    const found = (await demoPeople(db)).find((one) => one.id === person);
    if (!found) throw new ActionError("There is no one with that number.");
    await signIn(found.id, found.kind, null);
    redirect(found.kind === "adult" ? (to ?? "/find") : "/student");
  },
);

export const leave = act("sign out", z.object({}), async () => {
  await signOut();
  redirect("/sign-in");
});
