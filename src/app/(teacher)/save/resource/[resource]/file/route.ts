import { sendGathered } from "@/server/hand-over/send";
import { gatherResource } from "@/server/hand-over/what";
import { numberFrom, route } from "@/server/web/route";

/** A resource as a file of some kind, `?as=docx`. */
export const GET = route(
  "save resource as a file",
  (params) => ({ resource: numberFrom(params, "resource") }),
  async ({ db, visitor, params, request }) =>
    sendGathered(request, () => gatherResource(db, visitor, numberFrom(params, "resource"))),
);
