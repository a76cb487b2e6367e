import type { ChildProcess } from "node:child_process";
import { existsSync, mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { allQuestions } from "@/core/resource/document";
import { migrationsIn } from "@/data/engine/migrate";
import { PostgresDb } from "@/data/engine/postgres";
import { startPostgres } from "../scripts/postgres.mjs";
import { addLessons, document, lostAndDoubled, send, serve, wait, type Led } from "./live/school";
import { printTable, readOptions } from "./table";

/**
 * Two processes on one PostgreSQL are stopped and started one after the other, `--n` times round, while children answer: as when a new
 * version is put in place of an old one. With `--from FOLDER`, where an earlier version is built, the first two are of that one, and the database
 * as it left it. Requests go in turn to whichever says that it is well, as whatever shares them out sees to. No request
 * may fail, and every answer must be there once.
 */
const { n, json } = readOptions({ n: [2] });
const at = process.argv.indexOf("--from");
const FROM = at < 0 ? "." : process.argv[at + 1]!;
const CHILDREN = 50;
const PORTS = [3990, 3991] as const;

async function stop(server: ChildProcess): Promise<void> {
  const gone = new Promise((resolve) => server.once("exit", resolve));
  server.kill("SIGTERM");
  await gone;
}

async function measure(rounds: number): Promise<Record<string, string | number>[]> {
  const database = startPostgres(5497);
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-rolling-"));
  const settings = {
    ...{ DATA_DIR: folder, DATABASE_URL: database.url },
    ...{ STOP_DRAIN_SECONDS: "5", NEXT_MANUAL_SIG_HANDLE: "true" },
  };
  const servers: ChildProcess[] = [];
  try {
    const filled = new PostgresDb(database.url);
    const lessons = await addLessons(filled, CHILDREN, migrationsIn(path.join(FROM, "migrations")));
    const questions = allQuestions(document).map(({ question }) => question.id);
    for (const port of PORTS) servers.push(await serve(settings, port, FROM));
    const sent = new Set<string>();
    const failed: string[] = [];
    let counted = 0;
    let on = true;
    /** Where requests go: the process that says it is well, asked every half second. */
    const well = new Set<number>(PORTS);
    const watch = async (port: number) => {
      while (on) {
        const said = await send("none", "/healthz", undefined, { port, fresh: true }).catch(() => null);
        if (said?.status === 200) well.add(port);
        else well.delete(port);
        await wait(500);
      }
    };
    const watching = PORTS.map(watch);
    const ask = async (one: Led["students"][number], where: string, body: object, nth: number): Promise<string> => {
      const ports = [...well];
      const port = ports[nth % ports.length];
      if (port === undefined) return "nobody is well";
      return send(one.token, where, body, { port, fresh: true }).then(
        ({ status }) => String(status),
        (error: NodeJS.ErrnoException) => error.code ?? error.message,
      );
    };
    const child = async ({ assignment }: Led, one: Led["students"][number]) => {
      while (on) {
        const nth = (counted += 1);
        const key = `answer-${one.id}-${nth}`;
        const items = [{ key, question: questions[nth % questions.length], value: key, age: 0, after: [] }];
        const body = { recipient: one.recipient, number: 1, items };
        const came = await ask(one, `/student/${assignment}/responses`, body, nth);
        sent.add(key);
        if (came !== "200") failed.push(came);
        await wait(100 + Math.random() * 200);
      }
    };
    const working = lessons.flatMap((led) => led.students.map((one) => child(led, one)));
    for (let round = 0; round < rounds; round += 1)
      for (const [at, port] of PORTS.entries()) {
        // Both must be well before one goes.
        await wait(1_500);
        await stop(servers[at]!);
        servers[at] = await serve(settings, port);
      }
    on = false;
    await Promise.all([...working, ...watching]);
    const { lost, doubled } = await lostAndDoubled(filled, sent);
    await filled.close();
    const name = (what: string) => `two processes, each started anew ${rounds} times: ${what}`;
    if (failed.length > 0) console.error(`failed: ${[...new Set(failed)].join(", ")}`);
    return [
      { case: name("requests"), value: sent.size, wanted: sent.size },
      { case: name("failed"), value: failed.length, wanted: 0 },
      { case: name("answers lost"), value: lost, wanted: 0 },
      { case: name("answers kept twice"), value: doubled, wanted: 0 },
    ];
  } finally {
    for (const server of servers) server.kill("SIGKILL");
    await wait(200);
    database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

if (!existsSync(".next/BUILD_ID")) {
  console.error("Build first: npm run build");
  process.exit(1);
}
const rows = [];
for (const rounds of n) rows.push(...(await measure(rounds)));
printTable(rows, json);
process.exit(0);
