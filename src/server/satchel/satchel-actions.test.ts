import type { Db } from "@/data/engine/db";
import { GET as readList } from "@/app/(teacher)/satchel/list/route";
import { pocketsOf, resourcesIn } from "@/data/satchel/pockets";
import { satchelOf, seePacked, withdrawnFrom } from "@/data/satchel/satchel";
import { setEntries } from "@/data/share/sharing";
import { archiveResource, duplicateResources } from "../adapt/adapt-actions";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, visitorOf, value } from "../testing/as";
import { publish } from "../adapt/publish";
import * as pocketActions from "./pockets-actions";
import * as actions from "./satchel-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
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
    const pocket = value(await pocketActions.makePocket({ name: "Tides" }));
    value(await pocketActions.putIntoPocket({ pocket: pocket.id, resources: [id] }));
    const before = await mine();
    const pockets = value(await actions.unpackResources({ ids: [id] }));
    expect(await mine()).not.toEqual(before);
    value(await actions.packAgain({ resources: [id], pockets }));
    expect((await mine()).find(([title]) => title === "There and back")).toEqual(["There and back", 1]);
  });

  test("undo puts nothing into a pocket that is not hers", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Somebody else's pocket"), ["staffroom"]);
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    const theirs = value(await pocketActions.makePocket({ name: "Theirs" }));
    actAs(ines());
    value(await actions.packAgain({ resources: [id], pockets: [{ resource: id, pockets: [theirs.id] }] }));
    expect(await db.query("select 1 from pocket_item where pocket_id = $1", [theirs.id])).toEqual([]);
  });
});

