import { idsFrom } from "@/core/ids";
import { coverageFile } from "@/server/results/coverage-file";
import { sendCsv } from "@/server/web/send-sheet";
import { route } from "@/server/web/route";

export const GET = route(
  "see coverage",
  (params) => ({ classes: idsFrom(decodeURIComponent(params.classes ?? "")) }),
  async ({ db, visitor, now, params, request }) => {
    const { rows } = await coverageFile(db, visitor, params.classes, new URL(request.url).searchParams, now);
    return sendCsv(rows, "coverage");
  },
);
