import { resultRows } from "@/core/results/rows";
import { resultTable } from "@/core/results/table";
import { assignmentById } from "@/data/assign/assignments";
import { workWithLastAnswers } from "@/data/results/work-of-class";
import { sendCsv } from "@/server/web/send-sheet";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "see results",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params }) => {
    const assignment = (await assignmentById(db, numberFrom(params, "assignment")))!;
    const name = `${assignment.className} ${assignment.title}`
      .replace(/[^\p{L}\p{N} -]+/gu, " ")
      .replace(/\s+/g, " ")
      .trim();
    return sendCsv(
      resultRows(resultTable(await workWithLastAnswers(db, assignment.id), assignment.keep)),
      "results",
      name,
    );
  },
);
