import { cookies } from "next/headers";
import { z } from "zod";
import { noteCourse, personFrom, type OtherCourse, type OtherSystem } from "@/data/lti/systems";
import { beginChoice } from "@/data/lti/logins";
import type { Db } from "@/data/engine/db";
import type { Launch } from "@/core/lti/launch";
import { baseAddress } from "../web/base-address";
import { newToken, tokenHash } from "../web/secrets";
import { signIn } from "../web/session";
import { beginComingIn, comeIn } from "./come-in";

const STATE = "satchel-lti";
const STATE_SECONDS = 300;
const CHOICE_MINUTES = 60;

const Asked = z.object({
  iss: z.string().min(1).max(500),
  login_hint: z.string().min(1).max(2000),
  target_link_uri: z.string().min(1).max(2000),
  lti_message_hint: z.string().max(4000).optional(),
  client_id: z.string().max(500).optional(),
  lti_deployment_id: z.string().max(500).optional(),
});

const to = (address: string) => new Response(null, { status: 303, headers: { location: address } });
/** Why goes to the log: anyone who tries learns nothing, anyone who is honest can do nothing about it. */
const refusedFor = (why: "unknown" | "who" | "expired") => to(`/lti/refused?why=${why}`);

export async function beginFromRequest(db: Db, now: Date, said: URLSearchParams): Promise<Response> {
  const asked = Asked.safeParse(Object.fromEntries(said));
  const base = await baseAddress();
  const began = asked.success ? await beginComingIn(db, asked.data, { base, now }) : null;
  if (!began) return refusedFor("unknown");
  const isSecure = base.startsWith("https:");
  (await cookies()).set(STATE, began.state, {
    ...{ httpOnly: true, path: "/lti", maxAge: STATE_SECONDS, secure: isSecure },
    // The message comes back by a form of another site: a stricter cookie would not come along.
    sameSite: isSecure ? "none" : "lax",
  });
  return to(began.to);
}

const courseOf = (db: Db, system: OtherSystem, { course, services }: Launch): Promise<OtherCourse> | null =>
  course &&
  noteCourse(db, system.id, {
    ...{ contextId: course.id, title: course.title, lineItemsUrl: services.lineItems },
    ...{ membersUrl: services.members, cartridgeUrl: services.cartridge },
  });

export async function comeInFromRequest(db: Db, now: Date, said: URLSearchParams): Promise<Response> {
  const jar = await cookies();
  const cookie = jar.get(STATE)?.value ?? null;
  jar.delete({ name: STATE, path: "/lti" });
  const [idToken, state] = [said.get("id_token") ?? "", said.get("state") ?? ""];
  const origin = new URL(await baseAddress()).origin;
  const came = await comeIn(db, { idToken, state, cookie }, { origin, now });
  if (!came.ok) return refusedFor(came.rule === "expired" || came.rule === "state" ? "expired" : "unknown");
  const { launch, system } = came;
  const kind = launch.role === "teacher" ? "adult" : "student";
  const person = await personFrom(db, system, { ...launch, kind });
  if (!person) return refusedFor("who");
  const course = await courseOf(db, system, launch);
  await signIn(person.id, kind, null);
  if (kind === "student") return to(launch.work ? `/student/${launch.work}` : "/student");
  if (launch.choosing && course) {
    const token = newToken();
    await beginChoice(db, {
      ...{ tokenHash: tokenHash(token), course: course.id, person: person.id, now, ...launch.choosing },
      expires: new Date(now.getTime() + CHOICE_MINUTES * 60_000),
    });
    return to(`/lti/choose?for=${token}`);
  }
  if (launch.work) return to(`/results/${launch.work}`);
  if (!course) return to("/plan");
  return to(course.class === null ? `/lti/course/${course.id}` : `/hand-over/${course.class}`);
}
