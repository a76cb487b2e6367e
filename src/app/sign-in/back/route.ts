import { comeBack } from "@/server/office/provider-requests";
import { route } from "@/server/web/route";

/** Back from the school's own sign-in. */
export const GET = route(
  "sign in",
  () => ({}),
  ({ db, now, request }) => comeBack(db, new URL(request.url), now),
);
