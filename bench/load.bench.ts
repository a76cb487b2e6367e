import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, rmSync } from "node:fs";
import net from "node:net";
import os from "node:os";
import path from "node:path";
import { EmbeddedDb } from "@/data/engine/pglite";
import { wordSecret } from "@/core/roster/secret";
import { hashSecret } from "@/server/web/secrets";
import { tsxProgram } from "../scripts/built.mjs";
import { addLessons, lostAndDoubled, PORT, residentMegabytes, serve, wait } from "./live/school";
import { School, WORDS } from "./load/mixed-use";
import { percentile, printTable, readOptions } from "./table";

/**
 * A whole school at once on one machine with the embedded database: `--n 500` children and their teachers for `--minutes 60`. Then slow
 * clients and ten thousand idle connections beside it, and 8:50, when everybody signs in. Nothing may fail, and memory may not grow.
 */
const { n, json } = readOptions({ n: [500] });
const at = process.argv.indexOf("--minutes");
const MINUTES = at < 0 ? 60 : Number(process.argv[at + 1]);
const LESSONS = 5000;
const IDLE = 10_000;
const SLOW = 200;
const STAMPEDE_MS = 30_000;
const TOKEN = "only-for-this-run";

async function measured(name: string): Promise<number> {
  const response = await fetch(`http://127.0.0.1:${PORT}/metrics`, { headers: { authorization: `Bearer ${TOKEN}` } });
  return Number(new RegExp(`^${name} (\\S+)`, "m").exec(await response.text())![1]);
}
const heapMegabytes = async () => (await measured("nodejs_heap_size_used_bytes")) / 2 ** 20;
const cpuSeconds = () => measured("process_cpu_seconds_total").catch(() => NaN);

/** How long the machine takes for always the same work, in milliseconds: what it has left for us differs from minute to minute. */
function sameWork(): number {
  const from = performance.now();
  let sum = 0;
  for (let at = 0; at < 1e7; at += 1) sum += at % 7;
  return sum > 0 ? performance.now() - from : 0;
}

/** Prints each minute what was asked in it, how long it took, and what the machine was doing. Gives back what ends it. */
function eachMinute(school: School): () => void {
  let [asked, failed, cpu, minute] = [0, 0, 0, 0];
  const timer = setInterval(() => {
    const [work, taken] = [sameWork(), school.taken.slice(asked)];
    asked += taken.length;
    const lost = school.failed.length - failed;
    failed += lost;
    minute += 1;
    const p95 = percentile(
      taken.map(({ ms }) => ms),
      95,
    );
    void cpuSeconds().then((now) => {
      const line = { minute, requests: taken.length, p95_ms: p95, failed: lost, cpu_s: now - cpu, same_work_ms: work };
      console.error(
        JSON.stringify(line, (_, value: unknown) => (typeof value === "number" ? Math.round(value) : value)),
      );
      cpu = now;
    });
  }, 60_000);
  return () => clearInterval(timer);
}

/** The least of several looks: what is left when it has been tidied up, as nearly as can be seen from outside. */
async function leastHeap(looks: number, everyMs: number): Promise<number> {
  let least = Infinity;
  for (let nth = 0; nth < looks; nth += 1) {
    least = Math.min(least, await heapMegabytes().catch(() => Infinity));
    await wait(everyMs);
  }
  return Math.round(least);
}

function countsOf(lines: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const line of lines) counts.set(line, (counts.get(line) ?? 0) + 1);
  return counts;
}

function connect(count: number, made: (socket: net.Socket, nth: number) => void): net.Socket[] {
  return Array.from({ length: count }, (_, nth) => {
    const socket = net.connect(PORT, "127.0.0.1");
    socket.on("error", () => {});
    socket.on("connect", () => made(socket, nth));
    return socket;
  });
}

/** Some say their request a letter a second, some read what they asked for a little at a time. */
const slowClients = () =>
  connect(SLOW, (socket, nth) => {
    const request = `GET /find HTTP/1.1\r\nHost: 127.0.0.1:${PORT}\r\nX-Slow: ${"s".repeat(2000)}\r\n\r\n`;
    if (nth % 2) return void socket.write(request, () => socket.pause());
    let said = 0;
    const letter = setInterval(() => {
      if (socket.destroyed || said >= request.length) return clearInterval(letter);
      socket.write(request[said]!);
      said += 1;
    }, 1000);
  });