describe("pockets", () => {
  test("are made, renamed and removed; what was in one is told, for undo", async () => {
    const { id } = await publishFor(db, world.ines, lesson("Mine"));
    const pocket = value(await pocketActions.makePocket({ name: "  Openers " }));
    expect((await pocketsOf(db, world.ines)).map((one) => one.name)).toContain("Openers");
    value(await pocketActions.changePocket({ pocket: pocket.id, name: "Friday openers" }));
    value(await pocketActions.putIntoPocket({ pocket: pocket.id, resources: [id] }));
    value(await pocketActions.removePocket({ pocket: pocket.id }));
    expect((await pocketsOf(db, world.ines)).map((one) => one.name)).not.toContain("Friday openers");
  });

  test.each([
    ["", "A pocket needs a name."],
    ["   ", "A pocket needs a name."],
    ["x".repeat(81), "Keep the name under 80 characters."],
  ])("a name of %j is refused", async (name, problem) => {
    expect(await pocketActions.makePocket({ name })).toMatchObject({ ok: false, problem, field: "name" });
  });

  test("two of one name are refused, also by renaming", async () => {
    value(await pocketActions.makePocket({ name: "One" }));
    const two = value(await pocketActions.makePocket({ name: "Two" }));
    const taken = { ok: false, code: "pocketThere", field: "name" };
    expect(await pocketActions.makePocket({ name: "One" })).toMatchObject(taken);
    expect(await pocketActions.changePocket({ pocket: two.id, name: "One" })).toMatchObject(taken);
  });

  test("a colleague's pocket answers like one that is not there", async () => {
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    const theirs = value(await pocketActions.makePocket({ name: "Private" }));
    actAs(ines());
    const missing = await pocketActions.changePocket({ pocket: 999_999, name: "x" });
    expect(await pocketActions.changePocket({ pocket: theirs.id, name: "x" })).toEqual(missing);
    expect(await pocketActions.removePocket({ pocket: theirs.id })).toEqual(missing);
    expect(await pocketActions.takeOutOfPocket({ pocket: theirs.id, ids: [1] })).toEqual(missing);
  });

  test("stand in her order, one inside another, and no deeper", async () => {
    const [unit, week, spare] = [
      value(await pocketActions.makePocket({ name: "Unit" })),
      value(await pocketActions.makePocket({ name: "Week" })),
      value(await pocketActions.makePocket({ name: "Spare" })),
    ];
    const order = async () =>
      (await pocketsOf(db, world.ines))
        .filter(({ id }) => [unit.id, week.id, spare.id].includes(id))
        .map(({ name, parent }) => [name, parent]);
    const places = [
      { id: spare.id, parent: null },
      { id: unit.id, parent: null },
      { id: week.id, parent: unit.id },
    ];
    value(await pocketActions.arrangePockets({ places }));
    expect(await order()).toEqual([
      ["Spare", null],
      ["Unit", null],
      ["Week", unit.id],
    ]);
    const deep = [...places.slice(1), { id: spare.id, parent: week.id }];
    expect(await pocketActions.arrangePockets({ places: deep })).toMatchObject({ ok: false });
    expect((await order())[0]).toEqual(["Spare", null]);
    // Without the pocket around it, what was inside is on its own now.
    value(await pocketActions.removePocket({ pocket: unit.id }));
    expect(await order()).toEqual([
      ["Spare", null],
      ["Week", null],
    ]);
  });

  test("say what they are for; a colleague's are neither moved nor stood in", async () => {
    const pocket = value(await pocketActions.makePocket({ name: "For rain" }));
    value(await pocketActions.changePocket({ pocket: pocket.id, about: "When nobody can go out." }));
    expect((await pocketsOf(db, world.ines)).find(({ id }) => id === pocket.id)).toMatchObject({
      name: "For rain",
      about: "When nobody can go out.",
    });
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    const theirs = value(await pocketActions.makePocket({ name: "Theirs alone" }));
    value(await pocketActions.arrangePockets({ places: [{ id: pocket.id, parent: theirs.id }] }));
    value(await pocketActions.arrangePockets({ places: [{ id: theirs.id, parent: pocket.id }] }));
    expect((await pocketsOf(db, world.teodor)).find(({ id }) => id === theirs.id)!.parent).toBeNull();
    expect((await pocketsOf(db, world.ines)).find(({ id }) => id === pocket.id)!.parent).toBeNull();
  });

  test("what is found goes into a pocket in one go: packed with it, said if it was there, and back out with undo", async () => {
    const [theirs, own] = [
      await publishFor(db, world.teodor, lesson("Found"), ["staffroom"]),
      await publishFor(db, world.ines, lesson("Her own")),
    ];
    const older = value(await pocketActions.makePocket({ name: "Filled before" }));
    const pocket = value(await pocketActions.makePocket({ name: "Filled last" }));
    value(await pocketActions.packIntoPocket({ pocket: older.id, resource: own.id }));
    expect(value(await pocketActions.packIntoPocket({ pocket: pocket.id, resource: theirs.id }))).toEqual({
      ...{ packed: true, put: true, inside: [theirs.id] },
    });
    expect(value(await pocketActions.packIntoPocket({ pocket: pocket.id, resource: own.id }))).toEqual({
      ...{ packed: false, put: true, inside: [theirs.id, own.id] },
    });
    expect(value(await pocketActions.packIntoPocket({ pocket: pocket.id, resource: theirs.id }))).toMatchObject({
      ...{ packed: false, put: false },
    });
    const names = value(await pocketActions.pocketsToFill({})).map(({ name }) => name);
    expect(names.indexOf("Filled last")).toBeLessThan(names.indexOf("Filled before"));
    value(await pocketActions.takeOutOfPocket({ pocket: pocket.id, ids: [theirs.id] }));
    value(await actions.unpackResources({ ids: [theirs.id] }));
    expect((await satchelOf(db, ines())).some(({ id }) => id === theirs.id)).toBe(false);
  });

  test("nothing goes into a pocket that is not hers, nor what she cannot see", async () => {
    const secret = await publishFor(db, world.teodor, lesson("Nobody else’s"));
    const pocket = value(await pocketActions.makePocket({ name: "Hers" }));
    expect((await pocketActions.packIntoPocket({ pocket: pocket.id, resource: secret.id })).ok).toBe(false);
    expect((await pocketActions.packIntoPocket({ pocket: 999_999, resource: secret.id })).ok).toBe(false);
  });

  test("a heap of three thousand goes in at once, one more is too many", async () => {
    const { id } = await publishFor(db, world.ines, lesson("Heap"));
    const pocket = value(await pocketActions.makePocket({ name: "Heap" }));
    expect(
      (await pocketActions.takeOutOfPocket({ pocket: pocket.id, ids: Array.from({ length: 3001 }, () => id) })).ok,
    ).toBe(false);
    value(await pocketActions.putIntoPocket({ pocket: pocket.id, resources: [id] }));
    value(await pocketActions.takeOutOfPocket({ pocket: pocket.id, ids: Array.from({ length: 3000 }, () => id) }));
  });
});

