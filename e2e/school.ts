import { spawn, spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { nextProgram, tsxProgram } from "../scripts/built.mjs";
import { root } from "../scripts/installed.mjs";

/**
 * The demo's school for the browser tests: seeded once, and copied for each worker, which has a server of its own. So tests that
 * run side by side never meet, and a worker that starts again after a failure starts from the school as it was seeded.
 */
const temporary = () => mkdtempSync(path.join(os.tmpdir(), "satchel-e2e-"));
const environment = (folder: string) => ({
  ...process.env,
  DEMO: "1",
  DEMO_BULK: "1500",
  DATA_DIR: folder,
  NODE_ENV: "production" as const,
  // The course site's people and courses are made too; where it is, a walk says (e2e/walks/course-site.spec.ts).
  COURSE_SITE: "http://localhost:9",
  SATCHEL: "http://localhost:9",
});

/** Playwright's global setup: seeds the school, and gives back what takes it away at the end. @throws if it cannot be seeded */
export default function seedOnce(): () => void {
  const folder = temporary();
  const { status } = spawnSync(process.execPath, [tsxProgram, "demo/prepare.ts"], {
    cwd: root,
    env: environment(folder),
    stdio: "inherit",
  });
  if (status !== 0) throw new Error("The demo's school could not be seeded: see above.");
  process.env.SEEDED_SCHOOL = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}

/** The seeded school once more, in a folder of its own. */
export function copyOfTheSchool(): string {
  const folder = temporary();
  cpSync(process.env.SEEDED_SCHOOL!, folder, { recursive: true });
  return folder;
}

/** Runs one of our own programs on a school that no server has open. @throws with what it said, if it fails */
export function runOn(
  folder: string,
  of: string | { program: string; settings: Record<string, string> },
  ...args: string[]
): void {
  const { program, settings } = typeof of === "string" ? { program: of, settings: {} } : of;
  const { status, stderr } = spawnSync(process.execPath, [tsxProgram, program, ...args], {
    cwd: root,
    env: { ...environment(folder), ...settings },
    encoding: "utf8",
  });
  if (status !== 0) throw new Error(`${program} failed.\n${stderr}`);
}

/**
 * Starts the built application on `folder`, or on a copy of the seeded school. `said()` is what it printed as errors so far. The folder goes
 * with it, unless it is to be kept.
 */
export async function startServer(
  port: number,
  empty?: { folder: string; keep?: boolean; settings?: Record<string, string> },
) {
  const folder = empty?.folder ?? copyOfTheSchool();
  const { DEMO: _, ...school } = environment(folder);
  const server = spawn(process.execPath, [nextProgram, "start", "-p", String(port)], {
    cwd: root,
    env: empty ? { ...school, ...empty.settings } : environment(folder),
    stdio: ["ignore", "ignore", "pipe"],
  });
  let said = "";
  server.stderr.on("data", (text) => (said += String(text)));
  const address = `http://localhost:${port}`;
  const until = Date.now() + 60_000;
  while (!(await fetch(`${address}/sign-in`).catch(() => null))?.ok) {
    if (Date.now() > until || server.exitCode !== null) throw new Error(`The server did not start.\n${said}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return {
    address,
    said: () => said,
    async stop() {
      const gone = new Promise((resolve) => server.once("exit", resolve));
      server.kill("SIGTERM");
      await gone;
      if (!empty?.keep) rmSync(folder, { recursive: true, force: true });
    },
  };
}
