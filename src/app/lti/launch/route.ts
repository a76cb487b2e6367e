import { comeInFromRequest } from "@/server/lti/requests";
import { route } from "@/server/web/route";

/** The course site says who comes in: one signed message in a form. */
export const POST = route(
  "come in from another system",
  () => ({}),
  async ({ db, now, request }) => comeInFromRequest(db, now, new URLSearchParams(await request.text())),
);
