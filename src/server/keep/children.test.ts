import { existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { addMedia } from "@/data/engine/media";
import type { Db } from "@/data/engine/db";
import { keptOf, setChildRules, setConsent, withoutConsent } from "@/data/keep/consent";
import { leftChildren } from "@/data/keep/delete-child";
import { newStep } from "@/core/resource/edit";
import { emptied, freshDatabase } from "@/data/testing/database";
import { lesson, newId, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { keepFile } from "../files/files";
import { placeOf } from "../files/folder-store";
import { deleteChildOf, deleteThoseWhoLeft } from "./children";

let db: Db;
let world: World;
const folder = mkdtempSync(path.join(tmpdir(), "children-"));
const DAY_MS = 86_400_000;

beforeEach(async () => {
  process.env.DATA_DIR = folder;
  db = db ? await emptied(db) : await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());
afterAll(() => {
  delete process.env.DATA_DIR;
  rmSync(folder, { recursive: true, force: true });
});

const people = async () =>
  (await db.query<{ id: number }>("select id from person where kind = 'student' order by id")).map(({ id }) => id);
const leave = (student: number, daysAgo: number) =>
  db.query("update enrolment set to_date = $2::date where student_id = $1", [
    student,
    new Date(now.getTime() - daysAgo * DAY_MS),
  ]);

test("a child who has left goes when the school's time is over, and not a day before; nobody goes where there is no rule", async () => {
  const [early, late, here] = world.students;
  await leave(early!, 200);
  await leave(late!, 170);
  expect((await leftChildren(db, now, world.here)).map(({ id, goes }) => [id, goes])).toEqual([
    [early, null],
    [late, null],
  ]);
  expect(await leftChildren(db, now)).toEqual([]);
  expect(await deleteThoseWhoLeft(db, now)).toBe(0);
  await setChildRules(db, world.here, { months: 6, asksConsent: false });
  expect(await deleteThoseWhoLeft(db, now)).toBe(1);
  expect(await people()).toEqual([late, here]);
  expect(await deleteThoseWhoLeft(db, new Date(now.getTime() + 30 * DAY_MS))).toBe(1);
  expect(await people()).toEqual([here]);
  const noted = await db.query("select school_id school, by_id by from child_deleted");
  expect(noted).toEqual([
    { school: world.here, by: null },
    { school: world.here, by: null },
  ]);
});

test("who has gone back into a class has not left, and a child who was never in one has not either", async () => {
  const [back, never] = world.students;
  await leave(back!, 70);
  await db.query("delete from enrolment where student_id = $1", [never]);
  await db.query(
    "insert into class (school_id, name, subject, year, grade_from, grade_to) values ($1, 'New', 'art', 2026, 5, 5)",
    [world.here],
  );
  await db.query("insert into enrolment (class_id, student_id) select id, $1 from class where name = 'New'", [back]);
  expect(await leftChildren(db, now, world.here)).toEqual([]);
});

test("her recordings go from the disk; a picture that a lesson shows too stays", async () => {
  const [student] = world.students;
  const [voice, shown] = [await keepFile(Buffer.from("voice")), await keepFile(Buffer.from("shown"))];
  for (const sha256 of [voice, shown])
    await addMedia(db, { sha256, mime: "image/png", bytes: 5, by: student!, at: now });
  const picture = {
    id: "p1",
    type: "picture" as const,
    media: shown,
    description: { en: "A heron" },
    decorative: false,
  };
  await publishFor(db, world.ines, lesson("A heron", { steps: [newStep("en", "Look", newId, [picture])] }));
  const before = await people();
  expect(await deleteChildOf(db, { school: world.there, student: student!, by: world.judit, now })).toBeNull();
  expect(await people()).toEqual(before);
  const gone = await deleteChildOf(db, { school: world.here, student: student!, by: world.ines, now });
  expect(gone!.files).toBe(1);
  expect([existsSync(placeOf(voice)), existsSync(placeOf(shown))]).toEqual([false, true]);
  expect(await db.query("select sha256, added_by by from media")).toEqual([{ sha256: shown, by: world.ines }]);
});

test("where a school asks families, a voice is kept only after a yes; elsewhere everything may be", async () => {
  const [yes, no, silent] = world.students;
  await setConsent(db, { student: yes!, voice: true, picture: false, by: world.ines, at: now });
  await setConsent(db, { student: no!, voice: false, picture: null, by: world.ines, at: now });
  expect(await keptOf(db, no!)).toEqual({ voice: true, picture: true });
  expect(await withoutConsent(db, world.students, "voice")).toEqual([]);
  await setChildRules(db, world.here, { months: null, asksConsent: true });
  expect(await keptOf(db, yes!)).toEqual({ voice: true, picture: false });
  expect(await keptOf(db, silent!)).toEqual({ voice: false, picture: false });
  expect((await withoutConsent(db, world.students, "voice")).map(({ id }) => id)).toEqual([no, silent]);
  expect((await withoutConsent(db, world.students, "picture")).map(({ id }) => id)).toEqual([yes, no, silent]);
});
