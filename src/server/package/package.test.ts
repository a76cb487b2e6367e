import { titleOf } from "@/core/resource/document";
import { addMedia, mediaByHash } from "@/data/engine/media";
import { ownPocketsWith, ownResources } from "@/data/adapt/mine";
import { addResource, draftOf, revisionById, saveDraft } from "@/data/adapt/resources";
import { addPocket, arrangePockets, putIntoPocket } from "@/data/satchel/pockets";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { readPackage, type ReadPackage } from "@/formats/package/read-package";
import { writePackage } from "@/formats/package/write-package";
import { startAdaptation } from "@/core/licence/licence";
import { visitorOf } from "../testing/as";
import { keepFile, readKept } from "../files/files";
import { bringPackageIn, lookAtPackage } from "./bring-in";
import { packMine } from "./pack";

let [here, there]: Db[] = [];
let [home, away]: World[] = [];
const ines = () => visitorOf({ id: home!.ines, district: home!.district, school: home!.here });
// On the other installation she is somebody with another number.
const elsewhere = () => visitorOf({ id: away!.judit, district: away!.district, school: away!.there });

beforeAll(async () => {
  [here, there] = [await freshDatabase(), await freshDatabase()] as [Db, Db];
  [home, away] = [await smallWorld(here), await smallWorld(there)];
}, 90_000);
afterAll(() => Promise.all([here!.close(), there!.close()]));

async function packed(): Promise<ReadPackage> {
  const pieces: Uint8Array[] = [];
  for await (const piece of writePackage(await packMine(here!, ines()), readKept)) pieces.push(piece);
  return readPackage(Uint8Array.from(Buffer.concat(pieces)));
}

test("everything of hers is at home on a second installation: revisions, a draft, pictures, credits and pockets, for her alone", async () => {
  const picture = await keepFile(Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]));
  await addMedia(here!, { sha256: picture, mime: "image/png", bytes: 8, by: home!.ines, at: now });
  const shown = lesson("The seal");
  shown.steps[0]!.blocks.push({
    ...{ id: "pic", type: "picture", media: picture, decorative: false, description: { en: "A seal" } },
  } as (typeof shown.steps)[number]["blocks"][number]);
  const first = await publishFor(here!, home!.ines, shown, ["staffroom"]);
  const theirs = await publishFor(here!, home!.teodor, lesson("Original"), ["staffroom"]);
  const adapted = startAdaptation(lesson("Mine now"), {
    ...{ resource: theirs.id, revision: theirs.revision, title: "Original", author: "Teodor Test", source: "Here" },
  });
  const second = await addResource(here!, {
    district: home!.district,
    owner: home!.ines,
    source: theirs.revision,
    created: now,
  });
  await saveDraft(here!, { resource: second, document: adapted, base: null, seen: 0, by: home!.ines, at: now });
  const [pocket, inner] = [await addPocket(here!, home!.ines, "Autumn"), await addPocket(here!, home!.ines, "Tides")];
  await arrangePockets(here!, home!.ines, [
    { id: pocket.id, parent: null },
    { id: inner.id, parent: pocket.id },
  ]);
  await putIntoPocket(here!, inner.id, [first.id, theirs.id], home!.ines, now);

  const pack = await packed();
  expect(JSON.stringify(pack.index)).not.toContain("Original lesson");
  expect(await lookAtPackage(there!, elsewhere(), pack)).toMatchObject({
    resources: [
      { title: "The seal", revisions: 1, draft: false, there: false },
      { title: "Mine now", revisions: 0, draft: true, there: false },
    ],
    pockets: [
      { name: "Autumn", things: 0 },
      { name: "Tides", things: 1 },
    ],
    files: 1,
  });
  expect(await bringPackageIn(there!, elsewhere(), pack, now)).toEqual({ resources: 2, there: 0, pockets: 2 });
  const own = await ownResources(there!, away!.judit);
  const seal = (await revisionById(there!, own[0]!.revisions[0]!.id))!;
  expect(seal.document).toEqual(shown);
  const draft = (await draftOf(there!, own[1]!.id))!;
  expect(titleOf(draft.document)).toBe("Mine now");
  expect(draft.document.credits).toMatchObject([{ title: "Original", author: "Teodor Test" }]);
  expect(await mediaByHash(there!, picture)).toMatchObject({ mime: "image/png", bytes: 8 });
  const pockets = await ownPocketsWith(there!, away!.judit);
  expect(pockets).toMatchObject([
    { name: "Autumn", within: null },
    { name: "Tides", within: pockets[0]!.id, resources: [own[0]!.id] },
  ]);
  // Nothing of it stands on a shelf.
  expect(await there!.query("select 1 from shelf_entry where resource_id = $1", [own[0]!.id])).toEqual([]);

  // Brought in again, what is there stays once.
  expect((await lookAtPackage(there!, elsewhere(), pack)).resources[0]).toMatchObject({ there: true });
  expect(await bringPackageIn(there!, elsewhere(), pack, now)).toEqual({ resources: 0, there: 2, pockets: 0 });
});

test("a version and what it was made from find each other again", async () => {
  const base = await publishFor(here!, home!.ines, lesson("Base"));
  const document = startAdaptation(lesson("Version"), {
    ...{ resource: base.id, revision: base.revision, title: "Base", author: "Ines Test", source: "Here" },
  });
  const version = await publishFor(here!, home!.ines, document);
  await here!.query("update resource set source_revision_id = $2 where id = $1", [version.id, base.revision]);
  await bringPackageIn(there!, elsewhere(), await packed(), now);
  const own = await ownResources(there!, away!.judit);
  const made = own.find(({ source }) => source?.title === "Base")!;
  expect(made.revisions).toHaveLength(1);
  const [step] = (await revisionById(there!, made.revisions[0]!.id))!.document.steps;
  expect(own.map(({ id }) => id)).toContain(step!.origin!.resource);
});

test("of others' things nothing is packed", async () => {
  const theirs = visitorOf({ id: home!.stranger, district: home!.otherDistrict, school: null });
  expect((await packMine(here!, theirs)).index).toMatchObject({ resources: [], pockets: [], media: [] });
});
