import { richText } from "@/core/content/rich-text";
import type { Db } from "@/data/engine/db";
import { messagesTo } from "@/data/office/outbox";
import { satchelOf, withdrawnFrom } from "@/data/satchel/satchel";
import { givenOf, givenTo } from "@/data/share/shares";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { lightTable } from "../find/light-table";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { adaptResource } from "../adapt/adapt-actions";
import { giveToColleagues, lookAtGiven, formatThanks, takeBackGiven } from "./give-actions";
import { undoPlan } from "../plan/plan-actions";
import { packResource } from "../satchel/satchel-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
const now = new Date("2026-11-25T10:00:00Z");
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const teodor = () => visitorOf({ id: world.teodor, district: world.district, school: world.here });
const judit = () => visitorOf({ id: world.judit, district: world.district, school: world.there });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(ines()));

const mine = async (title: string) => (await publishFor(db, world.ines, lesson(title))).id;

test("what is given is a colleague's to see, pack and adapt, and nobody else's; thanks come back once", async () => {
  const id = await mine("For Teodor");
  expect(value(await lookAtGiven({ resources: [id] })).colleagues.map(({ name }) => name)).toEqual([
    "teodor Test",
    "judit Test",
  ]);
  value(await giveToColleagues({ resources: [id], people: [world.teodor], note: "Try this." }));
  expect(await lightTable(db, judit(), id, now)).toBeNull();
  expect(await givenTo(db, world.judit)).toEqual([]);
  const [given] = await givenTo(db, world.teodor);
  expect(given).toMatchObject({ resource: id, by: "ines Test", note: "Try this.", packed: false });
  expect((await messagesTo(db, world.teodor))[0]).toMatchObject({ subject: "Test Person gave you something" });
  actAs(teodor());
  expect((await lightTable(db, teodor(), id, now))!.facts.title).toBe("For Teodor");
  value(await packResource({ resource: id }));
  expect((await satchelOf(db, teodor())).map((item) => item.id)).toContain(id);
  const { resource: copy } = value(await adaptResource({ resource: id }));
  value(await formatThanks({ share: given!.id }));
  expect((await formatThanks({ share: given!.id })).ok).toBe(false);
  expect((await messagesTo(db, world.ines))[0]!.subject).toBe("Thank you for “For Teodor”");
  // Taken back, it is gone from his satchel; his own version stays.
  actAs(ines());
  const { event } = value(await takeBackGiven({ resources: [id], shares: [given!.id] }));
  expect(await lightTable(db, teodor(), id, now)).toBeNull();
  expect((await withdrawnFrom(db, teodor())).map((one) => one.resource)).toEqual([id]);
  expect((await satchelOf(db, teodor())).map((item) => item.id)).toEqual([copy]);
  value(await undoPlan({ event }));
  expect(await withdrawnFrom(db, teodor())).toEqual([]);
});

test("giving is undone, unless it was given or taken back since; twice is once", async () => {
  const id = await mine("Once");
  const { event } = value(await giveToColleagues({ resources: [id], people: [world.teodor], note: "" }));
  expect(await giveToColleagues({ resources: [id], people: [world.teodor], note: "" })).toMatchObject({
    ok: false,
    code: "theyHaveIt",
  });
  expect(value(await undoPlan({ event })).said).toBe("Taken back.");
  expect(await givenOf(db, [id])).toEqual([]);
  expect((await undoPlan({ event })).ok).toBe(false);
});

test("only her own, only to teachers of her district; others' shares cannot be touched", async () => {
  const id = await mine("Hers");
  expect((await giveToColleagues({ resources: [id], people: [world.stranger], note: "" })).ok).toBe(false);
  expect((await giveToColleagues({ resources: [id], people: [world.students[0]!], note: "" })).ok).toBe(false);
  value(await giveToColleagues({ resources: [id], people: [world.judit], note: "" }));
  const [share] = await givenOf(db, [id]);
  actAs(teodor());
  expect((await giveToColleagues({ resources: [id], people: [world.judit], note: "" })).ok).toBe(false);
  const own = (await publishFor(db, world.teodor, lesson("His"))).id;
  expect((await takeBackGiven({ resources: [own], shares: [share!.id] })).ok).toBe(false);
  expect((await formatThanks({ share: share!.id })).ok).toBe(false);
  expect(await givenOf(db, [id])).toHaveLength(1);
});

test("what names a child of hers goes to colleagues of her school, and not to another school", async () => {
  await db.query("update person set family_name = 'Strand', given_name = 'Aisha' where id = $1", [world.students[0]]);
  const named = lesson("Named", { text: "Aisha Strand found a shell." });
  named.steps[0]!.instructions = { en: { text: richText("Ask Aisha Strand.") } };
  const { id } = await publishFor(db, world.ines, named);
  expect(await giveToColleagues({ resources: [id], people: [world.teodor, world.judit], note: "" })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("names Aisha Strand"),
  });
  value(await giveToColleagues({ resources: [id], people: [world.teodor], note: "" }));
});
