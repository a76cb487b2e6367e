import { keepUpload, kindAsked } from "@/server/web/keep-upload";
import { route } from "@/server/web/route";

/** Takes one file of a teacher's as the body of the request. */
export const POST = route(
  "add a file",
  () => ({}),
  ({ db, visitor, now, request }) => keepUpload(db, request, { kind: kindAsked(request), by: visitor, now }),
);
