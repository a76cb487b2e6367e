import { addSet, authorsCalled, authorsNear, curatedSets, namesOf, topTopics } from "./browse";
import type { Db } from "../engine/db";
import { editionsOf } from "./editions";
import { freshSince } from "./fresh";
import * as saved from "./saved-searches";
import { addNoteOfUse, notesOfUse, removeNoteOfUse } from "./notes-of-use";
import type { Reader } from "./reach";
import { formatReasons } from "@/core/find/reasons";
import { reasonsFor } from "./reasons";
import { satchelIds } from "../satchel/satchel";
import { hitsOf } from "./search";
import { indexResource, removeFromSearch } from "./shelves";
import { freshDatabase } from "../testing/database";
import { asRead, readWords } from "../testing/read";
import { lesson, now, publishFor, smallWorld, type World } from "../testing/world";
import { suggestSeen } from "./words";

let db: Db;
let world: World;
const later = (minutes: number) => new Date(now.getTime() + minutes * 60_000);
const before = new Date(now.getTime() - 60_000);
async function readerOf(id: number): Promise<Reader> {
  const [row] = await db.query<{ school: number; district: number }>(
    "select school_id school, district_id district from person where id = $1",
    [id],
  );
  return { id, ...row!, satchel: await satchelIds(db, id) };
}
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

describe("kept needs", () => {
  test("what is new since, of others, that she may see", async () => {
    const ines = await readerOf(world.ines);
    const words = await readWords(db, "sandeel");
    const fresh = (since: Date) => freshSince(db, ines, asRead({ words: "sandeel" }, words), since);
    expect(await fresh(before)).toBe(0);
    await publishFor(db, world.teodor, lesson("Sandeel one"), ["staffroom"]);
    await publishFor(db, world.judit, lesson("Sandeel of the other school"), ["staffroom"]);
    await publishFor(db, world.ines, lesson("Sandeel of her own"));
    expect(await fresh(before)).toBe(1);
    expect(await fresh(later(1))).toBe(0);
  });

  test("kept twice is kept once; only her own can be dropped", async () => {
    const one = await saved.saveSearch(db, { person: world.ines, name: "Tides", address: "words=tide", now });
    expect(
      await saved.saveSearch(db, { person: world.ines, name: "Tides again", address: "words=tide", now: later(5) }),
    ).toBe(one);
    expect(await saved.savedSearches(db, world.ines)).toMatchObject([{ name: "Tides again", seen: now }]);
    expect(await saved.deleteSearch(db, world.teodor, one)).toBe(false);
    await saved.markSearchSeen(db, world.ines, "words=tide", later(9));
    expect((await saved.savedSearches(db, world.ines))[0]!.seen).toEqual(later(9));
    expect(await saved.deleteSearch(db, world.ines, one)).toBe(true);
  });
});

describe("authors and what was looked at", () => {
  test("an author she follows has as many new things as she may see of them", async () => {
    await saved.setFollow(db, world.ines, world.judit, true, before);
    await publishFor(db, world.judit, lesson("Seen by the district"), ["district"]);
    const ines = await readerOf(world.ines);
    expect(await saved.followedBy(db, ines)).toMatchObject([{ author: world.judit, fresh: 1 }]);
    await saved.seenAuthor(db, world.ines, world.judit, later(1));
    expect(await saved.followedBy(db, ines)).toMatchObject([{ fresh: 0 }]);
    await saved.setFollow(db, world.ines, world.judit, false, now);
    expect(await saved.isFollowing(db, world.ines, world.judit)).toBe(false);
  });

  test("what she looked at, the last first, and gone when it is taken away", async () => {
    const one = await publishFor(db, world.teodor, lesson("Looked at one"), ["staffroom"]);
    const two = await publishFor(db, world.teodor, lesson("Looked at two"), ["staffroom"]);
    for (const [id, minute] of [
      [one.id, 1],
      [two.id, 2],
      [one.id, 3],
    ] as const)
      await saved.noteViewed(db, world.ines, id, later(minute));
    const ines = await readerOf(world.ines);
    expect((await saved.viewedLately(db, ines, 5)).map((row) => row.title)).toEqual(["Looked at one", "Looked at two"]);
    await removeFromSearch(db, two.id);
    expect((await saved.viewedLately(db, ines, 5)).map((row) => row.title)).toEqual(["Looked at one"]);
  });
});

