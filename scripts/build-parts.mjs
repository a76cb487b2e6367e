// Parts that are bundled by themselves: the readers of files and the writer of papers, each as one script for a worker thread
// (src/server/web/read-file.ts, make-paper.ts), what checks answers in a page that stands alone (src/formats/one-page), the script that keeps students' pages on their devices (worker/student-worker.mjs), and the one that
// opens a PDF in the browser.
import { build } from "esbuild";
import path from "node:path";
import { parts } from "./built.mjs";
import { root } from "./installed.mjs";

const [readers, slowReaders, papers, checker] = parts;

const common = { bundle: true, logLevel: "error", alias: { "@": path.join(root, "src") } };

/** Takes a tenth of a second, so it is made each time and never out of date. */
export async function buildParts() {
  await Promise.all([
    build({
      ...common,
      entryPoints: [path.join(root, "src/formats/readers.ts")],
      outfile: path.join(root, readers),
      platform: "node",
      format: "esm",
      target: "node20",
    }),
    build({
      ...common,
      entryPoints: [path.join(root, "src/formats/slow-readers.ts")],
      outfile: path.join(root, slowReaders),
      platform: "node",
      format: "esm",
      target: "node20",
      // They bring files of their own.
      external: ["pdfjs-dist", "sharp"],
      // Packages that were written for require() find it here.
      banner: {
        js: 'import { createRequire as requireFrom } from "node:module"; const require = requireFrom(import.meta.url);',
      },
    }),
    build({
      ...common,
      entryPoints: [path.join(root, "src/formats/paper-thread.ts")],
      outfile: path.join(root, papers),
      platform: "node",
      format: "esm",
      target: "node20",
      // They bring files of their own.
      external: ["pdfkit", "docx", "pptxgenjs", "image-size"],
    }),
    build({
      ...common,
      entryPoints: [path.join(root, "src/formats/one-page/checker.ts")],
      outfile: path.join(root, checker),
      platform: "browser",
      format: "iife",
      target: "es2022",
      minify: true,
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
    build({
      ...common,
      entryPoints: [path.join(root, "node_modules/pdfjs-dist/legacy/build/pdf.worker.mjs")],
      outfile: path.join(root, "public", "pdf-worker.js"),
      platform: "browser",
      format: "esm",
      target: "es2022",
      minify: true,
    }),
  ]);
}

if (process.argv[1] === import.meta.filename) await buildParts();
