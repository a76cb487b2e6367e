import { watchedPages } from "@/server/live/shared-page";
import { numberFrom, route } from "@/server/web/route";

/** What groups have written together on a step in the last lesson. */
export const GET = route(
  "lead a lesson",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params, request }) =>
    Response.json(
      await watchedPages(db, numberFrom(params, "assignment"), new URL(request.url).searchParams.get("step") ?? ""),
    ),
);