describe("notes of use", () => {
  test("are read at the school they were written at, and taken back by who wrote them", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Noted"), ["commons"]);
    const note = await addNoteOfUse(db, {
      ...{ person: world.ines, school: world.here, resource: id, className: "5 Kittiwake", at: now },
      ...{ words: ["went well", "too long"], text: "Two lessons." },
    });
    expect(await notesOfUse(db, world.here, id)).toMatchObject([
      { by: "ines Test", words: ["went well", "too long"], text: "Two lessons." },
    ]);
    expect(await notesOfUse(db, world.there, id)).toEqual([]);
    expect(await notesOfUse(db, null, id)).toEqual([]);
    expect(await removeNoteOfUse(db, world.teodor, note)).toBe(false);
    expect(await removeNoteOfUse(db, world.ines, note)).toBe(true);
  });
});

describe("editions and versions", () => {
  const edition = (year: number, isbn13: string) => ({ edition: { work: "The Otter of Long Skerry", year, isbn13 } });

  test("editions of one work are found together, those she may not see left out", async () => {
    const old = await publishFor(db, world.teodor, lesson("Otter", edition(2011, "9799940100178")), ["commons"]);
    await publishFor(db, world.judit, lesson("Otter, new", edition(2023, "9799940100246")), ["commons"]);
    await publishFor(db, world.judit, lesson("Otter of the other school", edition(2024, "9799940100314")), [
      "staffroom",
    ]);
    expect((await editionsOf(db, await readerOf(world.ines), old.id)).map((one) => one.edition.year)).toEqual([
      2023, 2011,
    ]);
    expect((await editionsOf(db, await readerOf(world.judit), old.id)).map((one) => one.edition.year)).toEqual([
      2024, 2023, 2011,
    ]);
  });

  const long =
    "In June the sheep come in from the skerry. Two people hold a sheep and one cuts the wool. It does not hurt. The wool is washed in the burn and dried on the wall, then it is combed and spun into yarn for a jersey.";

  test("the same text put out again is a version; another text is not; only what she may see is counted", async () => {
    await publishFor(db, world.teodor, lesson("Shearing day", { text: long }), ["commons"]);
    await publishFor(db, world.ines, lesson("Shearing day at home", { text: long }), ["staffroom"]);
    await publishFor(db, world.judit, lesson("Shearing day elsewhere", { text: long }), ["staffroom"]);
    await publishFor(
      db,
      world.judit,
      lesson("Shearing shears", {
        text: "How shears are ground and kept sharp over a whole season on the hill, told by somebody who has done it for forty years and still has all her fingers to show for it.",
      }),
      ["commons"],
    );
    const words = await readWords(db, "shearing");
    const read = asRead({ words: "shearing" }, words);
    const hits = await hitsOf(db, await readerOf(world.teodor), read, { sort: "best", limit: 20 });
    expect(hits.map((hit) => [hit.versions, hit.versionsHere]).sort()).toEqual([
      [1, 0],
      [2, 1],
    ]);
    const { family } = hits.find((hit) => hit.versions === 2)!;
    const unfolded = await hitsOf(db, await readerOf(world.teodor), read, {
      sort: "best",
      limit: 20,
      unfolded: family,
    });
    expect(unfolded.filter((hit) => hit.folded)).toHaveLength(1);
    expect(unfolded).toHaveLength(3);
  });

  test("rewritten until it is like none of them, a version is one no longer", async () => {
    const words = await readWords(db, "gannetry");
    const lines = async () =>
      (
        await hitsOf(db, await readerOf(world.ines), asRead({ words: "gannetry" }, words), { sort: "best", limit: 9 })
      ).map((hit) => hit.versions);
    const text = long.replace(/sheep/g, "gannets");
    await publishFor(db, world.ines, lesson("Gannetry", { text }), ["staffroom"]);
    const other = await publishFor(db, world.teodor, lesson("Gannetry again", { text }), ["staffroom"]);
    expect(await lines()).toEqual([2]);
    const anew = lesson("Gannetry again", {
      text: "Count the nests from the boat, then from the cliff, and say why the two numbers differ and which of them you would put into the yearly table for the bird office.",
    });
    await indexResource(db, other.id, anew, true);
    expect(await lines()).toEqual([1, 1]);
  });
});

