import { existsSync, mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { fromBase64, toBase64 } from "lib0/buffer";
import * as Y from "yjs";
import { EmbeddedDb } from "@/data/engine/pglite";
import { allQuestions } from "@/core/resource/document";
import {
  addLessons,
  document,
  listen,
  lostAndDoubled,
  residentMegabytes,
  send,
  serve,
  wait,
  type Led,
} from "./live/school";
import { percentile, printTable, readOptions } from "./table";

/**
 * Led lessons on the real server, with a real connection for every screen: so many students in lessons of 25 answer every two to
 * five seconds for a while, and the teachers go on now and then. From a teacher's press to the last screen; from an answer to the
 * teacher's table; and whether everything that was acknowledged is there once.
 */
const { n, json } = readOptions({ n: [500] });
const SECONDS = 40;

const TOGETHER = 6;

/** Six of a class type on one page, a letter or two at a time as their screens send them; from the typing to the last of the others. */
async function typeTogether(
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
    const heard = listen(token, `/student/${assignment}/live`, (event) => {
      if (event.kind !== "page" || typeof event.change !== "string") return;
      Y.applyUpdate(page, fromBase64(event.change), "server");
      const one = sent.get(event.change);
      if (!one || event.by === id) return;
      one.left -= 1;
      if (one.left === 0) reached.push(performance.now() - one.at);
    });
    return { token, id, page, heard };
  });
  await Promise.all(screens.map(({ heard }) => heard));
  await Promise.all(
    screens.map(async ({ token, id, page }) => {
      page.on("update", (update: Uint8Array, origin: unknown) => {
        if (origin === "server") return;
        const change = toBase64(update);
        sent.set(change, { at: performance.now(), left: TOGETHER - 1 });
        void send(token, `/student/${assignment}/together`, { step, change });
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

async function measure(students: number): Promise<Record<string, string | number>[]> {
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-live-"));
  const filled = await EmbeddedDb.open({ folder });
  const lessons = await addLessons(filled, students);
  await filled.close();
  const server = await serve({ DATA_DIR: folder });
  try {
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
        children.map(({ token }) =>
          listen(token, `/student/${assignment}/live`, (event) => {
            const press = pressed.get(assignment);
            const told = event.lesson as { step?: string } | null | undefined;
            if (!press || event.kind !== "lesson" || told?.step !== press.step) return;
            press.reached += 1;
            if (press.reached === children.length) toScreens.push(performance.now() - press.at);
          }),
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
        const came = await send(one.token, where, body).catch(() => send(one.token, where, body).catch(() => null));
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
      typeTogether(lessons[0]!, until, typed),
      ...lessons.flatMap((led) => [teach(led), ...led.students.map((one) => child(led, one))]),
    ]);
    await wait(1500);
    const memory = residentMegabytes(server.pid!);
    server.kill("SIGKILL");
    await wait(1500);
    const db = await EmbeddedDb.open({ folder });
    const { lost, doubled } = await lostAndDoubled(db, acknowledged);
    await db.close();
    const name = (what: string) => `${students} students: ${what}`;
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
      { case: name("memory of the server, MB"), value: memory, wanted: 1500 },
      { case: name("answers that failed"), value: failed, wanted: 0 },
      { case: name("acknowledged answers lost or doubled after a kill"), value: lost + doubled, wanted: 0 },
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
