import { anyNeed } from "@/core/find/need";
import type { FrameworkFile } from "@/formats/case/case";
import { addSet } from "../find/browse";
import { countBlank } from "../find/counts";
import type { Db } from "./db";
import type { Reader } from "../find/reach";
import { searchCache, searchVersion } from "./search-cache";
import { pack, satchelIds, unpack } from "../satchel/satchel";
import { removeFromSearch } from "../find/shelves";
import { importFramework, treeOf } from "../find/standards";
import { freshDatabase } from "../testing/database";
import { asRead } from "../testing/read";
import { lesson, now, publishFor, smallWorld, type World } from "../testing/world";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
});
afterAll(() => db.close());
const ines = async (): Promise<Reader> => ({
  id: world.ines,
  school: world.here,
  district: world.district,
  satchel: await satchelIds(db, world.ines),
});

describe("what is worked out over everything is kept until something changes", () => {
  test("asked twice it is worked out once; after a change, again", async () => {
    let times = 0;
    const work = async () => (times += 1);
    expect([await searchCache(db, undefined, "x", work), await searchCache(db, undefined, "x", work)]).toEqual([1, 1]);
    const { id } = await publishFor(db, world.teodor, lesson("A change"), ["commons"]);
    expect(await searchCache(db, undefined, "x", work)).toBe(2);
    await removeFromSearch(db, id);
    expect(await searchCache(db, undefined, "x", work)).toBe(3);
  });

  test("a failure is not kept", async () => {
    const version = await searchVersion(db);
    await expect(searchCache(db, version, "y", () => Promise.reject(new Error("no")))).rejects.toThrow("no");
    expect(await searchCache(db, version, "y", async () => "yes")).toBe("yes");
  });
});

describe("nothing remembered is shown when it is no longer so", () => {
  const file = (statement: string): FrameworkFile => ({
    ...{ uri: "r", name: "R", publisher: "", source: "", associations: [], leftOut: [] },
    statements: [{ uri: "r1", parent: null, code: "R.1", statement, grades: null }],
  });

  test("a framework brought up to date reads as it is now, though nothing was published", async () => {
    const { framework } = await importFramework(db, file("Said first"), { district: world.district, now });
    expect((await treeOf(db, await ines(), framework)).map((node) => node.statement)).toEqual(["Said first"]);
    await importFramework(db, file("Said better"), { district: world.district, now });
    expect((await treeOf(db, await ines(), framework)).map((node) => node.statement)).toEqual(["Said better"]);
  });

  test("a set made now is among the choices of its blank at once", async () => {
    const choices = async () => (await countBlank(db, await ines(), asRead(), "set")).map((choice) => choice.text);
    expect(await choices()).toEqual([]);
    const { id } = await publishFor(db, world.teodor, lesson("For the set"), ["commons"]);
    const set = { district: world.district, kind: "set" as const, name: "New", note: "", topic: null, months: [] };
    await addSet(db, { ...set, curator: world.teodor, items: [id] });
    expect(await choices()).toEqual(["New"]);
  });

  test("what she packs counts in her satchel at once, and no longer when she unpacks it", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("To pack", { topics: ["packing"] }), ["commons"]);
    const need = { ...anyNeed, shelf: "satchel" as const };
    const packing = async () =>
      (await countBlank(db, await ines(), asRead(need), "topic")).find((choice) => choice.value === "packing")?.leaves;
    expect(await packing()).toBeUndefined();
    await pack(db, world.ines, id, now);
    expect(await packing()).toBe(1);
    await unpack(db, world.ines, id);
    expect(await packing()).toBeUndefined();
  });
});
