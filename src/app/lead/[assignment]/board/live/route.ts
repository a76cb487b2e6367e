import { follow } from "@/server/live/follow";
import { eventStream } from "@/server/web/live-stream";
import { numberFrom, route } from "@/server/web/route";

/** What the board shows: what students see, and no more. */
export const GET = route(
  "lead a lesson",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params, request }) =>
    eventStream(request, async (send) => (await follow(db, numberFrom(params, "assignment"), send)).stop),
);
