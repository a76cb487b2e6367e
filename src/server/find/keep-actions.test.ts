import type { Db } from "@/data/engine/db";
import { notesOfUse } from "@/data/find/notes-of-use";
import { followedBy, isFollowing, savedSearches } from "@/data/find/saved-searches";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, visitorOf } from "../testing/as";
import { deleteSearch, follow, saveSearch, noteUse, stopFollowing, takeBackNote } from "./keep-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  answerFrom(db);
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

const ines = () => actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }));
const teodor = () => actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));

describe("keeping and following", () => {
  test("a need is kept and dropped; everything is no need; nobody drops another's", async () => {
    ines();
    const outcome = await saveSearch({ name: "Tides", address: "words=tide" });
    expect(outcome.ok).toBe(true);
    expect(await saveSearch({ name: "All", address: "" })).toEqual({
      ok: false,
      problem: "Fill in a blank first: a saved search has to ask for something.",
      field: "address",
    });
    const [{ id } = { id: 0 }] = await savedSearches(db, world.ines);
    teodor();
    expect(await deleteSearch({ id })).toMatchObject({ ok: false });
    expect(await savedSearches(db, world.ines)).toHaveLength(1);
    ines();
    expect(await deleteSearch({ id })).toEqual({ ok: true, value: {} });
  });

  test("she follows others, not herself, and only while she is signed in", async () => {
    ines();
    expect(await follow({ author: world.teodor })).toMatchObject({ ok: true });
    expect(await isFollowing(db, world.ines, world.teodor)).toBe(true);
    expect(await follow({ author: world.ines })).toMatchObject({ ok: false, code: "cannotFollowYourself" });
    actAs(null);
    expect(await stopFollowing({ author: world.teodor })).toMatchObject({ ok: false });
    expect(await isFollowing(db, world.ines, world.teodor)).toBe(true);
  });
});

test("nobody is followed whom she may not know of, and no child's name comes out that way", async () => {
  ines();
  const refused = { ok: false, code: "notThere" };
  for (const author of [world.students[0]!, world.stranger, world.judit, 999_999])
    expect(await follow({ author })).toMatchObject(refused);
  await publishFor(db, world.judit, lesson("For everyone"), ["commons"]);
  expect(await follow({ author: world.judit })).toMatchObject({ ok: true });
  // One that was written down before is not shown either.
  await db.query("insert into follow (person_id, author_id, seen) values ($1, $2, now())", [
    world.ines,
    world.students[0],
  ]);
  const reader = { id: world.ines, school: world.here, district: world.district, satchel: [] };
  expect((await followedBy(db, reader)).map(({ author }) => author)).not.toContain(world.students[0]);
});

describe("how it went", () => {
  test("one to four words, about what she may see, for her school", async () => {
    const open = await publishFor(db, world.teodor, lesson("Open"), ["staffroom"]);
    const shut = await publishFor(db, world.judit, lesson("Shut"), ["staffroom"]);
    ines();
    const note = { resource: open.id, className: "5 Kittiwake", words: ["went well" as const], text: "" };
    expect(await noteUse({ ...note, words: [] })).toMatchObject({ ok: false, problem: "Choose at least one word." });
    expect(await noteUse({ ...note, className: "  " })).toMatchObject({ ok: false, field: "className" });
    expect(await noteUse({ ...note, resource: shut.id })).toMatchObject({ ok: false });
    const outcome = await noteUse(note);
    expect(outcome.ok && (await notesOfUse(db, world.here, open.id))).toHaveLength(1);
    teodor();
    expect(await takeBackNote({ id: outcome.ok ? outcome.value.id : 0 })).toMatchObject({ ok: false });
    ines();
    expect(await takeBackNote({ id: outcome.ok ? outcome.value.id : 0 })).toEqual({ ok: true, value: {} });
    expect(await notesOfUse(db, world.here, open.id)).toEqual([]);
  });
});
