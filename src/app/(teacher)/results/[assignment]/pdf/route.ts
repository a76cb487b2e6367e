import { tableReport } from "@/core/report/table-report";
import { analyse } from "@/core/results/items";
import { itemRows } from "@/core/results/item-rows";
import { resultRows, withoutNames } from "@/core/results/rows";
import { resultTable } from "@/core/results/table";
import { assignmentById } from "@/data/assign/assignments";
import { workWithLastAnswers } from "@/data/results/work-of-class";
import { sendPdf } from "@/server/web/make-paper";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "see results",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, visitor, params, request }) => {
    const assignment = (await assignmentById(db, numberFrom(params, "assignment")))!;
    const table = resultTable(await workWithLastAnswers(db, assignment.id), assignment.keep);
    const said = new URL(request.url).searchParams;
    const of = {
      title: assignment.part ? `${assignment.title}, ${assignment.part}` : assignment.title,
      subtitle: assignment.className,
      author: `${visitor.givenName} ${visitor.familyName}`,
      ...{ heads: 1, kept: 1 },
    };
    if (said.get("view") === "questions") return sendPdf(tableReport(itemRows(analyse(table)), of), "questions");
    const rows = resultRows(said.get("names") === "none" ? withoutNames(table) : table);
    return sendPdf(tableReport(rows, of), "results");
  },
);
