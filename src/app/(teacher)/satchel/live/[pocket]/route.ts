import { liveStream } from "@/server/web/live-stream";
import { numberFrom, route } from "@/server/web/route";

/** A line each time one of those who keep a pocket together has changed it. */
export const GET = route(
  "look into pocket",
  (params) => ({ pocket: numberFrom(params, "pocket") }),
  async ({ db, params, request }) => liveStream(db, ["pocket"], numberFrom(params, "pocket"), request),
);
