import { anyNeed } from "@/core/find/need";
import type { Document } from "@/core/resource/document";
import type { Db } from "@/data/engine/db";
import { messagesTo } from "@/data/office/outbox";
import { offersFor } from "@/data/share/offers";
import { editsOf } from "@/data/adapt/resources";
import { setShelfRules } from "@/data/share/sharing";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { deskList, deskOffer } from "./desk";
import { find } from "../find/find";
import { publish } from "../adapt/publish";
import { lightTable } from "../find/light-table";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { decideOffer, removeFromShelf } from "./desk-actions";
import { undoPlan } from "../plan/plan-actions";
import { archiveResource, publishDraft, saveDraft } from "../adapt/adapt-actions";
import { lookAtSharing, shareResources, takeFromShelf } from "./share-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
const now = new Date("2026-11-25T10:00:00Z");
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const teodor = () => visitorOf({ id: world.teodor, district: world.district, school: world.here });
/** A curator of the same district, at the other school. */
const judit = () =>
  visitorOf({ id: world.judit, district: world.district, school: world.there }, { roles: ["teacher", "curator"] });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  await db.query("insert into person_role values ($1, 'curator', 'district'), ($2, 'curator', 'district')", [
    world.judit,
    world.teodor,
  ]);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(ines()));

const mine = (title: string, more: Partial<Document> = {}) =>
  publishFor(db, world.ines, lesson(title, { grades: { from: 4, to: 4 }, subjects: ["science"], ...more }));
const saveDraftFor = async (resource: number, document: Document) =>
  value(await saveDraft({ resource, seen: await editsOf(db, resource), document }));
const form = (resources: number[], more: object = {}) => ({
  ...{ resources, shelf: "staffroom" as const, grades: [4, 5], subjects: ["mathematics" as const] },
  ...more,
});
const foundBy = async (person: number, school: number, need: Partial<typeof anyNeed>, satchel: number[] = []) => {
  const reader = { id: person, school, district: world.district, satchel };
  const { hits, counts } = await find(db, reader, { ...anyNeed, ...need }, { sort: "best", limit: 50 });
  expect(counts.total).toBe(hits.length);
  return hits.map(({ id }) => id);
};

describe("a shelf of her own choice", () => {
  test("a colleague finds it there, under the grades and subjects said, and off it no more", async () => {
    const { id } = await mine("Rock pools");
    expect(await foundBy(world.teodor, world.here, { words: "pools" })).toEqual([]);
    const { event, said } = value(await shareResources(form([id])));
    expect(said).toBe("It is in the staffroom now.");
    for (const need of [{ grades: [5] }, { subjects: ["mathematics" as const] }])
      expect(await foundBy(world.teodor, world.here, need)).toContain(id);
    expect(await foundBy(world.teodor, world.here, { subjects: ["science" as const] })).not.toContain(id);
    expect(await foundBy(world.judit, world.there, { words: "pools" })).toEqual([]);
    expect(await lightTable(db, teodor(), id, now)).not.toBeNull();
    expect(value(await lookAtSharing({ resources: [id] })).shelves[0]).toMatchObject({ state: "on" });
    expect(value(await undoPlan({ event })).said).toContain("back where it was");
    expect(await foundBy(world.teodor, world.here, { words: "pools" })).toEqual([]);
    expect(await foundBy(world.ines, world.here, { words: "pools", subjects: ["science"] }, [id])).toEqual([id]);
  });

  test("publishing a revision keeps the grades it was shared for", async () => {
    const { id } = await mine("Sea glass");
    value(await shareResources(form([id])));
    const { indexResource } = await import("@/data/find/shelves");
    await indexResource(db, id, lesson("Sea glass", { grades: { from: 4, to: 4 }, subjects: ["science"] }), true);
    expect(await foundBy(world.teodor, world.here, { words: "glass", grades: [5] })).toEqual([id]);
  });

  test("several at once, taken off again; what is somebody else's is as good as not there", async () => {
    const ids = [(await mine("Wrack one")).id, (await mine("Wrack two")).id];
    value(await shareResources(form(ids)));
    expect((await foundBy(world.teodor, world.here, { words: "wrack" })).sort()).toEqual(ids);
    const { event } = value(await takeFromShelf({ resources: ids, shelf: "staffroom" }));
    expect(await foundBy(world.teodor, world.here, { words: "wrack" })).toEqual([]);
    value(await undoPlan({ event }));
    expect((await foundBy(world.teodor, world.here, { words: "wrack" })).sort()).toEqual(ids);
    actAs(teodor());
    const refused = await shareResources(form(ids));
    expect(refused).toEqual(await shareResources(form([999_999])));
    expect((await takeFromShelf({ resources: ids, shelf: "staffroom" })).ok).toBe(false);
    expect((await undoPlan({ event })).ok).toBe(false);
  });

  test("what may not be shared is refused with the reason, and nothing of the others goes either", async () => {
    const credits = [
      { title: "Echo", author: "Judit", source: "There", licence: "CC-BY-ND-4.0" as const, changed: "" },
    ];
    const [good, bad] = [await mine("Fine to share"), await mine("Not to share", { credits })];
    const refused = await shareResources(form([good.id, bad.id]));
    expect(refused).toMatchObject({ ok: false, problem: expect.stringContaining("“Echo” is under") });
    expect(await foundBy(world.teodor, world.here, { words: "share" })).toEqual([]);
  });

  test("undo does not move what was moved since", async () => {
    const { id } = await mine("Limpets");
    const { event } = value(await shareResources(form([id])));
    value(await shareResources(form([id], { grades: [7] })));
    expect(await undoPlan({ event })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("other shelves since"),
    });
    expect(await foundBy(world.teodor, world.here, { words: "limpets", grades: [7] })).toEqual([id]);
  });
});

