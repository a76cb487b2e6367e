import { publicKeys } from "@/server/lti/keys";
import { route } from "@/server/web/route";

/** The public halves of the keys this installation signs with (RFC 7517). */
export const GET = route(
  "come in from another system",
  () => ({}),
  async ({ db }) => Response.json(await publicKeys(db), { headers: { "cache-control": "public, max-age=600" } }),
);
