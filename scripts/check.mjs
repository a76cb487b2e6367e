// npm run check: everything that must hold before a change lands. Installs what is missing. With `-- --formats` also what programs of
// others say of the files we write and read (src/formats/independent), with `-- --scan` what a scanner finds (e2e/scan.outside.spec.ts).
import { spawn, spawnSync } from "node:child_process";
import path from "node:path";
import { findChromium } from "./chromium.mjs";
import { findReaders, findScanner } from "./readers.mjs";
import { installPackages, root } from "./installed.mjs";
import { lookAtPackages } from "./packages.mjs";
import { findPoppler } from "./poppler.mjs";
import { startPostgres } from "./postgres.mjs";

installPackages();
const chromium = findChromium();
findPoppler();
const bin = (name) => path.join(root, "node_modules", ".bin", name);
const jest = path.join(root, "node_modules/jest/bin/jest.js");

const jestFlags = ["--experimental-vm-modules", "--no-warnings", jest];
const run = (program, args, more = {}) =>
  spawnSync(program, args, {
    cwd: root,
    stdio: "inherit",
    env: { ...process.env, CHROMIUM_PATH: chromium, NEXT_TELEMETRY_DISABLED: "1", ...more },
  }).status;

/** What asks the database, on the other engine too: the same SQL must mean the same on both. */
function onPostgres() {
  const server = startPostgres(5439);
  try {
    return run(process.execPath, [...jestFlags, "src/data", "src/server"], { TEST_DATABASE_URL: server.url });
  } finally {
    server.stop();
  }
}

const formats = process.argv.includes("--formats");
if (formats) findReaders();
const scan = process.argv.includes("--scan");
if (scan) findScanner();

/** Programs that use one core each run side by side; what each says comes when it has ended, in order. */
async function sideBySide(programs) {
  const ended = programs.map(
    ([name, program, args]) =>
      new Promise((resolve) => {
        const at = Date.now();
        const said = [];
        const child = spawn(program, args, { cwd: root, env: { ...process.env, FORCE_COLOR: "0" } });
        for (const stream of [child.stdout, child.stderr]) stream.on("data", (part) => said.push(part));
        child.on("error", (error) => said.push(Buffer.from(`${error.message}\n`)));
        child.on("close", (status) => resolve({ name, status, said, seconds: Math.round((Date.now() - at) / 1000) }));
      }),
  );
  let worst = 0;
  for (const one of ended) {
    const { name, status, said, seconds } = await one;
    process.stdout.write(Buffer.concat(said));
    console.log(`   ${name}: ${status === 0 ? "good" : "FAILED"} (${seconds} s)`);
    if (status !== 0) worst = 1;
  }
  return worst;
}

const written = [
  ["types", bin("tsc"), ["--noEmit"]],
  ["lint", bin("eslint"), ["."]],
  ["format", bin("prettier"), ["--check", "--log-level", "warn", "."]],
  ["unused code", bin("knip"), []],
];

const steps = [
  ["types, lint, format, unused code", () => sideBySide(written)],
  ["packages", () => lookAtPackages(root)],
  ["units", process.execPath, [...jestFlags, "--silent=false"]],
  ["units on PostgreSQL", onPostgres],
  ...(formats ? [["formats", process.execPath, [...jestFlags, "--config", "jest.formats.config.mjs"]]] : []),
  ["readers", process.execPath, [path.join(root, "scripts/build-parts.mjs")]],
  ["build", bin("next"), ["build"]],
  ["browser", bin("playwright"), ["test"]],
  ...(scan ? [["scanner", () => run(bin("playwright"), ["test", "scan.outside"], { SCAN: "1" })]] : []),
];

let passed = 0;
const began = Date.now();
for (const [name, program, args] of steps) {
  const at = Date.now();
  console.log(`\n── ${name}`);
  const status = typeof program === "function" ? await program() : run(program, args);
  console.log(`── ${name}: ${status === 0 ? "good" : "FAILED"} (${Math.round((Date.now() - at) / 1000)} s)`);
  if (status !== 0) {
    console.log(`\ncheck: ${passed} passed, 1 failed`);
    process.exit(1);
  }
  passed += 1;
}
console.log(`\nAll in ${Math.round((Date.now() - began) / 1000)} s.`);
console.log(`check: ${passed} passed, 0 failed`);
