import { spawn, type ChildProcess } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import http from "node:http";
import os from "node:os";
import path from "node:path";
import { fromBase64, toBase64 } from "lib0/buffer";
import * as Y from "yjs";
import { addAssignment } from "@/data/assign/assignments";
import { migrate } from "@/data/engine/migrate";
import { EmbeddedDb } from "@/data/engine/pglite";
import { lesson, publishFor, smallWorld } from "@/data/testing/world";
import { allQuestions } from "@/core/resource/document";
import { newQuestion } from "@/core/question/new-question";
import { percentile, printTable, readOptions } from "./table";

/**
 * Led lessons on the real server, with a real connection for every screen: so many students in lessons of 25 answer every two to
 * five seconds for a while, and the teachers go on now and then. From a teacher's press to the last screen; from an answer to the
 * teacher's table; and whether everything that was acknowledged is there once.
 */
const { n, json } = readOptions({ n: [500] });
const CLASS = 25;
const SECONDS = 40;
const PORT = 3990;
const hash = (token: string) => createHash("sha256").update(token).digest("hex");
const agent = new http.Agent({ keepAlive: true, maxSockets: 4000 });

interface Led {
  assignment: number;
  teacher: string;
  students: { token: string; id: number; recipient: number }[];
}

const document = {
  ...lesson("A lesson for many"),
  steps: Array.from({ length: 6 }, (_, at) => ({
    ...lesson("A lesson for many").steps[0]!,
    id: `step-${at}`,
    blocks: [
      {
        id: `block-${at}`,
        type: "question" as const,
        question: { ...newQuestion("shortText", "en", () => `question-${at}`) },
      },
    ],
  })),
};

async function seed(folder: string, students: number): Promise<Led[]> {
  const db = await EmbeddedDb.open({ folder });
  await migrate(db);
  const world = await smallWorld(db);
  const { id: resource, revision } = await publishFor(db, world.ines, document);
  const now = new Date();
  const person = async (kind: string, name: string) => {
    const [row] = await db.query<{ id: number }>(
      `insert into person (district_id, school_id, kind, given_name, family_name, email, sign_in_name, grade)
       values ($1, $2, $3, $4, 'Test', case when $3 = 'adult' then $4 || '@skerry.example' end,
               case when $3 = 'student' then $4 end, case when $3 = 'student' then 5 end) returning id`,
      [world.district, world.here, kind, name],
    );
    if (kind === "adult") await db.query("insert into person_role values ($1, 'teacher', 'school')", [row!.id]);
    const token = `token-${name}`;
    await db.query(
      "insert into session (token_hash, person_id, created, expires) values ($1, $2, $3::timestamptz, $3::timestamptz + interval '8 hours')",
      [hash(token), row!.id, now],
    );
    return { id: row!.id, token };
  };
  const lessons: Led[] = [];
  for (let at = 0; at * CLASS < students; at += 1) {
    const [group] = await db.query<{ id: number }>(
      "insert into class (school_id, name, subject, year, grade_from, grade_to) values ($1, $2, 'science', 2026, 5, 5) returning id",
      [world.here, `Class ${at}`],
    );
    const teacher = await person("adult", `teacher${at}`);
    await db.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [
      group!.id,
      teacher.id,
    ]);
    const children = [];
    for (let nth = 0; nth < CLASS; nth += 1) {
      const child = await person("student", `child${at}x${nth}`);
      await db.query("insert into enrolment (class_id, student_id) values ($1, $2)", [group!.id, child.id]);
      children.push(child);
    }
    const assignment = await addAssignment(db, {
      ...{
        class: group!.id,
        resource,
        revision,
        students: children.map(({ id }) => id),
        madeBy: teacher.id,
        made: now,
      },
      ...{ opens: new Date(now.getTime() - 60_000), due: new Date(now.getTime() + 6 * 3_600_000) },
      ...{ tries: null, keep: "last", checking: "at the end" },
    });
    await db.query(
      `insert into lesson (assignment_id, led_by, state, opened, watched)
       values ($1, $2, $3::jsonb, $4, $4)`,
      [
        assignment,
        teacher.id,
        JSON.stringify({
          ...{
            phase: "lobby",
            pace: "together",
            step: "",
            nth: 0,
            opened: 0,
            eyesUp: false,
            film: "board",
          },
          ...{ playing: null, timer: null, pen: [], note: "", shown: null, quick: null, went: [] },
        }),
        now,
      ],
    );
    const recipients = await db.query<{ id: number; student: number }>(
      "select id, student_id student from recipient where assignment_id = $1",
      [assignment],
    );
    lessons.push({
      assignment,
      teacher: teacher.token,
      students: children.map((child) => ({
        ...child,
        recipient: recipients.find(({ student }) => student === child.id)!.id,
      })),
    });
  }
  await db.close();
  return lessons;
}

function send(token: string, where: string, body?: object): Promise<{ status: number; text: string }> {
  return new Promise((resolve, reject) => {
    const request = http.request(
      {
        ...{ host: "127.0.0.1", port: PORT, path: where, agent, method: body ? "POST" : "GET" },
        headers: {
          cookie: `satchel-session=${token}`,
          "content-type": "application/json",
          "sec-fetch-site": "same-origin",
        },
      },
      (response) => {
        let text = "";
        response.on("data", (part: Buffer) => (text += part.toString()));
        response.on("end", () => resolve({ status: response.statusCode ?? 0, text }));
      },
    );
    request.on("error", reject);
    request.end(body && JSON.stringify(body));
  });
}

/** Listens as a browser does, until the process ends. Resolves when the first event has come. */
function listen(token: string, where: string, heard: (event: Record<string, unknown>) => void): Promise<void> {
  return new Promise((resolve, reject) => {
    const request = http.get(
      { host: "127.0.0.1", port: PORT, path: where, headers: { cookie: `satchel-session=${token}` } },
      (response) => {
        if (response.statusCode !== 200) return reject(new Error(`${where}: ${response.statusCode}`));
        let rest = "";
        response.on("data", (part: Buffer) => {
          const parts = (rest + part.toString()).split("\n\n");
          rest = parts.pop()!;
          for (const one of parts) {
            if (!one.startsWith("data: ")) continue;
            heard(JSON.parse(one.slice(6)) as Record<string, unknown>);
            resolve();
          }
        });
      },
    );
    request.on("error", reject);
  });
}

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

async function serve(folder: string): Promise<ChildProcess> {
  const server = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-p", String(PORT), "-H", "127.0.0.1"],
    {
      env: { ...process.env, DATA_DIR: folder, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
      stdio: "ignore",
    },
  );
  for (let tried = 0; tried < 120; tried += 1) {
    const up = await send("none", "/sign-in").catch(() => null);
    if (up?.status === 200) return server;
    await wait(500);
  }
  throw new Error("The server did not start.");
}

const residentMegabytes = (pid: number) => {
  const found = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, "utf8"));
  return found ? Math.round(Number(found[1]) / 1024) : 0;
};

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
  const lessons = await seed(folder, students);
  const server = await serve(folder);
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
    const kept = await db.query<{ key: string; times: number }>(
      "select client_key key, count(*)::int times from response group by 1",
    );
    await db.close();
    const stored = new Map(kept.map(({ key, times }) => [key, times]));
    const lost = [...acknowledged].filter((key) => !stored.has(key)).length;
    const doubled = kept.filter(({ times }) => times > 1).length;
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
