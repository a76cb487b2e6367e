import type { ChildProcess } from "node:child_process";
import { existsSync, mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { allQuestions } from "@/core/resource/document";
import type { Db } from "@/data/engine/db";
import { EmbeddedDb } from "@/data/engine/pglite";
import { PostgresDb } from "@/data/engine/postgres";
import { startPostgres } from "../scripts/postgres.mjs";
import { addLessons, document, lostAndDoubled, send, serve, wait, type Led } from "./live/school";
import { percentile, printTable, readOptions } from "./table";

/**
 * The application is killed at random moments while children answer, `--n` times on each engine, and started again; then the PostgreSQL server
 * is, while the application runs on. Every answer that was acknowledged must be there once; and it must answer again within five seconds. What
 * was sent and not acknowledged is sent again after the start, as a device does.
 */
const { n, json } = readOptions({ n: [20] });
const CHILDREN = 50;
const LONGEST_LIFE_MS = 2_000;
/** `--only embedded,postgres,server`: which of the three. */
const at = process.argv.indexOf("--only");
const only = at < 0 ? null : process.argv[at + 1]!.split(",");

interface Engine {
  name: string;
  settings: Record<string, string>;
  open(): Promise<Db>;
  end(): void;
  /** Only the database dies, and is started again: the application must find it by itself. */
  killDatabase?(): void;
}

function embedded(): Engine {
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-kills-"));
  return {
    ...{ name: "embedded", settings: { DATA_DIR: folder } },
    open: () => EmbeddedDb.open({ folder }),
    end: () => rmSync(folder, { recursive: true, force: true }),
  };
}

function postgres(theServer: boolean): Engine {
  // Here it writes in earnest: what it has acknowledged is on the disk.
  const server = startPostgres(5498, "-c fsync=on -c full_page_writes=on -c synchronous_commit=on");
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-kills-"));
  return {
    ...{ name: "PostgreSQL", settings: { DATA_DIR: folder, DATABASE_URL: server.url } },
    ...(theServer && {
      name: "the PostgreSQL server",
      killDatabase() {
        server.kill();
        server.start();
      },
    }),
    open: () => Promise.resolve(new PostgresDb(server.url)),
    end() {
      server.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** @throws if a child's page has not come after a minute */
async function untilItAnswers({ students }: Led): Promise<void> {
  for (let tried = 0; tried < 1200; tried += 1) {
    const came = await send(students[0]!.token, "/student").catch(() => null);
    if (came?.status === 200) return;
    await wait(50);
  }
  throw new Error("The application did not find its database again.");
}

async function measure(engine: Engine, kills: number): Promise<Record<string, string | number>[]> {
  const filled = await engine.open();
  const lessons = await addLessons(filled, CHILDREN);
  await filled.close();
  const questions = allQuestions(document).map(({ question }) => question.id);
  const acknowledged = new Set<string>();
  /** Sent, and nobody knows whether it came: the next thing the device sends. */
  const unknown = new Map<number, string>();
  const starts: number[] = [];
  let counted = 0;
  let server: ChildProcess | undefined;
  for (let nth = 0; nth <= kills; nth += 1) {
    const began = performance.now();
    if (nth === 0 || !engine.killDatabase) server = await serve(engine.settings);
    else await untilItAnswers(lessons[0]!);
    starts.push(performance.now() - began);
    let alive = true;
    const child = async ({ assignment }: Led, one: Led["students"][number]) => {
      while (alive) {
        const key = unknown.get(one.id) ?? `answer-${one.id}-${(counted += 1)}`;
        unknown.set(one.id, key);
        const item = { key, question: questions[counted % questions.length], value: key, age: 0, after: [] };
        const body = { recipient: one.recipient, number: 1, items: [item] };
        const came = await send(one.token, `/student/${assignment}/responses`, body).catch(() => null);
        if (came?.status === 200) {
          acknowledged.add(key);
          unknown.delete(one.id);
        }
        await wait(20 + Math.random() * 60);
      }
    };
    const working = lessons.flatMap((led) => led.students.map((one) => child(led, one)));
    await wait(nth === kills ? 500 : Math.random() * LONGEST_LIFE_MS);
    if (engine.killDatabase && nth < kills) engine.killDatabase();
    alive = false;
    if (engine.killDatabase && nth < kills) await Promise.all(working);
    else {
      const gone = new Promise((resolve) => server!.once("exit", resolve));
      server!.kill("SIGKILL");
      await Promise.all([gone, ...working]);
    }
  }
  const db = await engine.open();
  const { lost, doubled } = await lostAndDoubled(db, acknowledged);
  await db.close();
  const name = (what: string) => `${engine.name}, killed ${kills} times: ${what}`;
  return [
    { case: name("answers acknowledged"), value: acknowledged.size, wanted: acknowledged.size },
    { case: name("acknowledged and lost"), value: lost, wanted: 0 },
    { case: name("kept twice"), value: doubled, wanted: 0 },
    {
      case: name(engine.killDatabase ? "from its start to the next page" : "from the start to the first page"),
      p95_ms: percentile(starts, 95),
      wanted_ms: 5000,
    },
  ];
}

if (!existsSync(".next/BUILD_ID")) {
  console.error("Build first: npm run build");
  process.exit(1);
}
const rows = [];
for (const kills of n)
  for (const [which, begin] of Object.entries({
    embedded,
    postgres: () => postgres(false),
    server: () => postgres(true),
  })) {
    if (only && !only.includes(which)) continue;
    const engine = begin();
    try {
      rows.push(...(await measure(engine, kills)));
    } finally {
      engine.end();
    }
  }
printTable(rows, json);
process.exit(0);
