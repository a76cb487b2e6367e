import { timingSafeEqual } from "node:crypto";
import { metrics } from "@/server/web/metrics";
import { route } from "@/server/web/route";
import { tokenHash } from "@/server/web/secrets";
import { refuse } from "@/server/web/refuse";

/** For Prometheus, in its text format. Only with METRICS_TOKEN, and for those who say it; otherwise there is nothing here. */
export const GET = route(
  "see that it runs",
  () => ({}),
  async ({ request }) => {
    const token = process.env.METRICS_TOKEN;
    const said = /^Bearer (.+)$/.exec(request.headers.get("authorization") ?? "")?.[1];
    // Hashes are of one length, whatever was said.
    const isRight = token && said && timingSafeEqual(Buffer.from(tokenHash(said)), Buffer.from(tokenHash(token)));
    if (!isRight) return refuse(404, "nothingHere");
    const { registry } = metrics();
    return new Response(await registry.metrics(), { headers: { "content-type": registry.contentType } });
  },
);
