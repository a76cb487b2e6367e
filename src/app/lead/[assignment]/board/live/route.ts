import { follow } from "@/server/live/follow";
import type { FollowEvent } from "@/server/live/lesson-view";
import type { PageNotice } from "@/server/live/shared-page";
import { eventStream } from "@/server/web/live-stream";
import { numberFrom, route } from "@/server/web/route";
import { noticeIn, watch } from "@/server/web/watch";

/** What the board shows: what students see, and no more. That a page of the whole class was written on is told; what, is read. */
export const GET = route(
  "lead a lesson",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params, request }) =>
    eventStream(request, async (send) => {
      const assignment = numberFrom(params, "assignment");
      const event: FollowEvent = { kind: "page", page: null, step: null, by: null, change: null };
      const again = () => void send(JSON.stringify(event));
      const forAll = (payload: string) => (noticeIn(payload) as PageNotice).members === null && again();
      const unwatch = await watch(db, "page", assignment, forAll, again);
      const { stop } = await follow(db, assignment, send);
      return () => {
        unwatch();
        stop();
      };
    }),
);
