import type { Db } from "@/data/engine/db";
import { messagesTo } from "@/data/office/outbox";
import { entriesOf } from "@/data/share/sharing";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { deskReports } from "./desk";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { undoPlan } from "../plan/plan-actions";
import { decideReport, reportResource } from "./report-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const teodor = () => visitorOf({ id: world.teodor, district: world.district, school: world.here });
const judit = (more = {}) =>
  visitorOf(
    { id: world.judit, district: world.district, school: world.there },
    { roles: ["teacher", "curator"], ...more },
  );

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  await db.query("insert into person_role values ($1, 'curator', 'district')", [world.judit]);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(teodor()));

async function shelved(title: string, ...shelves: ("staffroom" | "district")[]) {
  const document = lesson(title);
  return { id: (await publishFor(db, world.ines, document, shelves)).id, step: document.steps[0]!.id };
}
const report = { kind: "wrong" as const, note: "The tide turns twice.", step: null };
const subjects = async (person: number) => (await messagesTo(db, person)).map(({ subject }) => subject);

test("a reader's report comes to the curators with its step; author and reader hear what comes of it; undone, it is open again", async () => {
  const { id, step } = await shelved("Tides wrong", "staffroom", "district");
  expect(value(await reportResource({ ...report, resource: id, step }))).toEqual({ to: "curators" });
  expect((await reportResource({ ...report, resource: id, step })).ok).toBe(false);
  expect(await subjects(world.judit)).toContain("Reported: “Tides wrong”");
  actAs(judit());
  const [open] = await deskReports(db, judit());
  expect(open).toMatchObject({
    title: "Tides wrong",
    stepNumber: 1,
    kind: "wrong",
    byName: "teodor Test",
    outcome: null,
  });
  expect(await decideReport({ report: open!.id, outcome: "removed", answer: "" })).toMatchObject({ field: "answer" });
  const { event } = value(await decideReport({ report: open!.id, outcome: "removed", answer: "So it is." }));
  expect((await entriesOf(db, [id])).map(({ shelf }) => shelf)).toEqual(["staffroom"]);
  for (const person of [world.ines, world.teodor])
    expect(await subjects(person)).toContain("“Tides wrong”, which was reported");
  expect((await decideReport({ report: open!.id, outcome: "right", answer: "" })).ok).toBe(false);
  value(await undoPlan({ event }));
  expect((await entriesOf(db, [id])).map(({ shelf }) => shelf)).toEqual(["district", "staffroom"]);
  expect((await deskReports(db, judit()))[0]!.outcome).toBeNull();
});

test("what stands in a staffroom only is reported to its author", async () => {
  const { id } = await shelved("Here only", "staffroom");
  expect(value(await reportResource({ ...report, resource: id }))).toEqual({ to: "author" });
  expect(await subjects(world.ines)).toContain("Reported: “Here only”");
  expect((await deskReports(db, judit())).map(({ title }) => title)).not.toContain("Here only");
});

test("nobody reports her own, or what she cannot see; and nobody but a curator of the district decides", async () => {
  const { id } = await shelved("Not for all", "staffroom");
  actAs(ines());
  expect((await reportResource({ ...report, resource: id })).ok).toBe(false);
  actAs(judit());
  expect((await reportResource({ ...report, resource: id })).ok).toBe(false);
  actAs(teodor());
  const there = await shelved("For the district", "district");
  value(await reportResource({ ...report, resource: there.id }));
  const [open] = (await deskReports(db, judit())).filter(({ title }) => title === "For the district");
  expect((await decideReport({ report: open!.id, outcome: "right", answer: "" })).ok).toBe(false);
  actAs(visitorOf({ id: world.stranger, district: world.otherDistrict, school: null }, { roles: ["curator"] }));
  expect((await decideReport({ report: open!.id, outcome: "right", answer: "" })).ok).toBe(false);
});
