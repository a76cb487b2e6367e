// Runs in a worker thread (server/web/make-paper.ts starts it): one report in, one file out. Bundled by scripts/build-parts.mjs.
import { parentPort, workerData } from "node:worker_threads";
import type { Report } from "@/core/report/report";
import { writeDocx } from "./docx/write-docx";
import { writePdf } from "./pdf/write-pdf";
import { writePptx } from "./pptx/write-pptx";

/** What a report can be written as. */
export const paperWriters = { pdf: writePdf, docx: writeDocx, pptx: writePptx };
export type PaperKind = keyof typeof paperWriters;

if (parentPort) {
  const { report, as } = workerData as { report: Report; as: PaperKind };
  parentPort.postMessage(await paperWriters[as](report));
}
