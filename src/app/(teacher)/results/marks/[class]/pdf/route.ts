import { notFound } from "next/navigation";
import { tableReport } from "@/core/report/table-report";
import { markTableFile } from "@/server/results/mark-table-file";
import { sendPdf } from "@/server/web/make-paper";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "see marks",
  (params) => ({ class: numberFrom(params, "class") }),
  async ({ db, visitor, now, params, request }) => {
    const file = await markTableFile(db, visitor, params.class, new URL(request.url).searchParams, now);
    if (!file) notFound();
    const { name, stretch, rows } = file;
    const author = `${visitor.givenName} ${visitor.familyName}`;
    const report = tableReport(rows, { title: `Marks of ${name}`, subtitle: stretch, author, heads: 3, kept: 2 });
    return sendPdf(report, "marks");
  },
);
