import { cookies } from "next/headers";
import type { Db } from "@/data/engine/db";
import { NoAnswer } from "../web/ask-elsewhere";
import { baseAddress } from "../web/base-address";
import { signIn } from "../web/session";
import { beginSigningIn, endSigningIn } from "./provider";

const STATE = "satchel-sign-in";
const STATE_SECONDS = 600;

const to = (address: string) => new Response(null, { status: 303, headers: { location: address } });
/** The sign-in page says why. */
const refused = (why: "late" | "who" | "refused" | "silent") => to(`/sign-in?why=${why}`);

/** To the school's own sign-in. */
export async function signInElsewhere(db: Db, provider: number, now: Date): Promise<Response> {
  const base = await baseAddress();
  try {
    const began = await beginSigningIn(db, provider, { base, now });
    if (!began) return refused("late");
    (await cookies()).set(STATE, began.state, {
      ...{ httpOnly: true, path: "/sign-in", maxAge: STATE_SECONDS, sameSite: "lax" },
      secure: base.startsWith("https:"),
    });
    return to(began.to);
  } catch (error) {
    if (error instanceof NoAnswer) return refused("silent");
    throw error;
  }
}

/** And back from it. */
export async function comeBack(db: Db, asked: URL, now: Date): Promise<Response> {
  const jar = await cookies();
  const cookie = jar.get(STATE)?.value ?? null;
  jar.delete({ name: STATE, path: "/sign-in" });
  // As the other side knows it: what a proxy in front calls us does not count.
  const address = new URL(`/sign-in/back${asked.search}`, await baseAddress());
  const came = await endSigningIn(db, { address, cookie }, now);
  if (!came.ok) return refused(came.why);
  await signIn(came.person, came.kind, null);
  return to(came.kind === "student" ? "/student" : "/find");
}
