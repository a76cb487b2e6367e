import { getIronSession } from "iron-session";
import { cookies } from "next/headers";
import { cache } from "react";
import { endSession, personOfSession, startSession, type SignedIn } from "@/data/office/people";
import { database } from "./database";
import { newToken, sessionKey, tokenHash } from "./secrets";

/**
 * Somebody signed in. `joinedClass`: a student who came in by that class's code, at `joinedAt`: sees today's work of that class,
 * and of what was done only what was begun since.
 */
export type Visitor = SignedIn;

const ADULT_HOURS = 12;
const STUDENT_HOURS = 8;
const JOINED_HOURS = 3;

async function sealed() {
  return getIronSession<{ token?: string }>(await cookies(), {
    password: sessionKey(),
    cookieName: "satchel-session",
    ttl: 0,
    cookieOptions: {
      httpOnly: true,
      sameSite: "lax",
      path: "/",
      secure: process.env.PUBLIC_ADDRESS?.startsWith("https:") ?? false,
      // Ends with the browser: on a shared device the next child is not the one before.
      maxAge: undefined,
    },
  });
}

/** Who is asking, once a request. Null: nobody, or a session that was ended. */
export const currentVisitor = cache(async (): Promise<Visitor | null> => {
  const { token } = await sealed();
  if (!token) return null;
  return (await personOfSession(await database(), tokenHash(token), new Date())) ?? null;
});

export async function signIn(person: number, kind: "adult" | "student", joinedClass: number | null): Promise<void> {
  const hours = joinedClass !== null ? JOINED_HOURS : kind === "adult" ? ADULT_HOURS : STUDENT_HOURS;
  const created = new Date();
  const token = newToken();
  await startSession(await database(), {
    tokenHash: tokenHash(token),
    person,
    class: joinedClass,
    created,
    expires: new Date(created.getTime() + hours * 3_600_000),
  });
  const session = await sealed();
  if (session.token) await endSession(await database(), tokenHash(session.token));
  session.token = token;
  await session.save();
}

export async function signOut(): Promise<void> {
  const session = await sealed();
  if (session.token) await endSession(await database(), tokenHash(session.token));
  session.destroy();
}
