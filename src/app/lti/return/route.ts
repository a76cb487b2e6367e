import { headers } from "next/headers";
import { returnChoice } from "@/server/lti/choose";
import { ActionError } from "@/server/web/act";
import { route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

/** What she has chosen goes back to the course site, in a form that sends itself. */
export const POST = route(
  "choose for a course",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const nonce = (await headers()).get("x-nonce") ?? "";
    try {
      const page = await returnChoice(db, visitor, new URLSearchParams(await request.text()), { now, nonce });
      return new Response(page, { headers: { "content-type": "text/html; charset=utf-8" } });
    } catch (error) {
      if (!(error instanceof ActionError)) throw error;
      return refuse(422, error.problem);
    }
  },
);
