import { health } from "@/server/web/health";
import { route } from "@/server/web/route";

/** For what watches over the server: 200 while it can answer and save, 503 with what is wrong when it cannot. */
export const GET = route(
  "see that it runs",
  () => ({}),
  async ({ db }) => {
    const { problems } = await health(db);
    return Response.json({ ok: problems.length === 0, problems }, { status: problems.length === 0 ? 200 : 503 });
  },
);
