import type { Db } from "@/data/engine/db";
import { messagesTo } from "@/data/office/outbox";
import { addPocket, pocketsOf, resourcesIn, type PocketMay } from "@/data/satchel/pockets";
import { mayReadAll } from "@/data/find/search";
import { satchelOf } from "@/data/satchel/satchel";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { undoPlan } from "../plan/plan-actions";
import {
  arrangePockets,
  changePocket,
  keepTogether,
  leavePocket,
  lookWhoKeeps,
  movePocketItem,
  putIntoPocket,
  removePocket,
  takeOutOfPocket,
} from "./pockets-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const teodor = () => visitorOf({ id: world.teodor, district: world.district, school: world.here });
const judit = () => visitorOf({ id: world.judit, district: world.district, school: world.there });
const stranger = () => visitorOf({ id: world.stranger, district: world.otherDistrict, school: null });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(ines()));

const closedCredit = {
  title: "Echo",
  author: "Somebody",
  source: "elsewhere",
  licence: "CC-BY-ND-4.0" as const,
  changed: "",
};

let nth = 0;
const thingOf = async (owner: number) => (await publishFor(db, owner, lesson(`Thing ${(nth += 1)}`))).id;

/** A pocket of Ines with this many things of hers, kept with these people. */
async function pocketWith(things: number, people: { id: number; may: PocketMay }[] = []) {
  const { id: pocket } = await addPocket(db, world.ines, `Pocket ${(nth += 1)}`);
  const ids: number[] = [];
  for (let at = 0; at < things; at += 1) ids.push(await thingOf(world.ines));
  if (things > 0) value(await putIntoPocket({ pocket, resources: ids }));
  const { event } = value(await keepTogether({ pocket, was: [], people }));
  return { pocket, ids, event };
}
const inSatchelOf = async (visitor: ReturnType<typeof ines>, pocket: number) =>
  (await satchelOf(db, visitor)).filter((item) => item.pockets.includes(pocket)).map((item) => item.id);

test("what she puts into a pocket they keep together is a colleague's to see and copy, and nobody else's, until it is taken out", async () => {
  const { pocket, ids } = await pocketWith(2, [{ id: world.teodor, may: "look" }]);
  expect((await inSatchelOf(teodor(), pocket)).sort()).toEqual(ids);
  expect(await mayReadAll(db, teodor(), ids, "copy")).toBe(true);
  expect(await mayReadAll(db, judit(), [ids[0]!])).toBe(false);
  expect(await inSatchelOf(judit(), pocket)).toEqual([]);
  expect((await messagesTo(db, world.teodor))[0]!.subject).toMatch(
    /^Test Person keeps the pocket “Pocket \d+” with you$/,
  );
  const { event } = value(await takeOutOfPocket({ pocket, ids: [ids[0]!] }));
  expect(await mayReadAll(db, teodor(), [ids[0]!])).toBe(false);
  value(await undoPlan({ event }));
  expect(await resourcesIn(db, pocket)).toEqual(ids);
  expect(await mayReadAll(db, teodor(), ids)).toBe(true);
});

