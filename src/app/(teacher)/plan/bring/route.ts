import { bringable } from "@/server/plan/bring";
import { route } from "@/server/web/route";

/** What can be brought to a lesson: what these words find, or what lies in her satchel. */
export const GET = route(
  "find resources",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const words = (new URL(request.url).searchParams.get("words") ?? "").trim().slice(0, 200);
    return Response.json({ things: await bringable(db, visitor, words, now) });
  },
);
