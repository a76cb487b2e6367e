import { factsOf } from "@/core/resource/facts";
import type { Db } from "../engine/db";
import {
  adaptersOf,
  originalOf,
  adaptationsBy,
  addResource,
  addRevision,
  draftOf,
  editsOf,
  dropDraft,
  resourceById,
  revisionById,
  saveDraft,
} from "./resources";
import * as pockets from "../satchel/pockets";
import * as satchel from "../satchel/satchel";
import { setEntries } from "../share/sharing";
import { indexResource } from "../find/shelves";
import { freshDatabase } from "../testing/database";
import { lesson, now, publishFor, smallWorld, type World } from "../testing/world";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

describe("revisions", () => {
  test("a published one never changes, no matter who asks", async () => {
    const { revision } = await publishFor(db, world.ines, lesson("Knots"));
    await expect(db.query("update revision set document = '{}' where id = $1", [revision])).rejects.toThrow(
      /never changes/,
    );
    await expect(db.query("update revision set number = 2 where id = $1", [revision])).rejects.toThrow(/never changes/);
  });

  test("cannot be deleted while something points at it", async () => {
    const { revision } = await publishFor(db, world.ines, lesson("Knots"));
    await expect(db.query("delete from revision where id = $1", [revision])).rejects.toThrow();
  });

  test("two that are published at once get two numbers", async () => {
    const { id } = await publishFor(db, world.ines, lesson("Kelp"));
    const again = (title: string) =>
      db.transaction((tx) =>
        addRevision(tx, { resource: id, document: lesson(title), hash: title, author: world.ines, created: now }),
      );
    const numbers = (await Promise.all([again("Kelp 2"), again("Kelp 3")])).map((revision) => revision.number);
    expect(numbers.sort()).toEqual([2, 3]);
    const resource = (await resourceById(db, id))!;
    expect(resource.headNumber).toBe(3);
    expect((await revisionById(db, resource.head!))!.document.title.en).toBe("Kelp 3");
  });

  test("what is not there is undefined", async () => {
    expect(await resourceById(db, 999_999)).toBeUndefined();
    expect(await revisionById(db, 999_999)).toBeUndefined();
    expect(await draftOf(db, 999_999)).toBeUndefined();
  });

  test("an adaptation remembers its source, whose title may change without it", async () => {
    const source = await publishFor(db, world.teodor, lesson("Original"));
    const mine = await addResource(db, {
      district: world.district,
      owner: world.ines,
      source: source.revision,
      created: now,
    });
    expect((await resourceById(db, mine))!.source).toMatchObject({
      resource: source.id,
      revision: source.revision,
      number: 1,
      author: "teodor Test",
    });
    expect(await adaptationsBy(db, world.ines, source.id)).toEqual([mine]);
    expect(await adaptationsBy(db, world.teodor, source.id)).toEqual([]);
  });
});

describe("drafts", () => {
  const draft = (resource: number, seen: number, title: string) => ({
    resource,
    document: lesson(title),
    base: null,
    seen,
    by: world.ines,
    at: now,
  });
  let resource: number;
  beforeAll(async () => {
    resource = await addResource(db, { district: world.district, owner: world.ines, source: null, created: now });
  });

  test("each save moves the counter on", async () => {
    expect(await saveDraft(db, draft(resource, 0, "one"))).toBe(1);
    expect(await saveDraft(db, draft(resource, 1, "two"))).toBe(2);
    expect(await draftOf(db, resource)).toMatchObject({ document: { title: { en: "two" } } });
    expect(await editsOf(db, resource)).toBe(2);
  });

  test("a window that has not seen the newest save overwrites nothing", async () => {
    expect(await saveDraft(db, draft(resource, 1, "stale"))).toBeNull();
    expect(await saveDraft(db, draft(resource, 0, "stale"))).toBeNull();
    expect(await saveDraft(db, draft(resource, 7, "from the future"))).toBeNull();
    expect((await draftOf(db, resource))!.document.title.en).toBe("two");
  });

  test("of two saves at the same moment one is kept, and the other is told", async () => {
    const outcomes = await Promise.all([
      saveDraft(db, draft(resource, 2, "left")),
      saveDraft(db, draft(resource, 2, "right")),
    ]);
    expect(outcomes.filter((counter) => counter === null)).toHaveLength(1);
    expect(outcomes).toContain(3);
  });

  test("a draft that was dropped elsewhere is not brought back by an old window", async () => {
    await dropDraft(db, resource);
    expect(await saveDraft(db, draft(resource, 3, "ghost"))).toBeNull();
    expect(await draftOf(db, resource)).toBeUndefined();
  });

  test("no number comes again, however often it is published: an old window never takes a new draft for its own", async () => {
    const seen = [await editsOf(db, resource)];
    for (let round = 0; round < 3; round += 1) {
      seen.push((await saveDraft(db, draft(resource, seen.at(-1)!, `round ${round}`)))!);
      seen.push(await dropDraft(db, resource));
    }
    expect(new Set(seen).size).toBe(seen.length);
    for (const old of seen.slice(0, -1)) expect(await saveDraft(db, draft(resource, old, "stale"))).toBeNull();
  });
});

