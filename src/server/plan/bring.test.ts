import type { Db } from "@/data/engine/db";
import { pack } from "@/data/satchel/satchel";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { bringable } from "./bring";
import { visitorOf } from "../testing/as";

let db: Db;
let world: World;
const now = new Date("2026-11-25T10:00:00Z");
const ids: Record<string, number> = {};
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const titles = async (words: string) => (await bringable(db, ines(), words, now)).map(({ title }) => title);

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  for (const title of ["Tides at the bar", "Knots step by step"])
    ids[title] = (await publishFor(db, world.teodor, lesson(title, { minutes: 30 }), ["staffroom"])).id;
  ids.Secret = (await publishFor(db, world.stranger, lesson("Tides, not for here"))).id;
  ids.mine = (await publishFor(db, world.ines, lesson("Fog signals"))).id;
  await pack(db, world.ines, ids["Knots step by step"]!, now);
}, 60_000);
afterAll(() => db.close());

test("without words it is what lies in the satchel: packed and made", async () => {
  expect((await titles("")).sort()).toEqual(["Fog signals", "Knots step by step"]);
});

test("with words it is whatever they find, with what a plan needs to know of it, and nothing that is not hers to see", async () => {
  expect(await titles("tides")).toEqual(["Tides at the bar"]);
  const [found] = await bringable(db, ines(), "tides", now);
  expect(found).toMatchObject({ id: ids["Tides at the bar"], minutes: 30, grades: { from: 4, to: 5 } });
  expect(found!.author).not.toBe("");
});

test("words that nothing says find nothing", async () => {
  expect(await titles("zebra crossing")).toEqual([]);
});
