import { suggestSeen } from "@/data/find/words";
import { readerOf } from "@/server/find/reader";
import { route } from "@/server/web/route";

/** Words that go on from what is being typed, of what this reader may see. */
export const GET = route(
  "find resources",
  () => ({}),
  async ({ db, visitor, request }) => {
    const start = (new URL(request.url).searchParams.get("start") ?? "").slice(0, 40);
    return Response.json({ words: await suggestSeen(db, await readerOf(db, visitor), start) });
  },
);
