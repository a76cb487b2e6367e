"use server";
import { redirect } from "next/navigation";
import { z } from "zod";
import { credentialsByEmail, demoPeople } from "@/data/office/people";
import { act, ActionError } from "@/server/web/act";
import { problemOf } from "@/server/web/problem";
import { baseAddress } from "@/server/web/base-address";
import { callerAddress } from "@/server/web/client-address";
import { allowSignIn, forgetAttempts } from "@/server/web/limits";
import { secondStepFor, takeSecondStep } from "./second-step";
import { forgetSecondStep, keepSecondStep, keptSecondStep } from "./second-step-cookie";
import { log } from "@/server/web/log";
import { sendNewPassword } from "./forgotten";
import { secretIsRight } from "@/server/web/secrets";
import { signIn, signOut } from "@/server/web/session";

const tooMany = (minutes: number) => new ActionError(problemOf("tooManyTriesWait", { minutes }));

/** Where signing in may lead: to what somebody shared by a link, nowhere else. */
const To = z
  .string()
  .regex(/^\/look\/[\w-]{22}$/)
  .optional()
  .catch(undefined);

export const signInWithPassword = act(
  "sign in",
  z.object({ email: z.string().max(200), password: z.string().max(200), to: To }),
  async ({ db, now }, { email, password, to }) => {
    const address = await callerAddress();
    const allowed = await allowSignIn(email, address);
    if (!allowed.allowed) throw tooMany(allowed.minutes);
    const found = await credentialsByEmail(db, email);
    if (!(await secretIsRight(found?.hash, password))) {
      throw new ActionError("passwordDoesNotMatch", "password");
    }
    await forgetAttempts(email, address);
    const step = await secondStepFor(db, found!.id, now);
    if (step) await keepSecondStep(step, to);
    else await signIn(found!.id, "adult", null);
    redirect(step ? "/sign-in/code" : (to ?? "/find"));
  },
);

/** The second step: a code from her app, or one she wrote down. */
export const enterCode = act("sign in", z.object({ code: z.string().max(40) }), async ({ db, now }, { code }) => {
  const { token, to } = await keptSecondStep();
  const came = await takeSecondStep(db, token, code, now);
  if (!came.ok && came.why === "wrong") throw new ActionError("codeWrongNext", "code");
  if (!came.ok && came.why === "too often") throw new ActionError("tooManyWrongCodes", "code");
  await forgetSecondStep();
  if (!came.ok) redirect("/sign-in?why=code");
  await signIn(came.person, "adult", null);
  redirect(To.parse(to) ?? "/find");
});

/** A new password by mail. The answer is the same, and comes as soon, whether or not anybody has that address. */
export const askForPassword = act(
  "sign in",
  z.object({ email: z.email("This is not an e-mail address.").max(200) }),
  async ({ db, now }, { email }) => {
    const allowed = await allowSignIn(`forgotten ${email}`, await callerAddress());
    if (!allowed.allowed) throw tooMany(allowed.minutes);
    const base = await baseAddress();
    void sendNewPassword(db, email, { base, now }).catch((error: Error) =>
      log.error({ error: error.message }, "a new password could not be sent"),
    );
    return {};
  },
);

/** The demo's doors: only where DEMO is set, and only for the people it lists. */
export const enterAsDemoPerson = act(
  "sign in",
  z.object({ person: z.number().int(), to: To }),
  async ({ db }, { person, to }) => {
    if (process.env.DEMO !== "1") throw new ActionError("onlyDemo");
    const found = (await demoPeople(db)).find((one) => one.id === person);
    if (!found) throw new ActionError("nobodyOfNumber");
    await signIn(found.id, found.kind, null);
    redirect(found.kind === "adult" ? (to ?? "/find") : "/student");
  },
);

export const leave = act("sign out", z.object({}), async () => {
  await signOut();
  redirect("/sign-in");
});
