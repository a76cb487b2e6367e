import { notFound } from "next/navigation";
import { markTableFile } from "@/server/results/mark-table-file";
import { sendXlsx } from "@/server/web/send-sheet";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "see marks",
  (params) => ({ class: numberFrom(params, "class") }),
  async ({ db, visitor, now, params, request }) => {
    const file = await markTableFile(db, visitor, params.class, new URL(request.url).searchParams, now);
    if (!file) notFound();
    return sendXlsx(file.rows, "marks", { name: file.name, heads: 3 });
  },
);
