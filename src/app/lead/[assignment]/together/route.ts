import { watchedPages } from "@/server/live/shared-page";
import { numberFrom, route } from "@/server/web/route";

/** What groups have written together in the last lesson: on one step, or on all. */
export const GET = route(
  "lead a lesson",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params, request }) =>
    Response.json(
      await watchedPages(db, numberFrom(params, "assignment"), new URL(request.url).searchParams.get("step")),
    ),
);
