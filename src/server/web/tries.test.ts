import type { Db } from "@/data/engine/db";
import { sweepCounts } from "@/data/office/try-counts";
import { freshDatabase } from "@/data/testing/database";
import { triesHere, triesTogether, type Tries } from "./tries";

let db: Db;
beforeAll(async () => {
  db = await freshDatabase();
}, 60_000);
afterAll(() => db.close());

const limit = { points: 3, duration: 1 };
const later = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe.each([
  ["in this process", () => triesHere(limit)],
  ["by all processes together", () => triesTogether("sign in", limit, async () => db)],
] as [string, () => Tries][])("tries counted %s", (_where, make) => {
  let tries: Tries;
  beforeEach(async () => {
    tries = make();
    await tries.forget("ines");
  });

  test("add up, are taken off, forgotten, and over after a while", async () => {
    expect(await tries.see("ines")).toBeNull();
    for (const count of [1, 2, 3, 4]) expect(await tries.add("ines")).toMatchObject({ count });
    await tries.less("ines");
    expect(await tries.see("ines")).toMatchObject({ count: 3 });
    expect((await tries.see("ines"))!.ms).toBeLessThanOrEqual(1000);
    expect(await tries.see("rona")).toBeNull();
    await later(1100);
    expect(await tries.add("ines")).toMatchObject({ count: 1 });
    await tries.forget("ines");
    expect(await tries.see("ines")).toBeNull();
  });

  test("a thousand at once are all counted", async () => {
    const all = await Promise.all(Array.from({ length: 100 }, () => tries.add("ines")));
    expect(Math.max(...all.map(({ count }) => count))).toBe(100);
  });
});

test("a count that was begun while the clock was a year ahead locks nobody out for a year", async () => {
  const together = triesTogether("clock", limit, async () => db);
  jest.useFakeTimers({ now: Date.now() + 365 * 86_400_000, doNotFake: ["setTimeout", "setImmediate", "nextTick"] });
  for (let nth = 0; nth < 5; nth += 1) await together.add("ines");
  jest.useRealTimers();
  expect(await together.see("ines")).toBeNull();
  expect(await together.add("ines")).toMatchObject({ count: 1 });
});

test("two processes count one number, each limit for itself, and nothing says who it was", async () => {
  const [here, there] = [1, 2].map(() => triesTogether("codes", limit, async () => db));
  await here!.add("ines@skerry.example");
  expect(await there!.add("ines@skerry.example")).toMatchObject({ count: 2 });
  expect(await triesTogether("links", limit, async () => db).see("ines@skerry.example")).toBeNull();
  const rows = await db.query<{ row: string }>("select to_jsonb(t)::text as row from try_count t");
  expect(rows.map(({ row }) => row).join()).not.toContain("skerry");
  await sweepCounts(db, new Date(Date.now() + 5_000));
  expect(await db.query("select 1 from try_count")).toEqual([]);
});
