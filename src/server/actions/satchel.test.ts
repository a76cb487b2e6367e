import type { Db } from "@/data/db";
import { pocketsOf, satchelOf } from "@/data/satchel";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, visitorOf } from "../testing/as";
import * as actions from "./satchel";

jest.mock("../session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
const value = <Value>(outcome: { ok: true; value: Value } | { ok: false; problem: string }): Value => {
  if (!outcome.ok) throw new Error(outcome.problem);
  return outcome.value;
};
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const mine = async () => (await satchelOf(db, ines())).map((item) => [item.facts.title, item.pockets.length] as const);

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(ines()));

describe("packing", () => {
  test("says when it was in the satchel already", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Packed once"), ["staffroom"]);
    expect(value(await actions.packResource({ resource: id }))).toEqual({ already: false });
    expect(value(await actions.packResource({ resource: id }))).toEqual({ already: true });
  });

  test("what she may not see cannot be packed", async () => {
    const { id } = await publishFor(db, world.judit, lesson("Hidden"), ["staffroom"]);
    expect((await actions.packResource({ resource: id })).ok).toBe(false);
  });

  test("taken out and brought back, it is in the pockets it was in", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("There and back"), ["staffroom"]);
    value(await actions.packResource({ resource: id }));
    const pocket = value(await actions.makePocket({ name: "Tides" }));
    value(await actions.putIntoPocket({ pocket: pocket.id, resources: [id] }));
    const before = await mine();
    const pockets = value(await actions.unpackResources({ ids: [id] }));
    expect(await mine()).not.toEqual(before);
    value(await actions.packAgain({ resources: [id], pockets }));
    expect((await mine()).find(([title]) => title === "There and back")).toEqual(["There and back", 1]);
  });

  test("undo puts nothing into a pocket that is not hers", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Somebody else's pocket"), ["staffroom"]);
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    const theirs = value(await actions.makePocket({ name: "Theirs" }));
    actAs(ines());
    value(await actions.packAgain({ resources: [id], pockets: [{ resource: id, pockets: [theirs.id] }] }));
    expect(await db.query("select 1 from pocket_item where pocket_id = $1", [theirs.id])).toEqual([]);
  });
});

describe("pockets", () => {
  test("are made, renamed and removed; what was in one is told, for undo", async () => {
    const { id } = await publishFor(db, world.ines, lesson("Mine"));
    const pocket = value(await actions.makePocket({ name: "  Openers " }));
    expect(pocket.name).toBe("Openers");
    value(await actions.renamePocket({ pocket: pocket.id, name: "Friday openers" }));
    value(await actions.putIntoPocket({ pocket: pocket.id, resources: [id] }));
    expect(value(await actions.removePocket({ pocket: pocket.id }))).toEqual([id]);
    expect((await pocketsOf(db, world.ines)).map((one) => one.name)).not.toContain("Friday openers");
  });

  test.each([
    ["", "A pocket needs a name."],
    ["   ", "A pocket needs a name."],
    ["x".repeat(81), "A name of at most 80 letters, please."],
  ])("a name of %j is refused", async (name, problem) => {
    expect(await actions.makePocket({ name })).toMatchObject({ ok: false, problem, field: "name" });
  });

  test("two of one name are refused, also by renaming", async () => {
    value(await actions.makePocket({ name: "One" }));
    const two = value(await actions.makePocket({ name: "Two" }));
    const taken = { ok: false, problem: "You have a pocket of that name already.", field: "name" };
    expect(await actions.makePocket({ name: "One" })).toEqual(taken);
    expect(await actions.renamePocket({ pocket: two.id, name: "One" })).toEqual(taken);
  });

  test("a colleague's pocket answers like one that is not there", async () => {
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    const theirs = value(await actions.makePocket({ name: "Private" }));
    actAs(ines());
    const missing = await actions.renamePocket({ pocket: 999_999, name: "x" });
    expect(await actions.renamePocket({ pocket: theirs.id, name: "x" })).toEqual(missing);
    expect(await actions.removePocket({ pocket: theirs.id })).toEqual(missing);
    expect(await actions.takeOutOfPocket({ pocket: theirs.id, ids: [1] })).toEqual(missing);
  });

  test("a heap of three thousand goes in at once, one more is too many", async () => {
    const { id } = await publishFor(db, world.ines, lesson("Heap"));
    const pocket = value(await actions.makePocket({ name: "Heap" }));
    expect((await actions.takeOutOfPocket({ pocket: pocket.id, ids: Array.from({ length: 3001 }, () => id) })).ok).toBe(
      false,
    );
    value(await actions.takeOutOfPocket({ pocket: pocket.id, ids: Array.from({ length: 3000 }, () => id) }));
  });
});

test("nobody who is not signed in, and no student, has a satchel here", async () => {
  for (const visitor of [
    null,
    visitorOf({ id: world.students[0]!, district: world.district, school: world.here }, { kind: "student", roles: [] }),
  ]) {
    actAs(visitor);
    expect((await actions.makePocket({ name: "x" })).ok).toBe(false);
    expect((await actions.unpackResources({ ids: [1] })).ok).toBe(false);
  }
});
