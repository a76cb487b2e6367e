import type { Db } from "../engine/db";
import { freshDatabase } from "../testing/database";
import { giveToClass, lesson, now, publishFor, smallWorld, type World } from "../testing/world";
import { assignmentsOf, countDueBefore, openedAssignments } from "./assignments";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

const days = (count: number) => new Date(now.getTime() + count * 86_400_000);

const give = async (opened: number) =>
  giveToClass(db, world, await publishFor(db, world.ines, lesson("Tides")), { opens: days(opened), due: days(20) });

test("the latest that have opened, and the one that is asked for however old it is; never another class's", async () => {
  const [oldest, older, newer, newest] = [await give(-40), await give(-30), await give(-2), await give(-1)];
  await give(5);
  const opened = async (teacher: number, most: number, also: number | null) =>
    (await openedAssignments(db, teacher, [world.class], now, { most, also })).map(({ id }) => id);
  expect(await opened(world.ines, 2, null)).toEqual([newest, newer]);
  expect(await opened(world.ines, 2, oldest)).toEqual([newest, newer, oldest]);
  expect(await opened(world.ines, 2, newest)).toEqual([newest, newer]);
  expect(await opened(world.ines, 10, null)).toEqual([newest, newer, older, oldest]);
  expect(await opened(world.students[0]!, 10, oldest)).toEqual([]);
});

test("what was due some time ago is counted and can be left out; what is still to come is there, however long ago it opened", async () => {
  await db.query("delete from assignment");
  const long = await give(-90);
  const document = await publishFor(db, world.ines, lesson("Tides"));
  const over = await giveToClass(db, world, document, { opens: days(-50), due: days(-40) });
  const lately = await giveToClass(db, world, document, { opens: days(-30), due: days(-20) });
  const since = days(-21);
  const listed = async (from?: Date) =>
    (await assignmentsOf(db, world.ines, [world.class], now, from)).map(({ id }) => id);
  expect(await listed(since)).toEqual([lately, long]);
  expect(await listed()).toEqual([lately, over, long]);
  expect(await countDueBefore(db, world.ines, [world.class], now, since)).toBe(1);
  expect(await countDueBefore(db, world.students[0]!, [world.class], now, since)).toBe(0);
});
