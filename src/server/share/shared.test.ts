import type { Db } from "@/data/engine/db";
import { addOffers } from "@/data/share/offers";
import { pack } from "@/data/satchel/satchel";
import { give } from "@/data/share/shares";
import { freshDatabase } from "@/data/testing/database";
import { lesson, now, publishFor, smallWorld } from "@/data/testing/world";
import { sharedByHer } from "./shared";
import { visitorOf } from "../testing/as";

let db: Db;
beforeAll(async () => {
  db = await freshDatabase();
}, 60_000);
afterAll(() => db.close());

test("each thing says where it stands, what became of its offer, who has it, and how often others used it; what nobody sees is not there", async () => {
  const world = await smallWorld(db);
  const ines = visitorOf({ id: world.ines, district: world.district, school: world.here });
  const shared = await publishFor(db, world.ines, lesson("Shared"), ["staffroom"]);
  const given = await publishFor(db, world.ines, lesson("Given"));
  await publishFor(db, world.ines, lesson("Hers alone"));
  await pack(db, world.teodor, shared.id, now);
  await pack(db, world.ines, shared.id, now);
  await addOffers(db, [{ resource: shared.id, revision: shared.revision, shelf: "district", grades: 0, subjects: 0 }], {
    ...{ by: world.ines, district: world.district, at: now },
  });
  const to = { resources: [given.id], people: [world.teodor], by: world.ines, note: "", at: now };
  await give(db, { ...to, way: "copy" });
  const things = await sharedByHer(db, ines);
  expect(things.map(({ title }) => title).sort()).toEqual(["Given", "Shared"]);
  expect(things.find(({ title }) => title === "Shared")).toMatchObject({
    shelves: ["staffroom"],
    offers: [{ shelf: "district", state: "waiting" }],
    uses: { packed: 1, adapted: 0, assigned: 0 },
  });
  expect(things.find(({ title }) => title === "Given")).toMatchObject({
    shelves: [],
    given: ["teodor Test"],
    links: 0,
  });
});
