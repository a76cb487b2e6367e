import { kindAsked, keepUpload } from "@/server/web/keep-upload";
import { numberFrom, route } from "@/server/web/route";

/** Takes a photograph or a recording a student made for an answer. */
export const POST = route(
  "do assignment",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  ({ db, visitor, now, request }) => {
    const kind = kindAsked(request);
    const asked = kind === "picture" || kind === "sound" ? kind : null;
    return keepUpload(db, request, { kind: asked, by: visitor, now });
  },
);
