import { needFromParameters } from "@/core/find/need";
import { findElsewhere, stepsOf } from "@/server/elsewhere";
import { idFrom } from "@/core/ids";
import { route } from "@/server/route";

/** What can be taken from: resources that answer some words, or the steps of one of them. */
export const GET = route(
  "edit resource",
  ({ resource }) => ({ resource: idFrom(resource) ?? -1 }),
  async ({ db, visitor, now, params, request }) => {
    const asked = new URL(request.url).searchParams;
    const of = asked.get("of");
    if (of !== null) {
      const found = await stepsOf(db, visitor, idFrom(of) ?? -1, now);
      return found ? Response.json(found) : Response.json({ problem: "There is nothing here." }, { status: 404 });
    }
    const need = needFromParameters(Object.fromEntries(asked));
    return Response.json({ hits: await findElsewhere(db, visitor, need, idFrom(params.resource) ?? -1) });
  },
);
