import { needFromParameters } from "@/core/find/need";
import { sayReasons } from "@/core/find/reasons";
import { reasonsFor } from "@/data/reasons";
import { chosenClass } from "@/server/chosen-class";
import { readAs } from "@/server/find";
import { idFrom } from "@/core/ids";
import { readerOf } from "@/server/reader";
import { route } from "@/server/route";

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
    if (!reasons) return Response.json({ problem: "There is nothing here." }, { status: 404 });
    return Response.json({ reasons: sayReasons(reasons, need.words) });
  },
);