test("looking, adding and arranging are three different things", async () => {
  const { pocket, ids } = await pocketWith(2, [
    { id: world.teodor, may: "look" },
    { id: world.judit, may: "add" },
  ]);
  const [first, second] = ids as [number, number];
  const his = await thingOf(world.teodor);
  actAs(teodor());
  expect((await putIntoPocket({ pocket, resources: [his] })).ok).toBe(false);
  expect((await takeOutOfPocket({ pocket, ids })).ok).toBe(false);
  const hers = await thingOf(world.judit);
  actAs(judit());
  value(await putIntoPocket({ pocket, resources: [hers] }));
  expect((await movePocketItem({ pocket, resource: hers, after: null, before: first })).ok).toBe(false);
  expect((await changePocket({ pocket, about: "mine now" })).ok).toBe(false);
  expect(await takeOutOfPocket({ pocket, ids: [first] })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("what you put in"),
  });
  // Of several she takes out her own; the rest stays.
  expect(value(await takeOutOfPocket({ pocket, ids: [first, hers] })).taken).toEqual([hers]);
  value(await putIntoPocket({ pocket, resources: [hers] }));
  expect((await satchelOf(db, ines())).find((item) => item.id === hers)).toMatchObject({
    origin: "together",
    putBy: ["judit Test"],
  });
  actAs(ines());
  value(
    await keepTogether({
      pocket,
      was: [{ id: world.teodor, may: "look" }],
      people: [{ id: world.teodor, may: "arrange" }],
    }),
  );
  actAs(teodor());
  value(await movePocketItem({ pocket, resource: hers, after: null, before: first }));
  value(await changePocket({ pocket, about: "For the autumn" }));
  expect(await resourcesIn(db, pocket)).toEqual([hers, first, second]);
  expect((await removePocket({ pocket })).ok).toBe(false);
  expect((await keepTogether({ pocket, was: [], people: [] })).ok).toBe(false);
});

test("two who arrange and add at the same time both find what they did", async () => {
  const { pocket, ids } = await pocketWith(4, [{ id: world.teodor, may: "arrange" }]);
  const [one, two, three, four] = ids as [number, number, number, number];
  const his = await thingOf(world.teodor);
  // Both look at 1 2 3 4. She brings the last to the front; he puts the first behind the third and adds one.
  value(await movePocketItem({ pocket, resource: four, after: null, before: one }));
  actAs(teodor());
  value(await movePocketItem({ pocket, resource: one, after: three, before: four }));
  value(await putIntoPocket({ pocket, resources: [his, two] }));
  expect(await resourcesIn(db, pocket)).toEqual([four, two, three, one, his]);
  value(await takeOutOfPocket({ pocket, ids: [two] }));
  actAs(ines());
  expect(await movePocketItem({ pocket, resource: two, after: his, before: null })).toMatchObject({
    ok: false,
    code: "colleagueTookOut",
  });
});

test("of two who say what it is for, the second is told, and nothing is written over", async () => {
  const { pocket } = await pocketWith(0, [{ id: world.teodor, may: "arrange" }]);
  value(await changePocket({ pocket, about: "For Fridays", was: { about: "" } }));
  actAs(teodor());
  expect(await changePocket({ pocket, about: "For Mondays", was: { about: "" } })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("It says “For Fridays” now. What you wrote is still here."),
  });
  expect((await pocketsOf(db, world.teodor)).find(({ id }) => id === pocket)).toMatchObject({ about: "For Fridays" });
});

test("what may not leave the class or the school stays out, and nothing else is put in or shared with it", async () => {
  const { pocket } = await pocketWith(0, [{ id: world.judit, may: "look" }]);
  const fine = await thingOf(world.ines);
  const closed = (await publishFor(db, world.ines, lesson("A closed one", { credits: [closedCredit] }))).id;
  const outcome = await putIntoPocket({ pocket, resources: [fine, closed] });
  expect(outcome).toMatchObject({
    ok: false,
    problem: expect.stringMatching(/“A closed one”: .* Nothing was changed\.$/),
  });
  expect(await resourcesIn(db, pocket)).toEqual([]);
  // The other way round: it lies in a pocket of hers, and cannot be shared with it.
  const { id: own } = await addPocket(db, world.ines, `Pocket ${(nth += 1)}`);
  value(await putIntoPocket({ pocket: own, resources: [closed] }));
  expect((await keepTogether({ pocket: own, was: [], people: [{ id: world.teodor, may: "look" }] })).ok).toBe(false);
  expect(await inSatchelOf(teodor(), own)).toEqual([]);
});

