import { notFound } from "next/navigation";
import { writeCsv } from "@/formats/csv";
import { markTableFile } from "@/server/results/mark-table-file";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "see marks",
  (params) => ({ class: numberFrom(params, "class") }),
  async ({ db, visitor, now, params, request }) => {
    const file = await markTableFile(db, visitor, params.class, new URL(request.url).searchParams, now);
    if (!file) notFound();
    const said = file.rows.map((row) =>
      row.map((cell) => (typeof cell === "object" ? (cell?.toISOString().slice(0, 10) ?? "") : cell)),
    );
    return new Response(writeCsv(said), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="marks.csv"',
      },
    });
  },
);
