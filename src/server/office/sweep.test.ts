import { createHash } from "node:crypto";
import { mkdtempSync, rmSync, utimesSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { addAssignment } from "@/data/assign/assignments";
import { searchVersion } from "@/data/engine/search-cache";
import { countUses } from "@/data/find/uses";
import { addMedia, mediaByHash } from "@/data/engine/media";
import { freshDatabase } from "@/data/testing/database";
import { lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import type { Db } from "@/data/engine/db";
import { goneAmong, keepFile } from "../files/files";
import { sweep } from "./sweep";

const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-sweep-"));
const before = process.env.DATA_DIR;
let db: Db;
let world: World;

beforeAll(async () => {
  process.env.DATA_DIR = folder;
  db = await freshDatabase();
  world = await smallWorld(db);
});
afterAll(async () => {
  await db.close();
  if (before === undefined) delete process.env.DATA_DIR;
  else process.env.DATA_DIR = before;
  rmSync(folder, { recursive: true, force: true });
});

const daysAgo = (days: number) => new Date(now.getTime() - days * 86_400_000);
const hash = (text: string) => createHash("sha256").update(text).digest("hex");

/** A file that was uploaded this many days ago. */
async function uploaded(text: string, days: number): Promise<string> {
  const sha256 = await keepFile(new TextEncoder().encode(text));
  await addMedia(db, { sha256, mime: "image/png", bytes: text.length, by: world.ines, at: daysAgo(days) });
  utimesSync(path.join(folder, "media", sha256.slice(0, 2), sha256), daysAgo(days), daysAgo(days));
  return sha256;
}
const isThere = async (sha256: string) =>
  (await mediaByHash(db, sha256)) !== undefined && (await goneAmong([sha256])).length === 0;

test("a file that is named nowhere goes after a month; one in a revision, a draft, an answer or an undo stays", async () => {
  const [unused, young, published, undoable] = await Promise.all([
    uploaded("unused", 31),
    uploaded("young", 29),
    uploaded("published", 400),
    uploaded("undoable", 400),
  ]);
  await publishFor(db, world.ines, {
    ...lesson("With a picture"),
    steps: lesson("With a picture").steps.map((step) => ({
      ...step,
      blocks: [
        ...step.blocks,
        {
          id: "pic",
          type: "picture",
          media: published!,
          description: { en: "A kelp" },
          decorative: false,
          caption: {},
        },
      ],
    })),
  } as never);
  await db.query(
    "insert into event (person_id, at, what, before, after) values ($1, $2, 'test', $3::jsonb, '{}'::jsonb)",
    [world.ines, daysAgo(10), JSON.stringify({ media: undoable })],
  );
  expect((await sweep(db, now)).files).toBe(1);
  expect(await isThere(unused!)).toBe(false);
  expect((await goneAmong([unused!])).length).toBe(1);
  for (const kept of [young, published, undoable]) expect(await isThere(kept!)).toBe(true);
});

test("what a teacher or a child has said about work stays as long as the work does", async () => {
  const [comment, why] = await Promise.all([uploaded("comment", 400), uploaded("why", 400)]);
  const { id: resource, revision } = await publishFor(db, world.ines, lesson("Said about"));
  const [student] = world.students;
  const assignment = await addAssignment(db, {
    ...{ class: world.class, resource, revision, students: [student!], madeBy: world.ines, made: now, opens: now },
    ...{ due: new Date(now.getTime() + 1000), tries: 1, keep: "best", checking: "never" },
  });
  await db.query(
    `with t as (insert into attempt (recipient_id, number, started, handed_in)
         select id, 1, now(), now() from recipient where assignment_id = $1 returning id, recipient_id),
       a as (insert into response (attempt_id, step_id, question_id, value, checked, late, given, client_key)
         select id, 's', 'q', '"a"', false, false, now(), 'k' from t returning id),
       p as (insert into piece (recipient_id, step_id, question_id, response_id, number, sent, state, voice)
         select t.recipient_id, 's', 'q', a.id, 1, now(), 'approved', $3::jsonb from t, a)
     insert into portfolio_piece (student_id, attempt_id, put_in_by, put_in, why_voice) select $2, id, $2, now(), $4::jsonb from t`,
    [assignment, student, JSON.stringify({ media: comment, seconds: 3 }), JSON.stringify({ media: why, seconds: 3 })],
  );
  await sweep(db, now);
  for (const kept of [comment, why]) expect(await isThere(kept!)).toBe(true);
});

test("a file that is uploaded again counts as new, even if nothing names it yet", async () => {
  const sha256 = await uploaded("twice", 90);
  await keepFile(new TextEncoder().encode("twice"));
  await addMedia(db, { sha256, mime: "image/png", bytes: 5, by: world.ines, at: now });
  expect((await sweep(db, now)).files).toBe(0);
  expect(await isThere(hash("twice"))).toBe(true);
});

test("what nobody undoes any more and what was looked at half a year ago goes, and nothing younger", async () => {
  const [resource] = await db.query<{ id: number }>("select id from resource limit 1");
  const add = (days: number) =>
    db.query("insert into event (person_id, at, what, before, after) values ($1, $2, 'old', '{}', '{}')", [
      world.ines,
      daysAgo(days),
    ]);
  await add(181);
  await add(179);
  await db.query("insert into viewed (person_id, resource_id, at) values ($1, $2, $3)", [
    world.ines,
    resource!.id,
    daysAgo(181),
  ]);
  // After a long time without a sweep it may be the clock: nothing goes for good.
  expect(await sweep(db, now, true)).toMatchObject({ events: 0, viewed: 0, files: 0, children: 0 });
  expect(await sweep(db, now)).toMatchObject({ events: 1, viewed: 1 });
  expect(await db.query("select 1 from event where what = 'old'")).toHaveLength(1);
  expect(await sweep(db, now)).toEqual({ events: 0, viewed: 0, files: 0, popularity: 0, judged: 0, children: 0 });
});

test("what was assigned most comes first from the next night on, and an assignment leaves Find's counts as they are", async () => {
  const { id } = await publishFor(db, world.ines, lesson("Used all of a sudden"));
  const entry = async () =>
    (await db.query<{ uses: number }>("select uses from search_entry where resource_id = $1", [id]))[0]!.uses;
  const before = await searchVersion(db);
  await countUses(db, [id, id], 1);
  await countUses(db, [id], -1);
  expect(await searchVersion(db)).toBe(before);
  expect(await entry()).toBe(0);
  expect((await sweep(db, now)).popularity).toBe(1);
  expect(await entry()).toBe(1);
});
