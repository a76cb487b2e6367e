import type { Db } from "@/data/engine/db";
import { studentsOf } from "@/data/classes/classes";
import { leftChildren } from "@/data/keep/delete-child";
import { classesOfChild, schoolsBeside } from "@/data/office/moving";
import { emptied, freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { undoPlan } from "../plan/plan-actions";
import { removeEnrolments } from "@/data/office/rosters";
import { changeSchool } from "./change-school";
import { putInClass, sendChild } from "./moving-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

let db: Db;
let world: World;
let child: number;
let classThere: number;
beforeEach(async () => {
  db = db ? await emptied(db) : await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  child = world.students[0]!;
  const [group] = await db.query<{ id: number }>(
    `insert into class (school_id, name, subject, year, grade_from, grade_to)
     values ($1, '5 Gannet', 'science', 2026, 5, 5) returning id`,
    [world.there],
  );
  classThere = group!.id;
  officeOf(world.here);
}, 60_000);
afterAll(() => db.close());

const officeOf = (school: number) =>
  actAs(visitorOf({ id: world.teodor, district: world.district, school }, { roles: ["office"] }));
async function classHere(): Promise<number> {
  const [group] = await db.query<{ id: number }>(
    `insert into class (school_id, name, subject, year, grade_from, grade_to)
     values ($1, '5 Tern', 'science', 2026, 5, 5) returning id`,
    [world.here],
  );
  return group!.id;
}
const namesIn = async (group: number) => (await studentsOf(db, group)).map(({ id }) => id);

test("a child goes to another school with everything there is of the child, and its office puts the child into a class", async () => {
  const given = await publishFor(db, world.ines, lesson("Gulls"));
  const at = { date: "2026-11-25", period: 1, starts: now, ends: new Date(now.getTime() + 3_600_000) };
  await giveInLesson(db, world, given, at);
  await db.query(
    "insert into session (token_hash, person_id, created, expires) values ('x', $1, $2, $2::timestamptz + interval '1 hour')",
    [child, now],
  );
  expect(value(await sendChild({ ofStudent: child, toSchool: world.there }))).toMatchObject({
    ...{ name: "aisha Test", school: "There" },
  });
  expect(await namesIn(world.class)).not.toContain(child);
  expect(await db.query("select 1 from session where person_id = $1", [child])).toEqual([]);
  expect(await db.query("select 1 from recipient where student_id = $1", [child])).toHaveLength(1);

  // The old office has nothing more to say, and the new one finds the child among those in no class.
  expect(await putInClass({ ofStudent: child, intoClass: world.class })).toMatchObject({ ok: false });
  officeOf(world.there);
  expect((await leftChildren(db, new Date(Date.now() + 1000), world.there)).map(({ id }) => id)).toEqual([child]);
  const put = value(await putInClass({ ofStudent: child, intoClass: classThere }));
  expect(put).toMatchObject({ name: "aisha Test", class: "5 Gannet" });
  expect(await namesIn(classThere)).toEqual([child]);
  expect((await classesOfChild(db, child)).map(({ name }) => name)).toEqual(["5 Gannet"]);
  value(await undoPlan({ event: put.event }));
  expect(await namesIn(classThere)).toEqual([]);
});

test("a child goes to no school of another district, nor to the one it is in, and nobody else's child goes anywhere", async () => {
  expect((await schoolsBeside(db, world.here)).map(({ name }) => name)).toEqual(["There"]);
  const [{ school: elsewhere } = { school: 0 }] = await db.query<{ school: number }>(
    "select school_id school from person where id = $1",
    [world.stranger],
  );
  for (const toSchool of [elsewhere, world.here, 999_999])
    expect(await sendChild({ ofStudent: child, toSchool })).toMatchObject({
      ok: false,
      code: "noSuchSchool",
    });
  expect(await namesIn(world.class)).toContain(child);
  officeOf(world.there);
  expect(await sendChild({ ofStudent: child, toSchool: world.here })).toMatchObject({ ok: false });
  expect(await putInClass({ ofStudent: child, intoClass: classThere })).toMatchObject({ ok: false });
  // Nor is a teacher sent, or a class of another school filled.
  officeOf(world.here);
  expect(await sendChild({ ofStudent: world.ines, toSchool: world.there })).toMatchObject({ ok: false });
  expect(await putInClass({ ofStudent: child, intoClass: classThere })).toMatchObject({ ok: false });
});

test("sending a child is undone, classes and all, until the other school has put the child into a class", async () => {
  const { event } = value(await sendChild({ ofStudent: child, toSchool: world.there }));
  value(await undoPlan({ event }));
  expect(await namesIn(world.class)).toContain(child);
  expect(await db.query("select school_id school from person where id = $1", [child])).toEqual([
    { school: world.here },
  ]);
  expect(await leftChildren(db, new Date(Date.now() + 1000), world.there)).toEqual([]);

  const again = value(await sendChild({ ofStudent: child, toSchool: world.there }));
  officeOf(world.there);
  expect(await undoPlan({ event: again.event })).toMatchObject({ ok: false });
  value(await putInClass({ ofStudent: child, intoClass: classThere }));
  officeOf(world.here);
  expect(await undoPlan({ event: again.event })).toMatchObject({
    code: "otherSchoolHasChild",
  });
  expect(await namesIn(classThere)).toEqual([child]);
  expect(await namesIn(world.class)).not.toContain(child);
});

test("an older change that is undone puts no child into a class who goes to another school by now", async () => {
  const put = value(await putInClass({ ofStudent: child, intoClass: await classHere() }));
  value(await undoPlan({ event: put.event }));
  const { event } = await changeSchool(
    db,
    { by: world.teodor, at: now, what: "took a child out of a class", school: world.here },
    (tx) => removeEnrolments(tx, [{ class: world.class, student: child }]),
  );
  value(await sendChild({ ofStudent: child, toSchool: world.there }));
  expect(await undoPlan({ event })).toMatchObject({
    code: "childElsewhere",
  });
  expect(await namesIn(world.class)).not.toContain(child);
});
