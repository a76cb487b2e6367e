// npm run demo and npm start: installs, builds, makes the database, starts, and says where. `npm run demo` fills in the demo's
// world and lets anyone in with one press; `npm start` is for a real school, and prints the code that makes its first accounts.
// PORT (3000), HOST (127.0.0.1: this machine only) and DATA_DIR (.data/demo or .data/school) may be set.
import { spawn } from "node:child_process";
import { existsSync, mkdirSync, writeFileSync } from "node:fs";
import net from "node:net";
import path from "node:path";
import { installPackages, root } from "./installed.mjs";

const port = Number(process.env.PORT ?? 3000);
const host = process.env.HOST ?? "127.0.0.1";
const demo = process.argv[2] === "demo";
const folder = path.resolve(process.env.DATA_DIR ?? path.join(root, ".data", demo ? "demo" : "school"));
const { DEMO: _, ...given } = process.env;
const environment = {
  ...given,
  ...(demo && { DEMO: "1" }),
  DATA_DIR: folder,
  NEXT_TELEMETRY_DISABLED: "1",
  NODE_ENV: "production",
  // How it stops is ours to say: server/web/start.ts.
  NEXT_MANUAL_SIG_HANDLE: "true",
};
// The demo's other system, a simulated course site. Both keep where the other is, so its port goes with ours.
const sitePort = port + 10;
const siteAddress = `http://localhost:${sitePort}`;
if (demo) Object.assign(environment, { COURSE_SITE: siteAddress, SATCHEL: `http://localhost:${port}` });

function fail(text) {
  console.error(text);
  process.exit(1);
}

const portIsFree = (wanted) =>
  new Promise((resolve) => {
    const probe = net.createServer();
    probe.once("error", () => resolve(false));
    probe.listen(wanted, host, () => probe.close(() => resolve(true)));
  });

// Nobody may be reading what is printed here any more (`npm run demo | head`): that is no reason to leave the server alone.
for (const stream of [process.stdout, process.stderr]) stream.on("error", () => undefined);

let running;
let stopping = false;
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) {
  process.on(signal, () => {
    stopping = true;
    if (running) running.kill("SIGTERM");
    else process.exit(0);
  });
}

function run(what, program, args) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [program, ...args], {
      cwd: root,
      env: environment,
      stdio: ["ignore", "pipe", "pipe"],
    });
    running = child;
    let said = "";
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (data) => (said += data));
    child.on("exit", (code) => {
      if (stopping) process.exit(0);
      if (code !== 0) fail(`${what} did not work:\n${said}`);
      resolve(said);
    });
  });
}

if (!Number.isInteger(port) || port < 1 || port > 65535)
  fail(`PORT is "${process.env.PORT}": it must be a number from 1 to 65535.`);
if (!(await portIsFree(port)))
  fail(
    `Port ${port} is in use. Stop what uses it, or choose another: PORT=3001 ${demo ? "npm run demo" : "npm start"}`,
  );
installPackages();
const { isBuilt, nextProgram, tsxProgram } = await import("./built.mjs");

const ready = path.join(folder, "demo-is-ready");
const work = [];
if (!isBuilt()) {
  console.log("Building (a minute or so, once) …");
  const { buildParts } = await import("./build-parts.mjs");
  work.push(buildParts(), run("Building", nextProgram, ["build"]));
}
if (demo && (!existsSync(ready) || process.env.DATABASE_URL)) {
  console.log("Making the demo's school, lessons and a fortnight of work …");
  mkdirSync(folder, { recursive: true });
  work.push(run("Making the demo data", tsxProgram, ["demo/prepare.ts"]).then(() => writeFileSync(ready, "")));
}
await Promise.all(work);

const server = spawn(process.execPath, [nextProgram, "start", "-p", String(port), "-H", host], {
  cwd: root,
  env: environment,
  stdio: ["ignore", "ignore", "inherit"],
});
running = server;
const siteFile = path.join(folder, "other-school-system.json");
const site =
  demo &&
  existsSync(siteFile) &&
  (await portIsFree(sitePort)) &&
  spawn(process.execPath, [tsxProgram, "stand-ins/other-school-system/main.ts"], {
    cwd: root,
    env: { ...environment, PORT: String(sitePort), ISSUER: siteAddress, FILE: siteFile },
    stdio: ["ignore", "ignore", "inherit"],
  });
server.on("exit", (code) => {
  if (site) site.kill("SIGTERM");
  console.log(stopping ? "\nStopped. Everything is kept for next time." : "The server stopped.");
  process.exit(stopping ? 0 : (code ?? 1));
});

const address = `http://${host === "0.0.0.0" || host === "127.0.0.1" ? "localhost" : host}:${port}`;
for (;;) {
  const answer = await fetch(`http://127.0.0.1:${port}/sign-in`).catch(() => null);
  if (answer?.ok) break;
  await new Promise((resolve) => setTimeout(resolve, 200));
}
console.log(
  demo
    ? `
Golden Satchel is at ${address}

Enter with one press from the list on that page, or sign in:
  teacher   ines.halloran@skerry.example   kelp-and-tide
            (so can teodor.brandt, rona.sundin, judit.varga … all with that password)
  office    hollis.gray@skerry.example      kelp-and-tide
  student   ${address}/join   sunniva.dale   fish, boat, star
${site ? `\nThe school's course site, simulated, is at ${siteAddress}: enter there with one press, too.\n` : ""}
Ctrl-C stops it.`
    : `
Golden Satchel is at ${address}. Everything is kept in ${folder}.
Ctrl-C stops it.`,
);
