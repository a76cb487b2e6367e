import { idsFrom } from "@/core/ids";
import { tableReport } from "@/core/report/table-report";
import { coverageFile } from "@/server/results/coverage-file";
import { sendPdf } from "@/server/web/make-paper";
import { route } from "@/server/web/route";

export const GET = route(
  "see coverage",
  (params) => ({ classes: idsFrom(decodeURIComponent(params.classes ?? "")) }),
  async ({ db, visitor, now, params, request }) => {
    const { rows, title, stretch } = await coverageFile(
      db,
      visitor,
      params.classes,
      new URL(request.url).searchParams,
      now,
    );
    const author = `${visitor.givenName} ${visitor.familyName}`;
    return sendPdf(tableReport(rows, { title, subtitle: stretch, author, heads: 1, kept: 2 }), "coverage");
  },
);
