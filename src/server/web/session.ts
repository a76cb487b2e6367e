import { cookies, headers } from "next/headers";
import { cache } from "react";
import { endSession, personOfSession, startSession, type SignedIn } from "@/data/office/people";
import { database } from "./database";
import { deviceSaid } from "./device-said";
import { newToken, tokenHash } from "./secrets";

/**
 * Somebody signed in. `joinedClass`: a student who came in by that class's code, at `joinedAt`: sees today's work of that class,
 * and of what was done only what was begun since.
 */
export type Visitor = SignedIn;

const ADULT_HOURS = 12;
const STUDENT_HOURS = 8;
const JOINED_HOURS = 3;

/**
 * The cookie is the token itself: 32 random bytes that say nothing, and of which the table keeps only the hash. It ends with the
 * browser: on a shared device the next child is not the one before.
 */
const COOKIE = "satchel-session";
const cookieOptions = () => ({
  httpOnly: true,
  sameSite: "lax" as const,
  path: "/",
  secure: process.env.PUBLIC_ADDRESS?.startsWith("https:") ?? false,
});

/** No token is longer; what is gets no further. */
const LONGEST = 100;

async function tokenOfRequest(): Promise<string | null> {
  const token = (await cookies()).get(COOKIE)?.value;
  return token && token.length <= LONGEST ? token : null;
}

/** The hash under which the session of this request is stored; null: there is no cookie. */
export async function sessionHash(): Promise<string | null> {
  const token = await tokenOfRequest();
  return token && tokenHash(token);
}

/** Who is asking, once a request. Null: nobody, or a session that was ended. */
export const currentVisitor = cache(async (): Promise<Visitor | null> => {
  const token = await tokenOfRequest();
  if (!token) return null;
  return (await personOfSession(await database(), tokenHash(token), new Date())) ?? null;
});

/** @param until the last moment it is good for, where that is sooner than usual */
export async function signIn(
  person: number,
  kind: "adult" | "student",
  joinedClass: number | null,
  until: Date | null = null,
): Promise<void> {
  const hours = joinedClass !== null ? JOINED_HOURS : kind === "adult" ? ADULT_HOURS : STUDENT_HOURS;
  const created = new Date();
  const token = newToken();
  await startSession(await database(), {
    tokenHash: tokenHash(token),
    person,
    class: joinedClass,
    created,
    // A child's devices are nobody's business.
    device: kind === "adult" ? deviceSaid((await headers()).get("user-agent")) : null,
    expires: new Date(Math.min(created.getTime() + hours * 3_600_000, until?.getTime() ?? Infinity)),
  });
  const before = await tokenOfRequest();
  if (before) await endSession(await database(), tokenHash(before));
  (await cookies()).set(COOKIE, token, cookieOptions());
}

export async function signOut(): Promise<void> {
  const token = await tokenOfRequest();
  if (token) await endSession(await database(), tokenHash(token));
  (await cookies()).delete(COOKIE);
}
