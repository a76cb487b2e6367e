import { anyNeed } from "@/core/find/need";
import type { Db } from "@/data/db";
import type { Reader } from "@/data/reach";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { find } from "./find";

let db: Db;
let world: World;
const reader = (): Reader => ({ id: world.ines, school: world.here, district: world.district, satchel: [] });
const best = { sort: "best", limit: 24 } as const;

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  await publishFor(db, world.teodor, lesson("Lighthouse signals", { grades: { from: 4, to: 6 } }), ["commons"]);
  await publishFor(db, world.teodor, lesson("Ferry timetable", { grades: { from: 7, to: 8 } }), ["commons"]);
  await publishFor(db, world.judit, lesson("Quernstones of the other school"), ["staffroom"]);
}, 60_000);
afterAll(() => db.close());

describe("a whole find page", () => {
  test("a misspelt word is read as the nearest known one, and the page says so", async () => {
    const { hits, corrected, counts } = await find(db, reader(), { ...anyNeed, words: "lighthuose" }, best);
    expect(corrected).toBe("lighthouse");
    expect(hits.map((hit) => hit.facts.title)).toEqual(["Lighthouse signals"]);
    expect(counts.total).toBe(1);
  });

  test("nothing is corrected while the words as typed find something", async () => {
    expect((await find(db, reader(), { ...anyNeed, words: "lighthouse" }, best)).corrected).toBeNull();
  });

  test("a blank that leaves nothing is no reason to correct the words", async () => {
    const { hits, corrected, counts } = await find(
      db,
      reader(),
      { ...anyNeed, words: "lighthouse", grades: [12] },
      best,
    );
    expect([hits, corrected, counts.total]).toEqual([[], null, 0]);
    expect(counts.facets.grade[4]).toBe(1);
  });

  test("a correction never tells of a word that stands only in what she may not see", async () => {
    const { hits, corrected } = await find(db, reader(), { ...anyNeed, words: "quernstnes" }, best);
    expect([hits, corrected]).toEqual([[], null]);
    const judit: Reader = { id: world.judit, school: world.there, district: world.district, satchel: [] };
    expect((await find(db, judit, { ...anyNeed, words: "quernstnes" }, best)).corrected).toBe("quernstones");
  });

  test("only signs are as good as no words", async () => {
    const { counts, corrected } = await find(db, reader(), { ...anyNeed, words: "?! …" }, best);
    expect(counts.total).toBe(2);
    expect(corrected).toBeNull();
  });
});
