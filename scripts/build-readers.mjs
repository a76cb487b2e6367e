// The readers of files as one script that a worker thread can run by itself: see src/server/web/read-file.ts.
import { build } from "esbuild";
import path from "node:path";
import { root } from "./installed.mjs";

export const readersFile = path.join(root, "worker", "built", "readers.mjs");

/** Takes a tenth of a second, so it is made each time and never out of date. */
export async function buildReaders() {
  await build({
    entryPoints: [path.join(root, "src/formats/readers.ts")],
    outfile: readersFile,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    logLevel: "error",
    // Packages that were written for require() find it here.
    banner: {
      js: 'import { createRequire as requireFrom } from "node:module"; const require = requireFrom(import.meta.url);',
    },
    alias: { "@": path.join(root, "src") },
  });
}

if (process.argv[1] === import.meta.filename) await buildReaders();
