import { watchRoom } from "@/server/live/watch-room";
import { eventStream } from "@/server/web/live-stream";
import { numberFrom, route } from "@/server/web/route";

/** What happens in the room, as it happens: the whole room first, then what changes. */
export const GET = route(
  "lead a lesson",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params, request }) =>
    eventStream(request, (send) => watchRoom(db, numberFrom(params, "assignment"), send)),
);
