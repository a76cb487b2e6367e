import { z } from "zod";
import { schoolClock } from "@/core/calendar/school-calendar";
import { revisionFor } from "@/data/reading/shelves";
import { beat } from "@/data/reading/readings";
import { readRevision } from "@/data/engine/read-once";
import { numberFrom, route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

const Read = z.object({
  step: z.string().max(40),
  seconds: z.number().min(0).max(3600),
});

/** A screen says that a child has read for this long, and where she is. A route: it goes out while a page is left, too. */
export const POST = route(
  "read from a shelf",
  (params) => ({ reading: numberFrom(params, "resource") }),
  async ({ db, visitor, now, params, body }) => {
    const reading = numberFrom(params, "resource");
    const revision = await revisionFor(db, visitor.id, reading);
    const document = revision !== undefined && (await readRevision(db, revision))!.document;
    if (!document || !document.steps.some(({ id }) => id === body.step)) return refuse(404, "nothingHere");
    const date = schoolClock(now, visitor.zone).date;
    const counted = await db.transaction((tx) =>
      beat(tx, {
        ...{ student: visitor.id, resource: reading, revision, step: body.step },
        ...{ seconds: body.seconds, date, now },
      }),
    );
    return Response.json({ counted });
  },
  Read,
);
