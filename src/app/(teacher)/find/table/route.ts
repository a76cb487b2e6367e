import { idFrom } from "@/core/ids";
import { looking, tableOf } from "@/server/find/find-page";
import { route } from "@/server/web/route";
import { written } from "@/server/student/written";

/** What is laid on the light table; nothing, where it is not there or not hers to see. */
export const GET = route(
  "find resources",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const parameters = new URL(request.url).searchParams;
    const resource = idFrom(parameters.get("resource") ?? undefined) ?? -1;
    return written(
      await tableOf(db, visitor, await looking(db, visitor, now), resource, parameters.has("chosen"), now),
    );
  },
);
