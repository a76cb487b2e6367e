import { needFromParameters } from "@/core/find/need";
import { formatReasons } from "@/core/find/reasons";
import { reasonsFor } from "@/data/find/reasons";
import { chosenClass } from "@/server/classes/chosen-class";
import { readAs } from "@/server/find/find";
import { idFrom } from "@/core/ids";
import { readerOf } from "@/server/find/reader";
import { route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

/** Why a result stands where it stands. */
export const GET = route(
  "find resources",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const parameters = Object.fromEntries(new URL(request.url).searchParams);
    const [reader, { classes }] = await Promise.all([readerOf(db, visitor), chosenClass(db, visitor, now)]);
    const need = needFromParameters(parameters);
    const { words } = await readAs(db, reader, need, { classes, now });
    const reasons = await reasonsFor(db, reader, idFrom(parameters.resource) ?? -1, words);
    if (!reasons) return refuse(404, "nothingHere");
    return Response.json({ reasons: formatReasons(reasons, need.words) });
  },
);