describe("the satchel", () => {
  test("packing keeps the revision she saw, once", async () => {
    const shared = await publishFor(db, world.teodor, lesson("Ropes"), ["staffroom"]);
    expect(await satchel.pack(db, world.ines, shared.id, now)).toBe(true);
    expect(await satchel.pack(db, world.ines, shared.id, now)).toBe(false);
    expect(
      await db.query("select revision_id from pack where person_id = $1 and resource_id = $2", [world.ines, shared.id]),
    ).toEqual([{ revision_id: shared.revision }]);
  });

  test("holds what she made, adapted and packed, and says which is which", async () => {
    const source = await publishFor(db, world.teodor, lesson("Source"), ["staffroom"]);
    const adapted = await addResource(db, {
      district: world.district,
      owner: world.judit,
      source: source.revision,
      created: now,
    });
    await indexResource(db, adapted, lesson("Her version"), false);
    await publishFor(db, world.judit, lesson("Her own"));
    const district = await publishFor(db, world.ines, lesson("From the district"), ["district"]);
    await satchel.pack(db, world.judit, district.id, now);
    const items = await satchel.satchelOf(db, { id: world.judit, school: world.there, district: world.district });
    expect(items.map((item) => [item.facts.title, item.origin, item.draftOnly]).sort()).toEqual([
      ["From the district", "packed", false],
      ["Her own", "made", false],
      ["Her version", "adapted", true],
    ]);
  });

  test("a packed thing that was taken off its shelf is no longer shown", async () => {
    const shared = await publishFor(db, world.teodor, lesson("Withdrawn"), ["staffroom"]);
    await satchel.pack(db, world.ines, shared.id, now);
    await setEntries(db, [shared.id], []);
    await indexResource(db, shared.id, lesson("Withdrawn"), true);
    const items = await satchel.satchelOf(db, { id: world.ines, school: world.here, district: world.district });
    expect(items.map((item) => item.facts.title)).not.toContain("Withdrawn");
  });

  test("a pocket holds a thing once, gives it back on undo, and leaves it in the satchel when it goes", async () => {
    const kept = await publishFor(db, world.teodor, lesson("Kept"), ["staffroom"]);
    await satchel.pack(db, world.ines, kept.id, now);
    const pocket = await pockets.addPocket(db, world.ines, "Tides");
    await pockets.putIntoPocket(db, pocket.id, [kept.id], world.ines, now);
    await pockets.putIntoPocket(db, pocket.id, [kept.id], world.ines, now);
    expect(await satchel.unpack(db, world.ines, kept.id)).toEqual([pocket.id]);
    await satchel.pack(db, world.ines, kept.id, now);
    await pockets.putIntoPocket(db, pocket.id, [kept.id], world.ines, now);
    expect((await pockets.removePocket(db, pocket.id)).items.map(({ id }) => id)).toEqual([kept.id]);
    expect(await satchel.satchelIds(db, world.ines)).toContain(kept.id);
    expect(await pockets.ownsPocket(db, world.ines, pocket.id)).toBe(false);
  });

  test("two pockets of one name are one too many; another teacher may have one", async () => {
    await pockets.addPocket(db, world.ines, "Openers");
    await expect(pockets.addPocket(db, world.ines, "Openers")).rejects.toMatchObject({
      constraint: "pocket_person_id_name_key",
    });
    await expect(pockets.addPocket(db, world.teodor, "Openers")).resolves.toMatchObject({ id: expect.any(Number) });
  });

  test("pockets keep the order in which they were made", async () => {
    await pockets.addPocket(db, world.stranger, "b");
    await pockets.addPocket(db, world.stranger, "a");
    expect((await pockets.pocketsOf(db, world.stranger)).map((pocket) => pocket.name)).toEqual(["b", "a"]);
  });

  test("unpacking takes nothing out of a colleague's pockets", async () => {
    const shared = await publishFor(db, world.judit, lesson("Common"), ["commons"]);
    for (const who of [world.ines, world.teodor]) {
      await satchel.pack(db, who, shared.id, now);
      await pockets.putIntoPocket(db, (await pockets.addPocket(db, who, "Shared things")).id, [shared.id], who, now);
    }
    await satchel.unpack(db, world.ines, shared.id);
    const theirs = await satchel.satchelOf(db, { id: world.teodor, school: world.here, district: world.district });
    expect(theirs.find((item) => item.id === shared.id)!.pockets).toHaveLength(1);
  });
});

test("what is shown of a resource is what its document says", async () => {
  const document = lesson("Measured", { minutes: 33 });
  const { id } = await publishFor(db, world.ines, document);
  const [row] = await db.query<{ facts: unknown }>("select facts from resource_facts where resource_id = $1", [id]);
  expect(row!.facts).toEqual(factsOf(document));
});

test("a version leads to its original; the author hears who made one, by name at her school and counted elsewhere", async () => {
  const original = await publishFor(db, world.ines, lesson("Whelks"), ["commons"]);
  const versionBy = async (person: number) => {
    const { id } = await publishFor(db, person, lesson("Whelks, mine"));
    await db.query("update resource set source_revision_id = $2 where id = $1", [id, original.revision]);
    return id;
  };
  const version = await versionBy(world.teodor);
  await versionBy(world.judit);
  await versionBy(world.stranger);
  // A second version by the same colleague, and one of her own, name nobody anew.
  await versionBy(world.teodor);
  await versionBy(world.ines);
  expect(await originalOf(db, version)).toEqual({ id: original.id, title: "Whelks" });
  expect(await originalOf(db, original.id)).toBeUndefined();
  const { names, others } = await adaptersOf(db, original.id, world.here);
  expect(names).toHaveLength(1);
  expect(others).toBe(2);
});