describe("what is in the satchel", () => {
  const item = async (title: string) => (await satchelOf(db, ines())).find(({ facts }) => facts.title === title)!;

  test("a packed original that was revised says so until she has looked at it", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Revised later"), ["staffroom"]);
    value(await actions.packResource({ resource: id }));
    expect((await item("Revised later")).revised).toBe(false);
    await db.transaction((tx) =>
      publish(tx, { resource: id, document: lesson("Revised later"), author: world.teodor, now: new Date() }),
    );
    expect((await item("Revised later")).revised).toBe(true);
    await seePacked(db, world.ines, id);
    expect((await item("Revised later")).revised).toBe(false);
  });

  test("goes along as a list, narrowed as it is shown, and names nothing of a colleague's", async () => {
    await publishFor(db, world.ines, lesson("=Sums of mine", { kind: "quiz" }));
    const list = async (query: string) =>
      (
        await readList(new Request(`http://satchel.example/satchel/list${query}`), { params: Promise.resolve({}) })
      ).text();
    const all = await list("");
    expect(all).toContain("Title,Whose,Author");
    expect(all).not.toContain("Hidden");
    const quizzes = (await list("?kind=quiz")).trim().split("\r\n");
    expect(quizzes).toHaveLength(2);
    // A spreadsheet would run a cell that begins with an equals sign.
    expect(quizzes[1]).toMatch(/^'=Sums of mine,made/);
    expect((await list("?words=zzz")).trim().split("\r\n")).toHaveLength(1);
  });
});

test("nobody who is not signed in, and no student, has a satchel here", async () => {
  for (const visitor of [
    null,
    visitorOf({ id: world.students[0]!, district: world.district, school: world.here }, { kind: "student", roles: [] }),
  ]) {
    actAs(visitor);
    expect((await pocketActions.makePocket({ name: "x" })).ok).toBe(false);
    expect((await actions.unpackResources({ ids: [1] })).ok).toBe(false);
  }
});

describe("words of her own", () => {
  const tagsOf = async (id: number) => (await satchelOf(db, ines())).find((item) => item.id === id)?.tags;

  test("are given and taken, and say what changed, so that undo undoes no more than that", async () => {
    const [one, other] = [
      await publishFor(db, world.ines, lesson("One")),
      await publishFor(db, world.ines, lesson("Other")),
    ];
    expect(value(await actions.tagResources({ resources: [one.id], tag: " short ", on: true }))).toEqual([one.id]);
    expect(value(await actions.tagResources({ resources: [one.id, other.id], tag: "short", on: true }))).toEqual([
      other.id,
    ]);
    expect([await tagsOf(one.id), await tagsOf(other.id)]).toEqual([["short"], ["short"]]);
    value(await actions.tagResources({ resources: [other.id], tag: "short", on: false }));
    expect([await tagsOf(one.id), await tagsOf(other.id)]).toEqual([["short"], []]);
  });

  test("are hers alone: a colleague who has the same thing has words of his own", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Shared"), ["staffroom"]);
    value(await actions.packResource({ resource: id }));
    value(await actions.tagResources({ resources: [id], tag: "his", on: true }));
    const teodor = { id: world.teodor, district: world.district, school: world.here };
    expect((await satchelOf(db, teodor)).find((item) => item.id === id)?.tags).toEqual([]);
  });

  test.each(["", "   ", "x".repeat(41)])("%j is no word", async (tag) => {
    const { id } = await publishFor(db, world.ines, lesson("Wordless"));
    expect(await actions.tagResources({ resources: [id], tag, on: true })).toMatchObject({ ok: false, field: "tag" });
  });

  test("stand on nothing she may not see", async () => {
    const { id } = await publishFor(db, world.judit, lesson("Hidden words"), ["staffroom"]);
    expect((await actions.tagResources({ resources: [id], tag: "peek", on: true })).ok).toBe(false);
  });
});

describe("copies of her own", () => {
  test("are drafts that say so; what was published stays as it was, and the source stays named", async () => {
    const { id } = await publishFor(db, world.ines, lesson("Friday opener"));
    const [copy] = value(await duplicateResources({ resources: [id] }));
    const item = (await satchelOf(db, ines())).find((one) => one.id === copy);
    expect(item).toMatchObject({ origin: "made", draftOnly: true, facts: { title: "Friday opener (copy)" } });
    expect((await satchelOf(db, ines())).find((one) => one.id === id)).toMatchObject({ draftOnly: false });
  });

  test("nobody copies another's this way", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Not hers"), ["staffroom"]);
    expect((await duplicateResources({ resources: [id] })).ok).toBe(false);
  });
});

