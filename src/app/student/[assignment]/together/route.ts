import { z } from "zod";
import { changePage, LONGEST_CHANGE, openPage, type NotWritten } from "@/server/live/shared-page";
import { numberFrom, route } from "@/server/web/route";

const about = (params: Record<string, string>) => ({ assignment: numberFrom(params, "assignment") });
const statuses: Record<NotWritten, number> = { unreadable: 400, "not shared": 404, frozen: 409, "no room": 413 };

/** The page a child shares with others on a step, as it stands; null: there is none. */
export const GET = route("do assignment", about, async ({ db, visitor, now, params, request }) => {
  const step = (new URL(request.url).searchParams.get("step") ?? "").slice(0, 40);
  return Response.json(await openPage(db, { ...about(params), step, student: visitor.id, now }));
});

/** What a child did to it. */
export const POST = route(
  "do assignment",
  about,
  async ({ db, visitor, now, params, body }) => {
    const why = await changePage(db, { ...about(params), ...body, student: visitor.id, now });
    return why ? Response.json({ problem: why }, { status: statuses[why] }) : Response.json({});
  },
  z.object({
    /** The one it was done on; null: the one that is shared now. */
    page: z.number().int().positive().nullable().default(null),
    step: z.string().max(40),
    change: z.string().min(1).max(LONGEST_CHANGE),
  }),
);
