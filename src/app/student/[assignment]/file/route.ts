import { keptOf } from "@/data/keep/consent";
import { kindAsked, keepUpload } from "@/server/web/keep-upload";
import { numberFrom, route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

/** Takes a photograph, a recording or a film a student made for an answer, where her school may keep one of hers. */
export const POST = route(
  "do assignment",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, visitor, now, request }) => {
    const kind = kindAsked(request);
    const asked = kind === "picture" || kind === "sound" || kind === "film" ? kind : null;
    const kept = await keptOf(db, visitor.id);
    if ((asked === "sound" || asked === "film") && !kept.voice) return refuse(403, "noVoice");
    if ((asked === "picture" || asked === "film") && !kept.picture) return refuse(403, "noPicture");
    return keepUpload(db, request, { kind: asked, by: visitor, now });
  },
);
