import { sendGathered } from "@/server/hand-over/send";
import { gatherPocket } from "@/server/hand-over/what";
import { numberFrom, route } from "@/server/web/route";

/** A pocket as a file of some kind, `?as=cartridge-1.3`. */
export const GET = route(
  "save pocket as a file",
  (params) => ({ pocket: numberFrom(params, "pocket") }),
  async ({ db, visitor, params, request }) =>
    sendGathered(request, () => gatherPocket(db, visitor, numberFrom(params, "pocket"))),
);