describe("what is put away", () => {
  test("is still hers and can be brought back; nobody finds it meanwhile", async () => {
    const { id } = await publishFor(db, world.ines, lesson("Put away"), ["staffroom"]);
    const away = async () => (await satchelOf(db, ines())).find((item) => item.id === id)?.away;
    expect(await away()).toBe(false);
    value(await archiveResource({ resource: id, archived: true }));
    expect(await away()).toBe(true);
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    expect((await actions.packResource({ resource: id })).ok).toBe(false);
    actAs(ines());
    value(await archiveResource({ resource: id, archived: false }));
    expect(await away()).toBe(false);
  });
});

describe("an original she packed", () => {
  const gone = async () => (await withdrawnFrom(db, ines())).map(({ title, author }) => [title, author]);

  test("says so when its author puts it away, and is there again when it is", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Here today"), ["staffroom"]);
    value(await actions.packResource({ resource: id }));
    expect(await gone()).toEqual([]);
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    value(await archiveResource({ resource: id, archived: true }));
    expect(await gone()).toEqual([["Here today", "teodor Test"]]);
    value(await archiveResource({ resource: id, archived: false }));
    expect(await gone()).toEqual([]);
  });

  test("says so when it leaves the shelf she saw it on, by the title it had then", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Old title"), ["staffroom"]);
    value(await actions.packResource({ resource: id }));
    await publish(db, {
      resource: id,
      document: lesson("New and secret title"),
      author: world.teodor,
      now: new Date(),
    });
    await setEntries(db, [id], []);
    await db.query("update search_entry set shelves = 0 where resource_id = $1", [id]);
    expect(await gone()).toEqual([["Old title", "teodor Test"]]);
    value(await actions.unpackResources({ ids: [id] }));
    expect(await gone()).toEqual([]);
  });
});

describe("the colour of a pocket", () => {
  test("is one of those there are", async () => {
    const pocket = value(await pocketActions.makePocket({ name: "Coloured" }));
    expect((await pocketsOf(db, world.ines)).find((one) => one.id === pocket.id)).toMatchObject({ colour: "plain" });
    value(await pocketActions.changePocket({ pocket: pocket.id, colour: "plum" }));
    expect((await pocketsOf(db, world.ines)).find((one) => one.id === pocket.id)).toMatchObject({
      name: "Coloured",
      colour: "plum",
    });
    expect((await pocketActions.changePocket({ pocket: pocket.id, colour: "gold" as "plum" })).ok).toBe(false);
  });
});

describe("the order in a pocket", () => {
  test("is as it was put in, then as she says, and laying out follows it; nobody else changes it", async () => {
    const ids: number[] = [];
    for (const title of ["Order one", "Order two", "Order three"])
      ids.push((await publishFor(db, world.teodor, lesson(title), ["staffroom"])).id);
    for (const resource of ids) value(await actions.packResource({ resource }));
    const { id: pocket } = value(await pocketActions.makePocket({ name: "In order" }));
    value(await pocketActions.putIntoPocket({ pocket, resources: ids }));
    expect(await resourcesIn(db, pocket)).toEqual(ids);
    const [one, two, three] = ids as [number, number, number];
    value(await pocketActions.movePocketItem({ pocket, resource: three, after: null, before: one }));
    expect(await resourcesIn(db, pocket)).toEqual([three, one, two]);
    // Where one neighbour is gone, the other says where.
    value(await pocketActions.movePocketItem({ pocket, resource: two, after: 999_999, before: three }));
    expect(await resourcesIn(db, pocket)).toEqual([two, three, one]);
    const { id: late } = await publishFor(db, world.teodor, lesson("Order late"), ["staffroom"]);
    value(await actions.packResource({ resource: late }));
    value(await pocketActions.putIntoPocket({ pocket, resources: [late] }));
    expect((await resourcesIn(db, pocket)).at(-1)).toBe(late);
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    expect((await pocketActions.movePocketItem({ pocket, resource: one, after: null, before: two })).ok).toBe(false);
    expect((await resourcesIn(db, pocket)).slice(0, 3)).toEqual([two, three, one]);
  });
});
