import { portfolioPdf } from "@/server/portfolio/portfolio-file";
import { sendPdf } from "@/server/web/make-paper";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "keep a portfolio",
  (params) => ({ class: numberFrom(params, "class"), students: [numberFrom(params, "student")] }),
  async (caller) => sendPdf(await portfolioPdf(caller), "portfolio"),
);