async function measure(students: number): Promise<Record<string, string | number>[]> {
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-load-"));
  spawnSync(process.execPath, [tsxProgram, "demo/prepare.ts"], {
    env: { ...process.env, DATA_DIR: folder, DEMO: "1", DEMO_BULK: String(LESSONS) },
  });
  const filled = await EmbeddedDb.open({ folder });
  const lessons = await addLessons(filled, students);
  await filled.query("delete from lesson where assignment_id = any($1::int[])", [
    lessons.slice(5).map(({ assignment }) => assignment),
  ]);
  await filled.query("update person set password_hash = $1 where id = any($2::int[])", [
    await hashSecret(wordSecret(WORDS)),
    lessons.flatMap((led) => led.students.map(({ id }) => id)),
  ]);
  await filled.close();
  const server = await serve({ DATA_DIR: folder, METRICS_TOKEN: TOKEN });
  try {
    const school = new School(lessons);
    const since = (from: number) => school.taken.slice(from);
    const p95 = (taken: readonly { ms: number }[]) =>
      percentile(
        taken.map(({ ms }) => ms),
        95,
      );
    await school.openScreens();
    const minute = 60_000;
    const early = wait(Math.min(MINUTES / 6, 10) * minute).then(async () => ({
      heap: await leastHeap(24, Math.min(5000, (MINUTES * minute) / 200)),
      resident: residentMegabytes(server.pid!),
    }));
    const late = wait(MINUTES * minute - Math.min(2, MINUTES / 8) * minute).then(async () => ({
      heap: await leastHeap(24, Math.min(5000, (MINUTES * minute) / 200)),
      resident: residentMegabytes(server.pid!),
    }));
    const quiet = eachMinute(school);
    await school.use(performance.now() + MINUTES * minute);
    quiet();
    const [first, last] = await Promise.all([early, late]);
    const hour = school.taken.length;
    console.error(`The time is over: ${JSON.stringify({ first, last, hour, failed: school.failed.length })}`);
    const kinds = [...new Set(school.taken.map(({ what }) => what))].sort();

    const slow = slowClients();
    await wait(2000);
    await school.use(performance.now() + Math.min(1, MINUTES) * minute);
    const besideSlow = since(hour);
    for (const socket of slow) socket.destroy();

    const before = school.taken.length;
    let open = 0;
    const idle = connect(IDLE, () => (open += 1));
    await wait(5000);
    await school.use(performance.now() + Math.min(1, MINUTES) * minute);
    const besideIdle = since(before);
    const opened = open;
    for (const socket of idle) socket.destroy();

    const rush = school.taken.length;
    await school.stampede(STAMPEDE_MS);
    const rushed = since(rush);

    for (const [why, times] of countsOf(school.failed)) console.error(`${times} × ${why}`);
    server.kill("SIGKILL");
    await wait(1500);
    const db = await EmbeddedDb.open({ folder });
    const { lost, doubled } = await lostAndDoubled(db, school.acknowledged);
    await db.close();
    const name = (what: string) => `${students} children, ${MINUTES} minutes: ${what}`;
    return [
      { case: name("everything"), p95_ms: p95(school.taken.slice(0, hour)), wanted_ms: 200 },
      ...kinds.map((kind) => ({
        case: name(kind),
        p95_ms: p95(school.taken.slice(0, hour).filter(({ what }) => what === kind)),
        wanted_ms: 200,
      })),
      { case: name("requests a second"), value: Math.round(hour / (MINUTES * 60)), wanted: Math.round(students / 9) },
      { case: name("heap early, MB"), value: first.heap, wanted: first.heap },
      { case: name("heap late, MB"), value: last.heap, wanted: Math.round(first.heap * 1.1) },
      { case: name("memory early, MB"), value: first.resident, wanted: first.resident },
      { case: name("memory late, MB"), value: last.resident, wanted: Math.round(first.resident * 1.1) },
      { case: name(`beside ${SLOW} slow clients`), p95_ms: p95(besideSlow), wanted_ms: 200 },
      { case: name(`beside ${opened} idle connections`), p95_ms: p95(besideIdle), wanted_ms: 200 },
      { case: name("8:50, everything"), p95_ms: p95(rushed), wanted_ms: 2000 },
      { case: name("requests that failed"), value: school.failed.length, wanted: 0 },
      { case: name("acknowledged and lost"), value: lost, wanted: 0 },
      { case: name("kept twice"), value: doubled, wanted: 0 },
    ];
  } finally {
    server.kill("SIGKILL");
    rmSync(folder, { recursive: true, force: true });
  }
}

if (!existsSync(".next/BUILD_ID")) {
  console.error("Build first: npm run build");
  process.exit(1);
}
const rows = [];
for (const students of n) rows.push(...(await measure(students)));
printTable(rows, json);
process.exit(0);
