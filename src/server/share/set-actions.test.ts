import { curatedSets } from "@/data/find/browse";
import type { Db } from "@/data/engine/db";
import { setsOf } from "@/data/find/sets";
import { setEntries } from "@/data/share/sharing";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { undoPlan } from "../plan/plan-actions";
import { lookForSet, moveSet, removeSet, saveSet } from "./set-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
let shelved: number[];
const curator = (more = {}) =>
  visitorOf(
    { id: world.judit, district: world.district, school: world.there },
    { roles: ["teacher", "curator"], ...more },
  );
const form = (more = {}) => ({
  ...{ id: null, name: "Storms", note: "When the wind turns.", months: [11, 2, 2], cover: null, items: shelved },
  ...more,
});
const reader = () => ({ id: world.teodor, school: world.here, district: world.district, satchel: [] });
const seen = async () => (await curatedSets(db, reader())).map(({ text, resources }) => `${text} ${resources}`);

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  shelved = [];
  for (const title of ["Gales", "Squalls"])
    shelved.push((await publishFor(db, world.ines, lesson(title), ["district"])).id);
}, 60_000);
afterAll(() => db.close());
beforeEach(async () => {
  await db.query("delete from curated_set");
  actAs(curator());
});

test("a set has its months, its sentence and its order; changed, taken away and undone, it is as it was", async () => {
  const { id } = value(await saveSet(form()));
  expect(await setsOf(db, world.district)).toMatchObject([
    { id, name: "Storms", months: [2, 11], items: shelved, titles: [{ title: "Gales" }, { title: "Squalls" }] },
  ]);
  expect(await seen()).toEqual(["Storms 2"]);
  const { event } = value(await saveSet(form({ id, items: [...shelved].reverse(), cover: "drawing:gull-tern" })));
  expect((await setsOf(db, world.district))[0]).toMatchObject({
    items: [...shelved].reverse(),
    cover: "drawing:gull-tern",
  });
  value(await undoPlan({ event }));
  expect((await setsOf(db, world.district))[0]).toMatchObject({ items: shelved, cover: null });
  const gone = value(await removeSet({ id }));
  expect(await seen()).toEqual([]);
  value(await undoPlan({ event: gone.event }));
  expect((await setsOf(db, world.district))[0]).toMatchObject({ id, name: "Storms", items: shelved });
});

test("of two curators who change a set, the second keeps what she did: undoing the first is refused", async () => {
  const { id } = value(await saveSet(form()));
  const first = value(await saveSet(form({ id, name: "Gales" })));
  value(await saveSet(form({ id, name: "Squalls" })));
  expect((await undoPlan({ event: first.event })).ok).toBe(false);
  expect((await setsOf(db, world.district))[0]!.name).toBe("Squalls");
});

test("only what stands on a shelf curators keep goes in; what has left it since may stay, unseen", async () => {
  const here = (await publishFor(db, world.ines, lesson("Here only"), ["staffroom"])).id;
  expect(await saveSet(form({ items: [here] }))).toMatchObject({ ok: false });
  const left = (await publishFor(db, world.ines, lesson("Breezes"), ["district"])).id;
  const { id } = value(await saveSet(form({ items: [...shelved, left] })));
  await setEntries(db, [left], []);
  expect(await seen()).toEqual(["Storms 2"]);
  value(await saveSet(form({ id, items: [...shelved, left] })));
  const looked = value(await lookForSet({ words: "gales", items: shelved }));
  expect(looked.found.map(({ title }) => title)).toEqual(["Gales"]);
});

test("sets come in the order their curators choose", async () => {
  const one = value(await saveSet(form({ name: "One" }))).id;
  const two = value(await saveSet(form({ name: "Two" }))).id;
  value(await moveSet({ id: two, by: -1 }));
  value(await moveSet({ id: two, by: -1 }));
  expect((await setsOf(db, world.district)).map(({ id }) => id)).toEqual([two, one]);
});

test("a set without a name or things, of another district, or by somebody who is no curator is refused", async () => {
  for (const wrong of [{ name: " " }, { items: [] }, { months: [13] }, { cover: "javascript:x" }, { id: 999_999 }])
    expect((await saveSet(form(wrong))).ok).toBe(false);
  const { id } = value(await saveSet(form()));
  actAs(visitorOf({ id: world.stranger, district: world.otherDistrict, school: null }, { roles: ["curator"] }));
  expect((await saveSet(form({ id, items: shelved }))).ok).toBe(false);
  expect((await removeSet({ id })).ok).toBe(false);
  actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }));
  expect((await removeSet({ id })).ok).toBe(false);
});
