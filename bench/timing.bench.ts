import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import type { Knock, Prepared } from "../e2e/everybody/prepare";
import { tsxProgram } from "../scripts/built.mjs";
import { send, serve } from "./live/school";
import { percentile, printTable, readOptions } from "./table";

/**
 * Whether the time of a refusal tells that a thing exists: every page and file of one teacher's is asked for by people who may not see it, in turn with the
 * same address about nothing, `--n` times each. What is compared is the difference of the middle of each, at the address where it is largest. Where it
 * is more than is wanted it is measured again, four times as often: what the machine did meanwhile goes, and what tells something stays.
 */
const { n, json } = readOptions({ n: [25] });
const outsiders = ["a teacher of another school", "a teacher of another district", "a child of another class"];
const WANTED_MS = 2;

const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-timing-"));
const prepared = path.join(folder, "prepared.json");
const settings = { DATA_DIR: folder, DEMO: "1", DEMO_BULK: "300", NODE_ENV: "production" as const };
if (!existsSync(".next/BUILD_ID")) {
  console.error("Build first: npm run build");
  process.exit(1);
}
for (const [program, ...args] of [["demo/prepare.ts"], ["e2e/everybody/prepare.ts", prepared]])
  spawnSync(process.execPath, [tsxProgram, program!, ...args], { env: { ...process.env, ...settings } });
const { knocks } = JSON.parse(readFileSync(prepared, "utf8")) as Prepared;
const { DEMO: _, ...school } = settings;
const server = await serve(school);

async function timeOf(token: string, where: string): Promise<number> {
  const from = performance.now();
  await send(token, where);
  return performance.now() - from;
}

/** In milliseconds, with its sign: more than none where what exists takes longer. */
async function difference({ token, path: there, nowhere }: Knock, rounds: number): Promise<number> {
  const [took, without]: [number[], number[]] = [[], []];
  for (let round = -3; round < rounds; round += 1) {
    // Each goes first every other time: what one leaves behind (a collection of rubbish, a warm cache) must not be counted to the other alone.
    const thereFirst = round % 2 === 0;
    const first = await timeOf(token!, thereFirst ? there : nowhere);
    const second = await timeOf(token!, thereFirst ? nowhere : there);
    // The first ones are made ready.
    if (round < 0) continue;
    took.push(thereFirst ? first : second);
    without.push(thereFirst ? second : first);
  }
  return percentile(took, 50) - percentile(without, 50);
}

const rows = [];
try {
  for (const rounds of n)
    for (const visitor of outsiders) {
      const theirs = knocks.filter(
        (knock) =>
          knock.visitor === visitor && !knock.allowed && knock.method === "GET" && knock.path !== knock.nowhere,
      );
      let worst = { ms: 0, path: "" };
      for (const knock of theirs) {
        let ms = await difference(knock, rounds);
        if (Math.abs(ms) > WANTED_MS) ms = await difference(knock, 4 * rounds);
        if (Math.abs(ms) > Math.abs(worst.ms)) worst = { ms, path: knock.path };
      }
      rows.push({
        case: `${visitor}, ${theirs.length} addresses: the largest difference in ms (${worst.path})`,
        ...{ value: Math.round(Math.abs(worst.ms) * 10) / 10, wanted: WANTED_MS },
      });
    }
} finally {
  server.kill("SIGKILL");
  rmSync(folder, { recursive: true, force: true });
}
printTable(rows, json);
process.exit(0);
