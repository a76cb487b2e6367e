import type { Db } from "../engine/db";
import { freshDatabase } from "../testing/database";
import { lesson, publishFor, smallWorld, type World } from "../testing/world";
import type { Reader } from "./reach";
import { correctWords, MOST_PARTS, readAllWords } from "./words";

let db: Db;
let world: World;
let reader: Reader;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  reader = { id: world.ines, school: world.here, district: world.district, satchel: [] };
  await publishFor(db, world.teodor, lesson("Tides and ferries"), ["staffroom"]);
}, 60_000);
afterAll(() => db.close());

const words = (count: number, of = (at: number) => `word${at}`) =>
  Array.from({ length: count }, (_, at) => of(at)).join(" ");

describe("however much is typed", () => {
  test("a word said forty times counts once", async () => {
    const [once, often] = [await readAllWords(db, "tide "), await readAllWords(db, `${words(40, () => "tide")} `)];
    expect(often.strict).toEqual(once.strict);
    expect(often.ignored).toEqual([]);
  });

  test("sixteen words are asked for; the others are named", async () => {
    const read = await readAllWords(db, `${words(40)} `);
    expect(read.ignored).toEqual(Array.from({ length: 24 }, (_, at) => `word${MOST_PARTS + at}`));
    expect(read.strict!.parts).toHaveLength(MOST_PARTS);
  });

  test.each([7, 24, 100])(
    "%i words become a query in a moment, all of them asked for and none left out twice",
    async (count) => {
      const began = performance.now();
      const read = await readAllWords(db, words(count));
      expect(performance.now() - began).toBeLessThan(10_000);
      expect(read.strict!.text.length).toBeLessThan(10_000);
      expect(read.slack).toBe(0);
      expect(read.loosely(5)).toMatchObject({ text: read.strict!.text });
    },
  );

  test("a hundred unknown words are corrected no longer than six", async () => {
    const began = performance.now();
    expect(
      await correctWords(
        db,
        reader,
        words(100, (at) => `tydes${"abcdefghij"[at % 10]}${"klmnopqrst"[Math.floor(at / 10)]}`),
      ),
    ).toBeDefined();
    expect(performance.now() - began).toBeLessThan(10_000);
  });
});

test("a word that only another district has written is not known here: what is corrected tells nothing of it", async () => {
  await publishFor(db, world.teodor, lesson("Lighthouse signals"), ["staffroom"]);
  await publishFor(db, world.stranger, lesson("The lighthuose of Elsewhere"), ["district"]);
  const stranger = { id: world.stranger, school: null, district: world.otherDistrict, satchel: [] };
  expect(await correctWords(db, stranger, "lighthuose")).toBeNull();
  expect(await correctWords(db, reader, "lighthuose")).toBe("lighthouse");
});
