// Runs in a worker thread (server/web/make-pdf.ts starts it): one report in, one PDF out. Bundled by scripts/build-parts.mjs.
import { parentPort, workerData } from "node:worker_threads";
import type { Report } from "@/core/report/report";
import { writePdf } from "./write-pdf";

parentPort!.postMessage(await writePdf((workerData as { report: Report }).report));
