import { titleOf, type Document } from "@/core/resource/document";
import type { Db } from "@/data/engine/db";
import { offersFor } from "@/data/share/offers";
import { publishedOf } from "@/data/engine/read-once";
import { draftOf, editsOf } from "@/data/adapt/resources";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { adaptData } from "./adapt";
import { deskOffer } from "../share/desk";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { offerDraft, publishDraft, saveDraft, withdrawDraft } from "./adapt-actions";
import { decideOffer } from "../share/desk-actions";
import { undoPlan } from "../plan/plan-actions";
import { lookAtSharing, takeOutPart } from "../share/share-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
const now = new Date();
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const judit = () =>
  visitorOf({ id: world.judit, district: world.district, school: world.there }, { roles: ["curator"] });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(ines()));

let nth = 0;
/** Something of Ines on the district shelf, and a draft of hers that calls it otherwise. */
async function changed(to: string, shelves: ("district" | "staffroom")[] = ["district"]) {
  const { id } = await publishFor(db, world.ines, lesson(`As it was ${(nth += 1)}`), shelves);
  return { id, was: `As it was ${nth}`, seen: await rename(id, to) };
}
async function rename(id: number, title: string): Promise<number> {
  const document = (await draftOf(db, id))?.document ?? (await publishedOf(db, [id])).get(id)!.document;
  const seen = await editsOf(db, id);
  value(await saveDraft({ resource: id, seen, document: { ...document, title: { en: title } } satisfies Document }));
  return editsOf(db, id);
}
const publishedTitle = async (id: number) => titleOf((await publishedOf(db, [id])).get(id)!.document);
const waiting = async (id: number) => (await offersFor(db, [id])).find(({ state }) => state === "waiting");
const accept = { decision: "accepted" as const, grades: [4], subjects: ["science" as const], note: "", pins: [] };

test("what she changes waits for the curators: others read what was there, and the new revision once it is accepted", async () => {
  const { id, was, seen } = await changed("As it will be");
  expect(value(await offerDraft({ resource: id, seen })).shelf).toBe("the district shelf");
  expect(await publishedTitle(id)).toBe(was);
  const offer = (await waiting(id))!;
  const desk = (await deskOffer(db, judit(), offer.id, id))!;
  expect(titleOf(desk.document)).toBe("As it will be");
  expect(desk).toMatchObject({ changes: "different title", grades: [4, 5], subjects: ["science"] });
  expect(titleOf(desk.beside!.document)).toBe(was);
  expect(await adaptData(db, ines(), id, now)).toMatchObject({
    curated: "the district shelf",
    offered: expect.anything(),
  });
  actAs(judit());
  const { event } = value(
    await decideOffer({ offer: offer.id, revision: offer.revision, proposed: offer.proposed, ...accept }),
  );
  expect(await publishedTitle(id)).toBe("As it will be");
  expect(await draftOf(db, id)).toBeUndefined();
  // Undone, the shelf has what it had, and the changes wait again.
  value(await undoPlan({ event }));
  expect(await publishedTitle(id)).toBe(was);
  expect((await waiting(id))!.id).toBe(offer.id);
  expect(titleOf((await draftOf(db, id))!.document)).toBe("As it will be");
});

test("what she goes on with after offering stays her draft; offered again, the curator is told to look anew", async () => {
  const { id, seen } = await changed("First thought");
  value(await offerDraft({ resource: id, seen }));
  const first = (await waiting(id))!;
  const later = await rename(id, "Second thought");
  await new Promise((done) => setTimeout(done, 5));
  value(await offerDraft({ resource: id, seen: later }));
  const second = (await waiting(id))!;
  expect(second.id).toBe(first.id);
  await rename(id, "Third thought");
  actAs(judit());
  const decision = { offer: first.id, revision: first.revision, ...accept };
  expect(await decideOffer({ ...decision, proposed: first.proposed })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("has changed it since you opened it"),
  });
  value(await decideOffer({ ...decision, proposed: second.proposed }));
  expect(await publishedTitle(id)).toBe("Second thought");
  expect(titleOf((await draftOf(db, id))!.document)).toBe("Third thought");
});

test("published at once after all, or taken back, nothing waits; sent back, the shelf keeps what it had", async () => {
  const { id, was, seen } = await changed("Now");
  value(await offerDraft({ resource: id, seen }));
  value(await withdrawDraft({ resource: id }));
  expect((await withdrawDraft({ resource: id })).ok).toBe(false);
  value(await offerDraft({ resource: id, seen }));
  const offer = (await waiting(id))!;
  actAs(judit());
  value(
    await decideOffer({
      ...{ offer: offer.id, revision: offer.revision, proposed: offer.proposed },
      ...{ ...accept, decision: "returned", note: "The title says too little." },
    }),
  );
  expect(await publishedTitle(id)).toBe(was);
  actAs(ines());
  expect((await adaptData(db, ines(), id, now))!.sentBack[0]!.problem).toContain("The title says too little.");
  value(await offerDraft({ resource: id, seen }));
  value(await publishDraft({ resource: id, seen }));
  expect(await publishedTitle(id)).toBe("Now");
  expect(await waiting(id)).toBeUndefined();
});

test("only what stands on a curated shelf is offered so, and only by whose it is", async () => {
  const { id, seen } = await changed("Elsewhere", ["staffroom"]);
  expect(await offerDraft({ resource: id, seen })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("publish it"),
  });
  const on = await changed("Hers");
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  expect(await offerDraft({ resource: on.id, seen: on.seen })).toEqual(
    await offerDraft({ resource: 999_999, seen: 0 }),
  );
  expect(await withdrawDraft({ resource: on.id })).toEqual(await withdrawDraft({ resource: 999_999 }));
});

test("a part that keeps it from the commons is taken out with one press and put back with undo; not over changes of hers", async () => {
  const file = "c".repeat(64);
  await db.query("insert into media (sha256, mime, bytes, added_by, added) values ($1, 'image/png', 10, $2, now())", [
    file,
    world.teodor,
  ]);
  const document = lesson("With his picture");
  document.steps[0]!.blocks.push({ id: "his", type: "picture", media: file, decorative: true, description: {} });
  const { id } = await publishFor(db, world.ines, document);
  const closed = async () =>
    value(await lookAtSharing({ resources: [id] }))
      .shelves.find(({ shelf }) => shelf === "commons")!
      .reasons.filter(({ removable }) => removable);
  const [reason] = await closed();
  const part = { resource: id, step: reason!.step!, block: reason!.block! };
  const { event } = value(await takeOutPart(part));
  expect(await closed()).toEqual([]);
  expect((await takeOutPart(part)).ok).toBe(false);
  value(await undoPlan({ event }));
  expect(await closed()).toHaveLength(1);
  await rename(id, "Being changed");
  expect(await takeOutPart(part)).toMatchObject({ ok: false, problem: expect.stringContaining("in the editor") });
});
