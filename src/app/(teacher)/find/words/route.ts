import { suggestSeen } from "@/data/words";
import { readerOf } from "@/server/reader";
import { route } from "@/server/route";

/** Words that go on from what is being typed, of what this reader may see. */
export const GET = route(
  "find resources",
  () => ({}),
  async ({ db, visitor, request }) => {
    const start = (new URL(request.url).searchParams.get("start") ?? "").slice(0, 40);
    return Response.json({ words: await suggestSeen(db, await readerOf(db, visitor), start) });
  },
);
