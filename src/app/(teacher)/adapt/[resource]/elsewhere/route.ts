import { needFromParameters } from "@/core/find/need";
import { responseSchemas, type QuestionType } from "@/core/question/schema";
import { findElsewhere, findParts, stepsOf } from "@/server/adapt/elsewhere";
import { idFrom } from "@/core/ids";
import { route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

/** What can be taken from: resources that answer some words, or the steps of one of them. */
export const GET = route(
  "edit resource",
  ({ resource }) => ({ resource: idFrom(resource) ?? -1 }),
  async ({ db, visitor, now, params, request }) => {
    const asked = new URL(request.url).searchParams;
    const of = asked.get("of");
    if (of !== null) {
      const found = await stepsOf(db, visitor, idFrom(of) ?? -1, now);
      return found ? Response.json(found) : refuse(404, "nothingHere");
    }
    const need = needFromParameters(Object.fromEntries(asked));
    const without = idFrom(params.resource) ?? -1;
    const kind = asked.get("parts");
    if (kind !== null) {
      const type = Object.hasOwn(responseSchemas, kind) ? (kind as QuestionType) : null;
      return Response.json({ parts: await findParts(db, visitor, need, type, without) });
    }
    return Response.json({ resources: await findElsewhere(db, visitor, need, without) });
  },
);
