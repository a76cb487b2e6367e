import { portfolioSheet } from "@/server/portfolio/portfolio-file";
import { sendXlsx } from "@/server/web/send-sheet";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "keep a portfolio",
  (params) => ({ class: numberFrom(params, "class"), students: [numberFrom(params, "student")] }),
  async (caller) => {
    const { name, rows } = await portfolioSheet(caller);
    return sendXlsx(rows, "portfolio", { name, heads: 1 });
  },
);
