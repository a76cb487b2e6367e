import { followAsStudent } from "@/server/live/follow-as-student";
import { eventStream } from "@/server/web/live-stream";
import { numberFrom, route } from "@/server/web/route";

/** How the lesson stands, for one student's screen. While it is open the teacher sees that the student is there. */
export const GET = route(
  "do assignment",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, visitor, params, request }) =>
    eventStream(request, (send) => followAsStudent(db, numberFrom(params, "assignment"), visitor.id, send)),
);
