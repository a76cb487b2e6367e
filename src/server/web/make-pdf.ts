import path from "node:path";
import { Worker } from "node:worker_threads";
import type { Report } from "@/core/report/report";

/** Far longer than a whole school's letters take. */
const LIMIT_MS = 60_000;
const MOST_AT_ONCE = 2;

let running = 0;
const waiting: (() => void)[] = [];

function inThread(report: Report): Promise<Uint8Array> {
  const file = path.join(/* turbopackIgnore: true */ process.cwd(), "worker", "built", "pdf.mjs");
  const worker = new Worker(file, { workerData: { report } });
  let timer: NodeJS.Timeout | undefined;
  return new Promise<Uint8Array>((resolve, reject) => {
    timer = setTimeout(() => reject(new Error("a PDF takes too long")), LIMIT_MS);
    worker.once("message", resolve);
    worker.once("error", reject);
    worker.once("exit", () => reject(new Error("the thread ended without a PDF")));
  }).finally(() => {
    clearTimeout(timer);
    void worker.terminate();
  });
}

/** Writes a report as a PDF in a thread of its own: nobody waits for it but who asked. Two are written at once, the others in turn. */
export async function makePdf(report: Report): Promise<Uint8Array> {
  if (running >= MOST_AT_ONCE) await new Promise<void>((next) => waiting.push(next));
  else running += 1;
  try {
    return await inThread(report);
  } finally {
    const next = waiting.shift();
    if (next) next();
    else running -= 1;
  }
}

/** The answer that carries a report as a PDF; `name` without its ending. */
export async function sendPdf(report: Report, name: string): Promise<Response> {
  return new Response(Buffer.from(await makePdf(report)), {
    headers: { "content-type": "application/pdf", "content-disposition": `attachment; filename="${name}.pdf"` },
  });
}
