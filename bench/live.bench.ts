import type { ChildProcess } from "node:child_process";
import { existsSync, mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { fromBase64, toBase64 } from "lib0/buffer";
import * as Y from "yjs";
import type { Db } from "@/data/engine/db";
import { EmbeddedDb } from "@/data/engine/pglite";
import { PostgresDb } from "@/data/engine/postgres";
import { allQuestions } from "@/core/resource/document";
import { startPostgres } from "../scripts/postgres.mjs";
import {
  addLessons,
  document,
  listen,
  lostAndDoubled,
  PORT,
  residentMegabytes,
  send,
  serve,
  wait,
  type Led,
} from "./live/school";
import { percentile, printTable, readOptions } from "./table";

/**
 * Led lessons on the real server, with a real connection for every screen: this many students in lessons of 25 answer every two to
 * five seconds for a while, and the teachers go on now and then. From a teacher's press to the last screen; from an answer to the
 * teacher's table; and whether everything that was acknowledged is there once. On the embedded database, and on two application processes
 * with one PostgreSQL, where half the screens are on each and teachers are not where all their children are (`--only embedded,postgres`).
 */
const { n, json } = readOptions({ n: [500] });
const at = process.argv.indexOf("--only");
const only = at < 0 ? null : process.argv[at + 1]!.split(",");
const SECONDS = 40;

const TOGETHER = 6;

interface Engine {
  name: string;
  settings: Record<string, string>;
  /** Where its application processes answer. */
  ports: number[];
  open(): Promise<Db>;
  end(): void;
}

function embedded(): Engine {
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-live-"));
  return {
    ...{ name: "", settings: { DATA_DIR: folder }, ports: [PORT] },
    open: () => EmbeddedDb.open({ folder }),
    end: () => rmSync(folder, { recursive: true, force: true }),
  };
}

function postgres(): Engine {
  const server = startPostgres(5498, "-c fsync=on -c full_page_writes=on -c synchronous_commit=on");
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-live-"));
  return {
    ...{ name: ", two processes on PostgreSQL", settings: { DATA_DIR: folder, DATABASE_URL: server.url } },
    ports: [PORT, PORT + 1],
    open: () => Promise.resolve(new PostgresDb(server.url)),
    end() {
      server.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** One after the other, so that children of a lesson, and their teacher, are on different processes. */
const portOf = ({ ports }: Engine, id: number) => ports[id % ports.length]!;

/** Six of a class type on one page, a letter or two at a time as their screens send them; from the typing to the last of the others. */
async function typeTogether(
  engine: Engine,
  { assignment, teacher, students }: Led,
  until: number,
  reached: number[],
): Promise<boolean> {
  const group = students.slice(0, TOGETHER);
  const step = "step-0";
  const work = {
    ...{ mode: "groups", onBoard: false, shared: true, frozen: false },
    groups: [group.map(({ id }) => ({ student: id, name: `Child ${id}` }))],
  };
  await send(teacher, `/lead/${assignment}/command`, { do: "work", step, work });
  const sent = new Map<string, { at: number; left: number }>();
  const screens = group.map(({ token, id }) => {
    const page = new Y.Doc();
    const heard = listen(
      token,
      `/student/${assignment}/live`,
      (event) => {
        if (event.kind !== "page" || typeof event.change !== "string") return;
        Y.applyUpdate(page, fromBase64(event.change), "server");
        const one = sent.get(event.change);
        if (!one || event.by === id) return;
        one.left -= 1;
        if (one.left === 0) reached.push(performance.now() - one.at);
      },
      portOf(engine, id),
    );
    return { token, id, page, heard };
  });
  await Promise.all(screens.map(({ heard }) => heard));
  await Promise.all(
    screens.map(async ({ token, id, page }) => {
      page.on("update", (update: Uint8Array, origin: unknown) => {
        if (origin === "server") return;
        const change = toBase64(update);
        sent.set(change, { at: performance.now(), left: TOGETHER - 1 });
        void send(token, `/student/${assignment}/together`, { step, change }, { port: portOf(engine, id) });
      });
      while (performance.now() < until) {
        await wait(150 + Math.random() * 250);
        page.getText("text question-0 ").insert(0, String.fromCharCode(97 + (id % 26)));
      }
    }),
  );
  await wait(1500);
  return new Set(screens.map(({ page }) => page.getText("text question-0 ").toString())).size === 1;
}

async function measure(engine: Engine, students: number): Promise<Record<string, string | number>[]> {
  const filled = await engine.open();
  const lessons = await addLessons(filled, students);
  await filled.close();
  const servers: ChildProcess[] = [];
  try {
    for (const port of engine.ports) servers.push(await serve(engine.settings, port));
    const steps = allQuestions(document);
    const toScreens: number[] = [];
    const toTable: number[] = [];
    const answered: number[] = [];
    const sentAt = new Map<string, number>();
    const acknowledged = new Set<string>();
    let failed = 0;
    /** By lesson, the press that is on its way to the screens, and how many it has reached. */
    const pressed = new Map<number, { step: string; at: number; reached: number }>();
    for (const { assignment, teacher, students: children } of lessons) {
      await listen(teacher, `/lead/${assignment}/live`, (event) => {
        if (event.kind !== "answers") return;
        for (const { said } of event.answers as { said: string }[]) {
          const sent = sentAt.get(said);
          if (sent !== undefined) toTable.push(performance.now() - sent);
          sentAt.delete(said);
        }
      });
      await Promise.all(
        children.map(({ token, id }) =>
          listen(
            token,
            `/student/${assignment}/live`,
            (event) => {
              const press = pressed.get(assignment);
              const told = event.lesson as { step?: string } | null | undefined;
              if (!press || event.kind !== "lesson" || told?.step !== press.step) return;
              press.reached += 1;
              if (press.reached === children.length) toScreens.push(performance.now() - press.at);
            },
            portOf(engine, id),
          ),
        ),
      );
    }
    const press = async ({ assignment, teacher }: Led, nth: number, begin = false) => {
      const step = `step-${nth % 6}`;
      pressed.set(assignment, { step, at: performance.now(), reached: 0 });
      await send(teacher, `/lead/${assignment}/command`, { do: begin ? "begin" : "go", step, nth: nth % 6 });
    };
    for (const led of lessons) await press(led, 0, true);
    await wait(2000);
    toScreens.length = 0;
    const until = performance.now() + SECONDS * 1000;
    let counted = 0;
    const child = async ({ assignment }: Led, one: Led["students"][number]) => {
      await wait(Math.random() * 3000);
      while (performance.now() < until) {
        const key = `key-${one.id}-${(counted += 1)}`;
        const question = steps[Math.floor(Math.random() * steps.length)]!.question.id;
        sentAt.set(key, performance.now());
        const at = performance.now();
        const where = `/student/${assignment}/responses`;
        const body = {
          ...{ recipient: one.recipient, number: 1 },
          items: [{ key, question, value: key, age: 0, after: [] }],
        };
        // A connection that was idle may have been closed just then: the device sends again, as it always does.
        const ask = () => send(one.token, where, body, { port: portOf(engine, one.id) });
        const came = await ask().catch(() => ask().catch(() => null));
        if (came?.status === 200) {
          acknowledged.add(key);
          answered.push(performance.now() - at);
        } else failed += 1;
        await wait(2000 + Math.random() * 3000);
      }
    };
    const teach = async (led: Led) => {
      for (let nth = 1; performance.now() < until; nth += 1) {
        await wait(5000 + Math.random() * 5000);
        await press(led, nth);
      }
    };
    const typed: number[] = [];
    const [same] = await Promise.all([
      typeTogether(engine, lessons[0]!, until, typed),
      ...lessons.flatMap((led) => [teach(led), ...led.students.map((one) => child(led, one))]),
    ]);
    await wait(1500);
    const memory = Math.max(...servers.map(({ pid }) => residentMegabytes(pid!)));
    for (const server of servers) server.kill("SIGKILL");
    await wait(1500);
    const db = await engine.open();
    const { lost, doubled } = await lostAndDoubled(db, acknowledged);
    await db.close();
    const name = (what: string) => `${students} students${engine.name}: ${what}`;
    return [
      { case: name("from the press to the last screen"), p95_ms: percentile(toScreens, 95), wanted_ms: 250 },
      { case: name("from an answer to the teacher's table"), p95_ms: percentile(toTable, 95), wanted_ms: 300 },
      { case: name("an answer, until it is acknowledged"), p95_ms: percentile(answered, 95), wanted_ms: 300 },
      { case: name("six on one page, from typing to the last screen"), p95_ms: percentile(typed, 95), wanted_ms: 500 },
      { case: name("six screens that show the same in the end"), value: same ? 6 : 0, wanted: 6 },
      {
        case: name("answers a second"),
        value: Math.round(answered.length / SECONDS),
        wanted: Math.round(students / 3.6),
      },
      { case: name("presses that reached every screen"), value: toScreens.length, wanted: toScreens.length },
      { case: name("memory of a process, MB"), value: memory, wanted: 1500 },
      { case: name("answers that failed"), value: failed, wanted: 0 },
      { case: name("acknowledged answers lost or doubled after a kill"), value: lost + doubled, wanted: 0 },
    ];
  } finally {
    for (const server of servers) server.kill("SIGKILL");
    engine.end();
  }
}

if (!existsSync(".next/BUILD_ID")) {
  console.error("Build first: npm run build");
  process.exit(1);
}
const rows = [];
for (const students of n)
  for (const [which, begin] of Object.entries({ embedded, postgres }))
    if (!only || only.includes(which)) rows.push(...(await measure(begin(), students)));
printTable(rows, json);
process.exit(0);
