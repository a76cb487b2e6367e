import { strFromU8, unzipSync } from "fflate";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { aboutChild, looksAt, noteLook, studentAt } from "@/data/keep/about-child";
import { addMedia } from "@/data/engine/media";
import type { Db } from "@/data/engine/db";
import { addResponses, openAttempt, ownAssignment } from "@/data/student/work";
import { allQuestions } from "@/core/resource/document";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { keepFile } from "../files/files";
import { childFile } from "./child-file";

let db: Db;
let world: World;
let recording: string;
const folder = mkdtempSync(path.join(tmpdir(), "child-"));

beforeAll(async () => {
  process.env.DATA_DIR = folder;
  db = await freshDatabase();
  world = await smallWorld(db);
  const document = lesson("Reading a tide table");
  const published = await publishFor(db, world.ines, document);
  const at = {
    ...{ date: "2026-11-25", period: 1 },
    ...{ starts: new Date(now.getTime() - 3_600_000), ends: new Date(now.getTime() + 3_600_000) },
  };
  const assignment = await giveInLesson(db, world, published, at);
  const [one, other] = world.students;
  recording = await keepFile(Buffer.from("her voice"));
  await addMedia(db, { sha256: recording, mime: "audio/webm", bytes: 9, by: one!, at: now });
  const { step, question } = allQuestions(document)[0]!;
  for (const [student, value] of [
    [one!, recording],
    [other!, "somebody else's answer"],
  ] as const) {
    const assigned = (await ownAssignment(db, student, assignment, null))!;
    const attempt = (await openAttempt(db, assigned, now))!;
    const answer = { step: step.id, question: question.id, value, key: `k${student}`, checked: false, late: false };
    await addResponses(db, attempt.id, [answer], now);
  }
  await db.query("update person set password_hash = 'argon' where id = $1", [one]);
}, 60_000);
afterAll(async () => {
  await db.close();
  delete process.env.DATA_DIR;
  rmSync(folder, { recursive: true, force: true });
});

async function unpacked(student: number): Promise<Record<string, string>> {
  const parts: Uint8Array[] = [];
  for await (const part of childFile(db, student)) parts.push(part);
  const files = unzipSync(Buffer.concat(parts));
  return Object.fromEntries(Object.entries(files).map(([name, bytes]) => [name, strFromU8(bytes)]));
}

test("everything about a child goes into one file: who she is, what she did, her recordings; nobody else, and no password", async () => {
  const [student] = world.students;
  const files = await unpacked(student!);
  expect(JSON.parse(files["tables/person.json"]!)).toMatchObject([{ id: student }]);
  expect(files["tables/person.json"]).not.toContain("argon");
  expect(JSON.parse(files["work.json"]!)).toMatchObject([{ title: "Reading a tide table" }]);
  expect(files["tables/response.json"]).toContain(recording);
  expect(Object.values(files).join()).not.toContain("somebody else's answer");
  expect(
    files[
      `files/${Object.keys(files)
        .find((name) => name.startsWith("files/"))!
        .slice(6)}`
    ],
  ).toBe("her voice");
  expect(Object.keys(files)).toEqual(
    expect.arrayContaining(["README.txt", "tables/enrolment.json", "tables/recipient.json", "tables/attempt.json"]),
  );
});

test("every table that names people is asked, also one that is made tomorrow", async () => {
  await db.script("create table badge_of_tomorrow (id int, wearer_id int references person)");
  await db.query("insert into badge_of_tomorrow values (1, $1)", [world.students[0]]);
  expect((await aboutChild(db, world.students[0]!)).badge_of_tomorrow).toEqual([
    { id: 1, wearer_id: world.students[0] },
  ]);
  await db.script("drop table badge_of_tomorrow");
});

test("who looked is noted, the same within an hour once", async () => {
  const look = { student: world.students[0]!, by: world.ines, what: "her portfolio" };
  const minutes = (count: number) => new Date(now.getTime() + count * 60_000);
  await noteLook(db, { ...look, at: now });
  await noteLook(db, { ...look, at: minutes(20) });
  await noteLook(db, { ...look, what: "how she is doing", at: minutes(21) });
  await noteLook(db, { ...look, at: minutes(90) });
  const looks = await looksAt(db, look.student);
  expect(looks.map(({ what, at }) => [what, at])).toEqual([
    ["her portfolio", minutes(90)],
    ["how she is doing", minutes(21)],
    ["her portfolio", now],
  ]);
});

test("a child of another school, and a grown-up, are nobody here", async () => {
  expect(await studentAt(db, world.here, world.students[0]!)).toBeDefined();
  expect(await studentAt(db, world.there, world.students[0]!)).toBeUndefined();
  expect(await studentAt(db, world.here, world.ines)).toBeUndefined();
});
