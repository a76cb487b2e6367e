import { notFound } from "next/navigation";
import { writeXlsx } from "@/formats/xlsx";
import { markTableFile } from "@/server/results/mark-table-file";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "see marks",
  (params) => ({ class: numberFrom(params, "class") }),
  async ({ db, visitor, now, params, request }) => {
    const file = await markTableFile(db, visitor, params.class, new URL(request.url).searchParams, now);
    if (!file) notFound();
    const book = await writeXlsx(file.rows, { name: file.name, heads: 3 });
    return new Response(Buffer.from(book), {
      headers: {
        "content-type": "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
        "content-disposition": 'attachment; filename="marks.xlsx"',
      },
    });
  },
);