describe("places to begin", () => {
  test("a set counts what its reader may see; another district has none of it", async () => {
    const open = await publishFor(db, world.teodor, lesson("In the set", { topics: ["sheep"] }), ["commons"]);
    const shut = await publishFor(db, world.judit, lesson("Hidden in the set"), ["staffroom"]);
    const set = await addSet(db, {
      district: world.district,
      kind: "set",
      name: "Wool",
      note: "",
      topic: null,
      months: [6],
      curator: world.teodor,
      items: [open.id, shut.id],
    });
    expect(await curatedSets(db, await readerOf(world.ines))).toMatchObject([
      { text: "Wool", resources: 1, months: [6] },
    ]);
    expect(await curatedSets(db, await readerOf(world.stranger))).toEqual([]);
    const found = await hitsOf(db, await readerOf(world.ines), asRead({ sets: [set] }), {
      sort: "best",
      limit: 9,
    });
    expect(found.map((hit) => hit.facts.title)).toEqual(["In the set"]);
    expect(
      await hitsOf(db, await readerOf(world.stranger), asRead({ sets: [set] }), { sort: "best", limit: 9 }),
    ).toEqual([]);
    expect(await topTopics(db, await readerOf(world.ines), 5)).toMatchObject([{ text: "sheep", resources: 1 }]);
  });

  test("colleagues are those of her school who share something; names are told only to who may know them", async () => {
    const ines = await readerOf(world.ines);
    expect((await authorsNear(db, ines)).map((one) => one.text)).toEqual(["teodor Test"]);
    expect((await authorsCalled(db, ines, "téo")).map((one) => one.id)).toEqual([world.teodor]);
    expect(await authorsCalled(db, await readerOf(world.stranger), "ines")).toEqual([]);
    const names = await namesOf(db, ines, { authors: [world.teodor, world.stranger], sets: [] });
    expect(names.authors).toEqual({ [world.teodor]: "teodor Test" });
  });

  test("words are suggested only when they stand in something she may see", async () => {
    await publishFor(db, world.judit, lesson("Quernstone turning"), ["staffroom"]);
    expect(await suggestSeen(db, await readerOf(world.judit), "quern")).toEqual(["quernstone"]);
    expect(await suggestSeen(db, await readerOf(world.ines), "quern")).toEqual([]);
    expect(await suggestSeen(db, await readerOf(world.judit), "q")).toEqual([]);
  });

  test("why something is here: the title first, then who used it; nothing about what is not hers to see", async () => {
    const { id } = await publishFor(db, world.judit, lesson("Querns for bread"), ["staffroom"]);
    const words = await readWords(db, "querns");
    const reasons = (await reasonsFor(db, await readerOf(world.judit), id, words))!;
    expect(reasons).toMatchObject({ inTitle: true, inSatchel: true, classesHere: 0 });
    expect(formatReasons(reasons, "querns")).toEqual(["“querns” is in its title.", "It is in your satchel."]);
    expect(await reasonsFor(db, await readerOf(world.ines), id, words)).toBeUndefined();
  });
});
