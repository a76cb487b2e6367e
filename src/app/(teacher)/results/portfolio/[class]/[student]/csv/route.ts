import { writeCsv } from "@/formats/csv";
import { portfolioSheet } from "@/server/portfolio/portfolio-file";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "keep a portfolio",
  (params) => ({ class: numberFrom(params, "class"), students: [numberFrom(params, "student")] }),
  async (caller) => {
    const { rows } = await portfolioSheet(caller);
    const said = rows.map((row) => row.map((cell) => (cell instanceof Date ? cell.toISOString().slice(0, 10) : cell)));
    return new Response(writeCsv(said), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="portfolio.csv"',
      },
    });
  },
);
