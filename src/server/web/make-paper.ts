import type { Report } from "@/core/report/report";
import type { PaperKind } from "@/formats/paper-thread";
import { log } from "./log";
import { inThread, Turns } from "./thread";
import { refuse } from "./refuse";

/** Far longer than a whole school's letters take. */
const LIMIT_MS = 60_000;
const turns = new Turns(2, 20);

/** Writes a report in a thread of its own. Null: too many are being made, or it could not be; the log says why. */
export async function makePaper(report: Report, as: PaperKind): Promise<Uint8Array | null> {
  const came = await turns.take(() => inThread<Uint8Array>("papers", { report, as }, LIMIT_MS));
  if (came && "answer" in came) return came.answer;
  log.error({ title: report.title, as, ...(came ?? { fault: "too many are waiting" }) }, "a paper was not made");
  return null;
}

/** The answer that carries a report as a PDF; `name` without its ending. */
export async function sendPdf(report: Report, name: string): Promise<Response> {
  const pdf = await makePaper(report, "pdf");
  if (!pdf) return refuse(503, "pdfNotMade");
  return new Response(Buffer.from(pdf), {
    headers: { "content-type": "application/pdf", "content-disposition": `attachment; filename="${name}.pdf"` },
  });
}
