import { z } from "zod";
import { ownAssignment } from "@/data/student/work";
import { After, keepAnswers, openValues } from "@/server/student/keep-answers";
import { keepQuickly, rememberAllowed } from "@/server/student/keep-quickly";
import { direct } from "@/server/web/direct";
import { numberFrom, route } from "@/server/web/route";
import { sessionHash } from "@/server/web/session";
import { refuse } from "@/server/web/refuse";

const MONTH_MS = 31 * 86_400_000;
const Sent = z.object({
  /** Whose and which try, as the device knows it: answers that waited are never put down as somebody else's. */
  recipient: z.number().int().positive(),
  number: z.number().int().positive().max(1000),
  items: z
    .array(
      z.object({
        key: z.string().min(8).max(60),
        question: z.string().max(40),
        value: z.unknown(),
        age: z.number().min(0).max(MONTH_MS).catch(MONTH_MS),
        after: After,
      }),
    )
    .min(1)
    .max(400),
});

const nothingHere = () => refuse(404, "nothingHere");

/**
 * Keeps answers as they are given. A route and not an action, because it must work from a queue, again and again, while
 * the network comes and goes: the same key sent twice is kept once.
 */
export const POST = direct(
  route(
    "do assignment",
    (params) => ({ assignment: numberFrom(params, "assignment") }),
    async ({ db, visitor, now, params, body }) => {
      const assigned = (await ownAssignment(db, visitor.id, numberFrom(params, "assignment"), visitor.joinedClass))!;
      if (assigned.recipient !== body.recipient) return nothingHere();
      const done = await keepAnswers(db, {
        student: visitor.id,
        assigned,
        zone: visitor.zone,
        now,
        number: body.number,
        joinedAt: visitor.joinedAt,
        items: body.items,
      });
      if ("why" in done) return Response.json(done, { status: 409 });
      const session = await sessionHash();
      if (session) await rememberAllowed(db, session, visitor, assigned);
      return Response.json(done);
    },
    Sent,
    async ({ db, now, params, body }) => {
      const session = await sessionHash();
      if (!session) return null;
      const done = await keepQuickly(db, { ...body, session, assignment: numberFrom(params, "assignment"), now });
      return done && Response.json(done);
    },
  ),
);

/** What counts of a try that is open: for a page that may be older than that. */
export const GET = direct(
  route(
    "do assignment",
    (params) => ({ assignment: numberFrom(params, "assignment") }),
    async ({ db, visitor, params, request }) => {
      const assigned = (await ownAssignment(db, visitor.id, numberFrom(params, "assignment"), visitor.joinedClass))!;
      const asked = new URL(request.url).searchParams;
      if (asked.get("recipient") !== String(assigned.recipient)) return nothingHere();
      return Response.json({ values: await openValues(db, assigned, Number(asked.get("number"))) });
    },
  ),
);
