// Parts that are bundled by themselves: the readers of files and the writer of PDFs, each as one script for a worker thread
// (src/server/web/read-file.ts, make-pdf.ts), and the script that keeps students' pages on their devices (worker/student-worker.mjs).
import { build } from "esbuild";
import path from "node:path";
import { root } from "./installed.mjs";

const common = { bundle: true, logLevel: "error", alias: { "@": path.join(root, "src") } };

/** Takes a tenth of a second, so it is made each time and never out of date. */
export async function buildParts() {
  await Promise.all([
    build({
      ...common,
      entryPoints: [path.join(root, "src/formats/readers.ts")],
      outfile: path.join(root, "worker", "built", "readers.mjs"),
      platform: "node",
      format: "esm",
      target: "node20",
      // Packages that were written for require() find it here.
      banner: {
        js: 'import { createRequire as requireFrom } from "node:module"; const require = requireFrom(import.meta.url);',
      },
    }),
    build({
      ...common,
      entryPoints: [path.join(root, "src/formats/pdf/pdf-thread.ts")],
      outfile: path.join(root, "worker", "built", "pdf.mjs"),
      platform: "node",
      format: "esm",
      target: "node20",
      // It brings files of its own.
      external: ["pdfkit"],
    }),
    build({
      ...common,
      entryPoints: [path.join(root, "worker", "student-worker.mjs")],
      outfile: path.join(root, "public", "student-worker.js"),
      platform: "browser",
      format: "iife",
      target: "es2022",
      minify: true,
      define: { "process.env.NODE_ENV": '"production"' },
    }),
  ]);
}

if (process.argv[1] === import.meta.filename) await buildParts();
