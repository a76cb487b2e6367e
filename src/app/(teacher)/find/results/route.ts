import { askedFrom } from "@/core/find/asked";
import { looking, resultsOf } from "@/server/find/find-page";
import { route } from "@/server/web/route";
import { written } from "@/server/student/written";

/** The results alone: asked while she types, without the page around them. */
export const GET = route(
  "find resources",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const asked = askedFrom(Object.fromEntries(new URL(request.url).searchParams));
    return written((await resultsOf(db, await looking(db, visitor, now), asked, now, request.signal)).value);
  },
);
