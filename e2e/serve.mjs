// The built application on a fresh demo database in a temporary folder, for the browser tests.
import { spawn, spawnSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { root } from "../scripts/installed.mjs";
import { nextProgram, tsxProgram } from "../scripts/built.mjs";

const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-e2e-"));
const environment = { ...process.env, DEMO: "1", DEMO_BULK: "1500", DATA_DIR: folder, NODE_ENV: "production" };
const made = spawnSync(process.execPath, [tsxProgram, "demo/prepare.ts"], {
  cwd: root,
  env: environment,
  stdio: "inherit",
});
if (made.status !== 0) process.exit(1);
const server = spawn(process.execPath, [nextProgram, "start", "-p", process.env.PORT], {
  cwd: root,
  env: environment,
  stdio: "inherit",
});
const stop = () => {
  server.kill("SIGTERM");
  rmSync(folder, { recursive: true, force: true });
};
process.on("SIGTERM", stop);
process.on("SIGINT", stop);
server.on("exit", (code) => process.exit(code ?? 0));
