import { beginFromRequest } from "@/server/lti/requests";
import { route } from "@/server/web/route";

/** Somebody wants to come in from a course site: it may ask by an address or by a form (OpenID Connect, third-party initiated login). */
export const GET = route(
  "come in from another system",
  () => ({}),
  ({ db, now, request }) => beginFromRequest(db, now, new URL(request.url).searchParams),
);
export const POST = route(
  "come in from another system",
  () => ({}),
  async ({ db, now, request }) => beginFromRequest(db, now, new URLSearchParams(await request.text())),
);
