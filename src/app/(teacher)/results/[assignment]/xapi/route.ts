import { resultTable } from "@/core/results/table";
import { assignmentById } from "@/data/assign/assignments";
import { workWithLastAnswers } from "@/data/results/work-of-class";
import { xapiStatements } from "@/formats/xapi";
import { baseAddress } from "@/server/web/base-address";
import { asAttachment } from "@/server/web/send-stream";
import { numberFrom, route } from "@/server/web/route";

/** A class's results as xAPI statements. */
export const GET = route(
  "see results",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params }) => {
    const { id, title, keep } = (await assignmentById(db, numberFrom(params, "assignment")))!;
    const table = resultTable(await workWithLastAnswers(db, id), keep);
    const of = { home: await baseAddress(), assignment: id, title, language: "en" };
    return new Response(`${JSON.stringify(xapiStatements(table, of), null, 1)}\n`, {
      headers: { "content-type": "application/json", "content-disposition": asAttachment("results.xapi.json") },
    });
  },
);
