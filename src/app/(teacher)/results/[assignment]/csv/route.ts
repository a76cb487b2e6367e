import { resultRows } from "@/core/results/rows";
import { resultTable } from "@/core/results/table";
import { assignmentById } from "@/data/assign/assignments";
import { workOf } from "@/data/student/work";
import { writeCsv } from "@/formats/csv";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "see results",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params }) => {
    const assignment = (await assignmentById(db, numberFrom(params, "assignment")))!;
    const csv = writeCsv(resultRows(resultTable(await workOf(db, assignment.id), assignment.keep)));
    const name = `${assignment.className} ${assignment.title}`
      .replace(/[^\p{L}\p{N} -]+/gu, " ")
      .replace(/\s+/g, " ")
      .trim();
    return new Response(csv, {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename="results.csv"; filename*=UTF-8''${encodeURIComponent(name)}.csv`,
      },
    });
  },
);
