import { revisionById } from "@/data/adapt/resources";
import { idFrom } from "@/core/ids";
import { route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

/** One of her own revisions whole, to be compared with or gone back to. */
export const GET = route(
  "edit resource",
  ({ resource }) => ({ resource: idFrom(resource) ?? -1 }),
  async ({ db, params, request }) => {
    const id = idFrom(new URL(request.url).searchParams.get("id") ?? undefined) ?? -1;
    const revision = await revisionById(db, id);
    if (!revision || revision.resource !== idFrom(params.resource)) return refuse(404, "noSuchRevision");
    return Response.json({ document: revision.document });
  },
);