describe("the district shelf, which curators keep", () => {
  const offered = async (title: string) => {
    const { id } = await mine(title);
    const { said, event } = value(await shareResources(form([id], { shelf: "district" })));
    expect(said).toBe("It is offered to the curators of the district shelf.");
    const [offer] = await offersFor(db, [id]);
    return { id, offer: offer!.id, revision: offer!.revision, event };
  };
  const decision = ({ offer, revision }: { offer: number; revision: number }, more: object) => ({
    ...{
      offer,
      revision,
      decision: "accepted" as const,
      grades: [4],
      subjects: ["science" as const],
      note: "",
      pins: [],
    },
    ...more,
  });

  test("an offer waits on the desk with what is like it, and is on the shelf when it is accepted, as the curator corrected it", async () => {
    const twin = await publishFor(db, world.judit, lesson("Tide clocks"), ["district"]);
    const made = await offered("Tide clocks");
    expect(await foundBy(world.stranger, world.there, { words: "clocks" })).toEqual([twin.id]);
    actAs(judit());
    expect((await deskList(db, judit(), "waiting", now)).map((line) => line.title)).toContain("Tide clocks");
    const open = (await deskOffer(db, judit(), made.offer))!;
    expect(open).toMatchObject({ grades: [4, 5], subjects: ["mathematics"] });
    expect(open.alike.map((one) => one.id)).toEqual([twin.id]);
    const { event } = value(await decideOffer(decision(made, {})));
    expect(await foundBy(world.judit, world.there, { words: "clocks", subjects: ["science"] })).toContain(made.id);
    expect((await messagesTo(db, world.ines))[0]!.subject).toBe("“Tide clocks”: accepted");
    value(await undoPlan({ event }));
    expect(await foundBy(world.judit, world.there, { words: "clocks" })).toEqual([twin.id]);
    expect((await offersFor(db, [made.id]))[0]!.state).toBe("waiting");
  });

  test("of two curators who decide at once, one does, and the other is told", async () => {
    const made = await offered("Two at once");
    actAs(judit());
    value(await decideOffer(decision(made, { decision: "declined", note: "We have one." })));
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }, { roles: ["curator"] }));
    expect(await decideOffer(decision(made, {}))).toMatchObject({
      ok: false,
      problem: "judit Test has already decided: declined. That decision stands.",
    });
  });

  test("sent back needs a note, and the author has it at the step; offered again it is a new offer", async () => {
    const made = await offered("Ferries");
    actAs(judit());
    expect(await decideOffer(decision(made, { decision: "returned" }))).toMatchObject({ ok: false, field: "note" });
    const pins = [{ step: "s1", text: "Which ferry?" }];
    const { event } = value(await decideOffer(decision(made, { decision: "returned", pins })));
    actAs(ines());
    expect(value(await lookAtSharing({ resources: [made.id] })).things[0]!.decided).toMatchObject({
      state: "returned",
    });
    value(await shareResources(form([made.id], { shelf: "district" })));
    actAs(judit());
    expect(await undoPlan({ event })).toMatchObject({ ok: false, problem: expect.stringContaining("offered again") });
  });

  test("an offer can be taken back while nobody has decided, and not afterwards", async () => {
    const first = await offered("Back again");
    value(await undoPlan({ event: first.event }));
    expect((await offersFor(db, [first.id]))[0]!.state).toBe("withdrawn");
    const second = await offered("Too late");
    actAs(judit());
    value(await decideOffer(decision(second, {})));
    actAs(ines());
    expect((await undoPlan({ event: second.event })).ok).toBe(false);
    expect(await foundBy(world.judit, world.there, { words: "late" })).toEqual([second.id]);
  });

  test("a curator takes something off the shelf with a reason its author reads; nobody decides about her own", async () => {
    const made = await offered("Barnacles");
    actAs(judit());
    value(await decideOffer(decision(made, {})));
    expect((await removeFromShelf({ resource: made.id, shelf: "district", reason: " " })).ok).toBe(false);
    const { event } = value(
      await removeFromShelf({ resource: made.id, shelf: "district", reason: "The link is dead." }),
    );
    expect(await foundBy(world.judit, world.there, { words: "barnacles" })).toEqual([]);
    expect((await messagesTo(db, world.ines))[0]!.body).toContain("The link is dead.");
    value(await undoPlan({ event }));
    expect(await foundBy(world.judit, world.there, { words: "barnacles" })).toEqual([made.id]);
    actAs(ines());
    const own = await offered("Her own");
    actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }, { roles: ["curator"] }));
    expect(await decideOffer(decision(own, {}))).toMatchObject({
      ok: false,
      problem: expect.stringContaining("Another curator"),
    });
  });

  test("published again while it waits, it is the new revision that is offered, and nobody accepts one she has not seen", async () => {
    const made = await offered("Seal songs");
    const document = lesson("Seal songs, longer");
    const { id: second } = await publish(db, { resource: made.id, document, author: world.ines, now });
    expect((await offersFor(db, [made.id]))[0]).toMatchObject({ state: "waiting", revision: second });
    actAs(judit());
    expect(await decideOffer(decision(made, {}))).toMatchObject({
      ok: false,
      problem: expect.stringContaining("has changed it since you opened it"),
    });
    value(await decideOffer(decision({ ...made, revision: second }, {})));
    // What stands on a shelf may stand there: a revision that may not is not published.
    actAs(ines());
    const echo = { title: "Echo", author: "J", source: "There", licence: "CC-BY-ND-4.0" as const, changed: "" };
    await saveDraftFor(made.id, {
      ...lesson("Seal songs, borrowed"),
      licence: "CC-BY-ND-4.0",
      credits: [{ ...echo, resource: 7 }],
    });
    expect(await publishDraft({ resource: made.id, seen: await editsOf(db, made.id) })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("it is on the district shelf, and this may not be"),
    });
    value(await takeFromShelf({ resources: [made.id], shelf: "district" }));
    value(await publishDraft({ resource: made.id, seen: await editsOf(db, made.id) }));
  });

  test("what its author has put away is on no desk", async () => {
    const made = await offered("Put away again");
    value(await archiveResource({ resource: made.id, archived: true }));
    expect(await deskOffer(db, judit(), made.offer)).toBeNull();
    expect((await deskList(db, judit(), "waiting", now)).map(({ id }) => id)).not.toContain(made.offer);
    actAs(judit());
    expect((await decideOffer(decision(made, {}))).ok).toBe(false);
  });

  test("who is no curator, or of another district, has no desk", async () => {
    const made = await offered("Not for you");
    expect((await decideOffer(decision(made, {}))).ok).toBe(false);
    const stranger = { id: world.stranger, district: world.otherDistrict, school: null };
    actAs(visitorOf(stranger, { roles: ["curator"] }));
    expect(await decideOffer(decision(made, {}))).toEqual(await decideOffer(decision({ ...made, offer: 999_999 }, {})));
    expect(await deskOffer(db, visitorOf(stranger), made.offer)).toBeNull();
  });

  test("what the school says goes: everyone may, or nobody", async () => {
    const { id } = await mine("By rule");
    await setShelfRules(db, world.here, { district: "nobody", commons: "nobody" });
    expect(await shareResources(form([id], { shelf: "district" }))).toMatchObject({
      ok: false,
      problem: expect.stringContaining("Your school puts nothing on the district shelf"),
    });
    await setShelfRules(db, world.here, { district: "everyone", commons: "nobody" });
    value(await shareResources(form([id], { shelf: "district" })));
    expect(await foundBy(world.judit, world.there, { words: "rule" })).toEqual([id]);
    await setShelfRules(db, world.here, { district: "curators", commons: "curators" });
  });
});
