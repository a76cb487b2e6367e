import { build } from "esbuild";
import { execFileSync } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import path from "node:path";
import { root } from "../scripts/installed.mjs";
import type { Measured } from "./formats/in-and-out";
import { printTable, readOptions } from "./table";

/**
 * How long a PDF takes to read (`--n` pages), and packages of 200 resources to write; how much memory that needs at most. Measured in a process that has
 * loaded only that, made as the application's is: what runs this file takes more by itself.
 */
const { n, json } = readOptions({ n: [100] });
const here = (name: string) => path.join(import.meta.dirname, "formats", name);

// Beside the packages, where it finds those that are not bundled.
const folder = path.join(root, "node_modules", ".cache", "bench-formats");
mkdirSync(folder, { recursive: true });
const files = n.map((pages) => {
  const file = path.join(folder, `${pages}.pdf`);
  execFileSync(process.execPath, [...process.execArgv, here("long-pdf.ts"), String(pages), file]);
  return file;
});
const program = path.join(folder, "in-and-out.mjs");
await build({
  ...{ entryPoints: [here("in-and-out.ts")], outfile: program, bundle: true, logLevel: "error" },
  ...{ platform: "node", format: "esm", alias: { "@": path.join(root, "src") }, external: ["pdfjs-dist", "sharp"] },
  banner: {
    js: 'import { createRequire as requireFrom } from "node:module"; const require = requireFrom(import.meta.url);',
  },
});
const said = execFileSync(process.execPath, [program, ...files], { encoding: "utf8" });
const { read, cartridge, qti, before, most } = JSON.parse(said) as Measured;
rmSync(folder, { recursive: true });
printTable(
  [
    ...n.map((pages, at) => ({ case: `a PDF of ${pages} pages comes in`, p95_ms: read[at]!, wanted_ms: 10_000 })),
    { case: "a Common Cartridge of 200 resources goes out", p95_ms: cartridge, wanted_ms: 5000 },
    { case: "QTI 3.0 of 200 resources goes out", p95_ms: qti, wanted_ms: 5000 },
    { case: "memory of the program before it reads or writes anything, in MB", value: before },
    { case: "memory at most, in MB", value: most, wanted: 400 },
  ],
  json,
);
