import { spawn, spawnSync } from "node:child_process";
import { once } from "node:events";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { createServer, type AddressInfo } from "node:net";
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

/** A port nobody has: what an earlier server may have left behind on another can then never be in the way. */
export async function freePort(): Promise<number> {
  const probe = createServer().listen(0);
  await once(probe, "listening");
  const { port } = probe.address() as AddressInfo;
  probe.close();
  await once(probe, "close");
  return port;
}

const START_MS = 90_000;
/** A stop waits twenty seconds at most for what is under way. */
const STOP_MS = 40_000;

/**
 * Starts the built application on `folder`, or on a copy of the seeded school. `said()` is what it printed as errors so far. The folder goes
 * with it, unless it is to be kept. @throws with what it printed, if it does not answer, or does not end when told to
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
  const gone = new Promise<true>((resolve) => server.once("exit", () => resolve(true)));
  const kill = () => server.kill("SIGKILL");
  // A worker that ends without saying so leaves no server behind.
  process.once("exit", kill);
  const hasEnded = () => server.exitCode !== null || server.signalCode !== null;
  async function end(): Promise<void> {
    process.off("exit", kill);
    kill();
    await gone;
    if (!empty?.keep) rmSync(folder, { recursive: true, force: true });
  }

  const address = `http://localhost:${port}`;
  const until = Date.now() + START_MS;
  const answers = () =>
    fetch(`${address}/sign-in`, { signal: AbortSignal.timeout(10_000) }).then(
      ({ ok }) => ok,
      () => false,
    );
  while (hasEnded() || !(await answers())) {
    if (hasEnded() || Date.now() > until) {
      await end();
      throw new Error(`The server did not start.\n${said}`);
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return {
    address,
    said: () => said,
    async stop() {
      const early = hasEnded();
      server.kill("SIGTERM");
      const inTime = await Promise.race([gone, new Promise<false>((no) => setTimeout(() => no(false), STOP_MS))]);
      await end();
      if (early) throw new Error(`The server had ended before it was told to.\n${said}`);
      if (!inTime) throw new Error(`The server did not end when it was told to.\n${said}`);
    },
  };
}
