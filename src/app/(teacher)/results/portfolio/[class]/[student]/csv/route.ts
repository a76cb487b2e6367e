import { portfolioSheet } from "@/server/portfolio/portfolio-file";
import { sendCsv } from "@/server/web/send-sheet";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "keep a portfolio",
  (params) => ({ class: numberFrom(params, "class"), students: [numberFrom(params, "student")] }),
  async (caller) => sendCsv((await portfolioSheet(caller)).rows, "portfolio"),
);
