import { idsFrom } from "@/core/ids";
import { writeCsv } from "@/formats/csv";
import { coverageFile } from "@/server/results/coverage-file";
import { route } from "@/server/web/route";

export const GET = route(
  "see coverage",
  (params) => ({ classes: idsFrom(decodeURIComponent(params.classes ?? "")) }),
  async ({ db, visitor, now, params, request }) => {
    const { rows } = await coverageFile(db, visitor, params.classes, new URL(request.url).searchParams, now);
    return new Response(writeCsv(rows), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="coverage.csv"',
      },
    });
  },
);
