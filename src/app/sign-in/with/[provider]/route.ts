import { signInElsewhere } from "@/server/office/provider-requests";
import { numberFrom, route } from "@/server/web/route";

/** To the school's own sign-in (OpenID Connect). */
export const GET = route(
  "sign in",
  () => ({}),
  ({ db, now, params }) => signInElsewhere(db, numberFrom(params, "provider"), now),
);
