import { liveStream } from "@/server/web/live-stream";
import { numberFrom, route } from "@/server/web/route";

/** A line each time something came in for this assignment. */
export const GET = route(
  "see results",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params, request }) => liveStream(db, ["work", "answers"], numberFrom(params, "assignment"), request),
);
