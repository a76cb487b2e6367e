import { sendGathered } from "@/server/hand-over/send";
import { stretchFrom } from "@/server/hand-over/stretch";
import { gatherPlan } from "@/server/hand-over/what";
import { baseAddress } from "@/server/web/base-address";
import { numberFrom, route } from "@/server/web/route";

/** A class's plan as a file of some kind, `?as=cartridge-1.3&from=2026-11-23&weeks=2`. */
export const GET = route(
  "save plan as a file",
  (params) => ({ class: numberFrom(params, "class") }),
  async ({ db, visitor, now, params, request }) => {
    const said = Object.fromEntries(new URL(request.url).searchParams);
    const stretch = { class: numberFrom(params, "class"), ...stretchFrom(said, visitor, now) };
    return sendGathered(request, async () => gatherPlan(db, visitor, stretch, { base: await baseAddress(), now }));
  },
);
