import { writeXlsx } from "@/formats/xlsx";
import { portfolioSheet } from "@/server/portfolio/portfolio-file";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "keep a portfolio",
  (params) => ({ class: numberFrom(params, "class"), students: [numberFrom(params, "student")] }),
  async (caller) => {
    const { name, rows } = await portfolioSheet(caller);
    return new Response(Buffer.from(await writeXlsx(rows, { name, heads: 1 })), {
      headers: {
        "content-type": "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
        "content-disposition": 'attachment; filename="portfolio.xlsx"',
      },
    });
  },
);
