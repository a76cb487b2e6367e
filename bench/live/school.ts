import { spawn, type ChildProcess } from "node:child_process";
import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import http from "node:http";
import { addAssignment } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import { migrate } from "@/data/engine/migrate";
import { lesson, publishFor, smallWorld } from "@/data/testing/world";
import { newQuestion } from "@/core/question/new-question";

/** How many children a lesson has. */
export const CLASS = 25;
export const PORT = 3990;
const hash = (token: string) => createHash("sha256").update(token).digest("hex");
const agent = new http.Agent({ keepAlive: true, maxSockets: 4000 });

export interface Led {
  assignment: number;
  teacher: string;
  students: { token: string; id: number; recipient: number; signInName: string }[];
}

export const document = {
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

/** Lessons of 25 children each, in the lobby, with a session for everybody. `only`: in the tables of an earlier version. */
export async function addLessons(db: Db, students: number, only?: readonly string[]): Promise<Led[]> {
  await migrate(db, undefined, only && new Set(only));
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
    return { id: row!.id, token, signInName: name };
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
  return lessons;
}

/**
 * Asks as a device does; with `fresh` over a connection of its own, as something that shares requests out does; with `action` as a form that
 * presses it does.
 */
export function send(
  token: string,
  where: string,
  body?: object,
  { port = PORT, fresh = false, action }: { port?: number; fresh?: boolean; action?: string } = {},
): Promise<{ status: number; text: string; signedIn: boolean }> {
  return new Promise((resolve, reject) => {
    const request = http.request(
      {
        ...{ host: "127.0.0.1", port, path: where, method: body ? "POST" : "GET" },
        agent: fresh ? false : agent,
        headers: {
          cookie: `satchel-session=${token}`,
          "content-type": "application/json",
          "sec-fetch-site": "same-origin",
          ...(action && {
            ...{ "next-action": action, origin: `http://127.0.0.1:${port}` },
            "content-type": "text/plain;charset=UTF-8",
          }),
        },
      },
      (response) => {
        let text = "";
        response.on("data", (part: Buffer) => (text += part.toString()));
        // Cut off in the middle, by a server that was stopped.
        response.on("error", reject);
        response.on("end", () => {
          const signedIn = response.headers["set-cookie"]?.some((one) => one.startsWith("satchel-session=")) ?? false;
          resolve({ status: response.statusCode ?? 0, text, signedIn });
        });
      },
    );
    request.on("error", reject);
    request.setTimeout(15_000, () => request.destroy(new Error("no answer for 15 seconds")));
    request.end(body && JSON.stringify(body));
  });
}

/** Listens as a browser does, until the process ends. Resolves when the first event has come. */
export function listen(
  token: string,
  where: string,
  heard: (event: Record<string, unknown>) => void,
  port = PORT,
): Promise<void> {
  return new Promise((resolve, reject) => {
    const request = http.get(
      { host: "127.0.0.1", port, path: where, headers: { cookie: `satchel-session=${token}` } },
      (response) => {
        if (response.statusCode !== 200) return reject(new Error(`${where}: ${response.statusCode}`));
        let rest = "";
        // The server is stopped in the end, in the middle of everything.
        response.on("error", () => {});
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

/** Of answers that were acknowledged, by their keys: how many are not stored, and how many are stored more than once. */
export async function lostAndDoubled(
  db: Db,
  acknowledged: Iterable<string>,
): Promise<{ lost: number; doubled: number }> {
  const kept = await db.query<{ key: string; times: number }>(
    "select client_key key, count(*)::int times from response group by 1",
  );
  const times = new Map(kept.map((one) => [one.key, one.times]));
  const all = [...acknowledged].map((key) => times.get(key) ?? 0);
  return { lost: all.filter((one) => one === 0).length, doubled: all.filter((one) => one > 1).length };
}

export const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** The application as it is built in a folder, on the database of these settings. @throws if it does not answer within a minute */
export async function serve(settings: Record<string, string>, port = PORT, folder = "."): Promise<ChildProcess> {
  const server = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-p", String(port), "-H", "127.0.0.1"],
    {
      cwd: folder,
      env: { ...process.env, ...settings, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
      stdio: "ignore",
    },
  );
  for (let tried = 0; tried < 1200; tried += 1) {
    const up = await send("none", "/sign-in", undefined, { port, fresh: true }).catch(() => null);
    if (up?.status === 200) return server;
    await wait(50);
  }
  throw new Error("The server did not start.");
}

export const residentMegabytes = (pid: number) => {
  const found = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, "utf8"));
  return found ? Math.round(Number(found[1]) / 1024) : 0;
};
