import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { waveFile } from "@/core/media/wave";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, visitorOf } from "@/server/testing/as";
import { POST as addFile } from "./route";
import { GET as readFile } from "./[sha256]/route";
import { setChildRules, setConsent } from "@/data/keep/consent";
import { POST as addForAnswer } from "../student/[assignment]/file/route";

jest.mock(
  "@/server/web/session",
  () => jest.requireActual<typeof import("@/server/testing/as")>("@/server/testing/as").session,
);
jest.mock(
  "@/server/web/database",
  () => jest.requireActual<typeof import("@/server/testing/as")>("@/server/testing/as").database,
);

let db: Db;
let world: World;
const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-media-"));
const before = process.env.DATA_DIR;
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const student = (at: number) =>
  visitorOf({ id: world.students[at]!, district: world.district, school: world.here }, { kind: "student", roles: [] });

beforeAll(async () => {
  process.env.DATA_DIR = folder;
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(async () => {
  await db.close();
  if (before === undefined) delete process.env.DATA_DIR;
  else process.env.DATA_DIR = before;
  rmSync(folder, { recursive: true, force: true });
});
beforeEach(() => actAs(ines()));

const send = (kind: string, body: BodyInit, headers: Record<string, string> = {}) =>
  addFile(new Request(`http://satchel.example/media?kind=${kind}`, { method: "POST", body, headers }), {
    params: Promise.resolve({}),
  });
const read = (sha256: string, range?: string) =>
  readFile(new Request(`http://satchel.example/media/${sha256}`, range ? { headers: { range } } : {}), {
    params: Promise.resolve({ sha256 }),
  });
const sound = waveFile(Float32Array.from({ length: 1000 }, (_, at) => Math.sin(at / 5)));
const problemOf = async (response: Response) => ((await response.json()) as { problem: string }).problem;

describe("a file of hers", () => {
  test("is kept, and comes back as what it is", async () => {
    const kept = await send("sound", sound);
    expect(kept.status).toBe(200);
    const { media } = (await kept.json()) as { media: string };
    const back = await read(media);
    expect(back.headers.get("content-type")).toBe("audio/wav");
    expect(new Uint8Array(await back.arrayBuffer())).toEqual(sound);
  });

  test("captions are read whole before they are kept; what is wrong is said with its line", async () => {
    expect((await send("captions", "WEBVTT\n\n00:00.000 --> 00:02.000\nHigh water.")).status).toBe(200);
    const broken = await send("captions", "WEBVTT\n\n00:05.000 --> 00:02.000\nBackwards.");
    expect(broken.status).toBe(422);
    expect(await problemOf(broken)).toBe(
      "These captions cannot be used. Line 3: this caption ends before it begins. Nothing was changed.",
    );
    const latin = await send("captions", Buffer.from("WEBVTT\n\n00:00.000 --> 00:02.000\n\xa1Bajamar!", "latin1"));
    expect([latin.status, await problemOf(latin)]).toEqual([422, expect.stringContaining("UTF-8")]);
  });

  test.each([
    ["picture", "Just a text named .png", 415, /not a PNG, JPEG, GIF or WebP picture, whatever its name says/],
    ["film", "<!doctype html>", 415, /not a WebM, MP4 or Ogg film/],
    ["sound", "", 415, /not a WAV/],
    ["spreadsheet", "a;b", 400, /We cannot use this kind of file/],
  ])("a %s that is none is refused, and nothing is kept", async (kind, body, status, says) => {
    const kept = () => db.query("select 1 from media");
    const there = (await kept()).length;
    const refused = await send(kind, body);
    expect(refused.status).toBe(status);
    expect(await problemOf(refused)).toMatch(says);
    expect(await kept()).toHaveLength(there);
  });

  test("too large is refused by what is said of it, and by what it is", async () => {
    const said = await send("captions", "WEBVTT", { "content-length": String(40 * 1024 * 1024) });
    expect([said.status, await problemOf(said)]).toEqual([413, expect.stringContaining("larger than 256 KB")]);
    const sent = await send("captions", `WEBVTT\n${"x".repeat(300 * 1024)}`);
    expect(sent.status).toBe(413);
  });

  test("nobody fills the school's disk alone: what one person's files take together has an end", async () => {
    await db.query("insert into media values ($1, 'video/webm', $2, $3, now())", [
      "f".repeat(64),
      1_999_999_000,
      world.ines,
    ]);
    const refused = await send("sound", waveFile(Float32Array.from({ length: 2000 }, (_, at) => Math.cos(at))));
    expect(refused.status).toBe(507);
    expect(await problemOf(refused)).toBe(
      "Your files take 2000 MB already, which is the limit. Nothing was changed. Ask the school office.",
    );
    await db.query("delete from media where sha256 = $1", ["f".repeat(64)]);
  });

  test("is not taken from nobody, and not from a student", async () => {
    actAs(null);
    expect((await send("sound", sound)).status).toBe(401);
    actAs(student(0));
    expect((await send("sound", sound)).status).toBe(404);
  });
});

describe("a part of a file, as players ask for it (RFC 9110, section 14)", () => {
  let media: string;
  beforeAll(async () => {
    actAs(ines());
    media = ((await (await send("sound", sound)).json()) as { media: string }).media;
  });

  test.each<[string, number, number]>([
    ["bytes=0-43", 0, 44],
    ["bytes=44-", 44, 2044],
    ["bytes=-100", 1944, 2044],
    ["bytes=2000-9999", 2000, 2044],
  ])("%s", async (range, from, to) => {
    const part = await read(media, range);
    expect(part.status).toBe(206);
    expect(part.headers.get("content-range")).toBe(`bytes ${from}-${to - 1}/2044`);
    expect(new Uint8Array(await part.arrayBuffer())).toEqual(sound.slice(from, to));
  });

  test.each(["bytes=2044-", "bytes=9-3"])("%s is outside", async (range) => {
    const part = await read(media, range);
    expect([part.status, part.headers.get("content-range")]).toEqual([416, "bytes */2044"]);
  });

  test.each(["bytes=0-1,5-6", "lines=1-2", "bytes=-"])("%s is answered with the whole", async (range) => {
    const whole = await read(media, range);
    expect([whole.status, (await whole.arrayBuffer()).byteLength]).toEqual([200, 2044]);
  });

  test("nobody who is signed out reads it, and what is not there is not there", async () => {
    expect((await read("0".repeat(64))).status).toBe(404);
    expect((await read("../../etc/passwd")).status).toBe(404);
    actAs(null);
    expect((await read(media)).status).toBe(401);
  });
});

describe("what a student photographs, records or films", () => {
  // The first signs by which a browser tells WebM, as it films it.
  const webm = Buffer.from([0x1a, 0x45, 0xdf, 0xa3, 0x93, 0x42, 0x82, 0x88, ...Buffer.from("webm"), 1, 2, 3, 4]);
  const give = (assignment: string, kind: string, body: BodyInit = sound) =>
    addForAnswer(
      new Request(`http://satchel.example/student/${assignment}/file?kind=${kind}`, { method: "POST", body }),
      { params: Promise.resolve({ assignment }) },
    );

  test("is taken for an assignment of theirs only, and judged by what is in it", async () => {
    const [given] = await db.query<{ id: number }>(
      `insert into resource (district_id, owner_id, created) values ($1, $2, now()) returning id`,
      [world.district, world.ines],
    );
    const [revision] = await db.query<{ id: number }>(
      `insert into revision (resource_id, number, document, document_hash, author_id, created) values ($1, 1, '{}', 'x', $2, now()) returning id`,
      [given!.id, world.ines],
    );
    const [assignment] = await db.query<{ id: number }>(
      `insert into assignment (class_id, resource_id, made_by, made, opens, due, keep, checking)
       values ($1, $2, $3, now(), now() - interval '1 hour', now() + interval '1 day', 'best', 'at once') returning id`,
      [world.class, given!.id, world.ines],
    );
    await db.query("insert into recipient (assignment_id, student_id, revision_id) values ($1, $2, $3)", [
      assignment!.id,
      world.students[0],
      revision!.id,
    ]);
    actAs(student(0));
    expect((await give(String(assignment!.id), "sound")).status).toBe(200);
    expect((await give(String(assignment!.id), "film", webm)).status).toBe(200);
    expect((await give(String(assignment!.id), "film")).status).toBe(415);
    expect((await give(String(assignment!.id), "captions")).status).toBe(400);
    expect((await give("999999", "sound")).status).toBe(404);
    expect((await give("x", "sound")).status).toBe(404);
    // A film has the picture and the voice: where a school asks, it is kept after a yes to both.
    const by = { student: world.students[0]!, by: world.ines, at: new Date() };
    await setChildRules(db, world.here, { months: null, asksConsent: true });
    for (const [voice, picture, status] of [
      [false, true, 403],
      [true, false, 403],
      [true, true, 200],
    ] as const) {
      await setConsent(db, { ...by, voice, picture });
      expect((await give(String(assignment!.id), "film", webm)).status).toBe(status);
    }
    await setChildRules(db, world.here, { months: null, asksConsent: false });
    actAs(student(1));
    expect((await give(String(assignment!.id), "sound")).status).toBe(404);
  });
});