test("leaving, and who keeps it, can be undone; a pocket that others keep is not removed", async () => {
  const { pocket, ids, event } = await pocketWith(1, [{ id: world.teodor, may: "add" }]);
  expect((await removePocket({ pocket })).ok).toBe(false);
  const his = await thingOf(world.teodor);
  actAs(teodor());
  value(await putIntoPocket({ pocket, resources: [his] }));
  expect(await mayReadAll(db, ines(), [his])).toBe(true);
  const left = value(await leavePocket({ pocket }));
  expect((await pocketsOf(db, world.teodor)).map(({ id }) => id)).not.toContain(pocket);
  expect(await mayReadAll(db, ines(), [his])).toBe(false);
  value(await undoPlan({ event: left.event }));
  expect((await pocketsOf(db, world.teodor)).find(({ id }) => id === pocket)).toMatchObject({
    ...{ may: "add", owner: "ines Test" },
  });
  actAs(ines());
  value(await undoPlan({ event }));
  expect(await mayReadAll(db, teodor(), ids)).toBe(false);
  expect((await removePocket({ pocket })).ok).toBe(true);
});

test("who keeps it is changed by what she changed: somebody who left meanwhile is not brought back", async () => {
  const both = [
    { id: world.teodor, may: "look" as const },
    { id: world.judit, may: "add" as const },
  ];
  const { pocket } = await pocketWith(0, both);
  actAs(judit());
  value(await leavePocket({ pocket }));
  actAs(ines());
  value(await keepTogether({ pocket, was: both, people: [{ id: world.teodor, may: "arrange" }, both[1]!] }));
  expect((await pocketsOf(db, world.ines)).find(({ id }) => id === pocket)!.people).toMatchObject([
    { id: world.teodor, may: "arrange" },
  ]);
});

test("a removed pocket comes back whole: its name, place, things in order, and what was inside it", async () => {
  const { pocket, ids } = await pocketWith(3);
  const inner = await addPocket(db, world.ines, "Inner");
  const order = (await pocketsOf(db, world.ines)).map(({ id }) => ({ id, parent: id === inner.id ? pocket : null }));
  value(await arrangePockets({ places: order }));
  value(await changePocket({ pocket, about: "For Fridays", colour: "plum" }));
  const before = await pocketsOf(db, world.ines);
  const { event } = value(await removePocket({ pocket }));
  expect((await pocketsOf(db, world.ines)).map(({ id }) => id)).not.toContain(pocket);
  expect(value(await undoPlan({ event })).said).toBe("The pocket is as it was.");
  expect(await pocketsOf(db, world.ines)).toEqual(before);
  expect(await resourcesIn(db, pocket)).toEqual(ids);
  // Another of that name meanwhile: it says so, and can be undone when that one has another name.
  const again = value(await removePocket({ pocket }));
  const other = await addPocket(db, world.ines, before.find(({ id }) => id === pocket)!.name);
  expect(await undoPlan({ event: again.event })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("Give that one another name first."),
  });
  value(await changePocket({ pocket: other.id, name: "Another" }));
  value(await undoPlan({ event: again.event }));
  expect(await resourcesIn(db, pocket)).toEqual(ids);
});

test("a pocket of somebody else is as one that does not exist", async () => {
  const { pocket, ids } = await pocketWith(1);
  const missing = await keepTogether({ pocket: 999_999, was: [], people: [] });
  for (const one of [stranger(), judit()]) {
    actAs(one);
    expect(await keepTogether({ pocket, was: [], people: [] })).toEqual(missing);
    expect(await leavePocket({ pocket })).toEqual(missing);
    expect(await lookWhoKeeps({ pocket })).toEqual(missing);
    expect(await takeOutOfPocket({ pocket, ids })).toEqual(missing);
    expect(await movePocketItem({ pocket, resource: ids[0]!, after: null, before: null })).toEqual(missing);
  }
  actAs(ines());
  expect((await keepTogether({ pocket, was: [], people: [{ id: world.stranger, may: "look" }] })).ok).toBe(false);
});
