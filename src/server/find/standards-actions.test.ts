import { POST } from "@/app/(teacher)/find/standards/import/route";
import type { Db } from "@/data/engine/db";
import { frameworksOf, treeOf } from "@/data/find/standards";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, visitorOf } from "../testing/as";
import { undoFramework } from "./standards-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/headers", () => ({ cookies: async () => ({ get: () => undefined }) }));

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  answerFrom(db);
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());
const curatorOf = (id: number, school: number) =>
  actAs({ ...visitorOf({ id, district: world.district, school }), roles: ["teacher", "curator"] });
const curator = () => curatorOf(world.ines, world.here);
beforeEach(curator);

const node = (identifier: string) => ({ identifier });
/** A framework as CASE 1.0 writes it; each after the first comes before the next. */
const small = (said: Record<string, string>) => ({
  CFDocument: { identifier: "small", title: "Small framework", creator: "Us" },
  CFItems: Object.entries(said).map(([code, fullStatement]) => ({
    identifier: `i-${code}`,
    fullStatement,
    humanCodingScheme: code,
  })),
  CFAssociations: Object.keys(said)
    .slice(1)
    .map((code, at) => ({
      associationType: "precedes",
      originNodeURI: node(`i-${Object.keys(said)[at]}`),
      destinationNodeURI: node(`i-${code}`),
    })),
});
async function take(said: Record<string, string>) {
  const request = new Request("http://satchel.example/", { method: "POST", body: JSON.stringify(small(said)) });
  const response = await POST(request, { params: Promise.resolve({}) });
  return (await response.json()) as { framework: number; event: number };
}
const reader = () => ({ id: world.ines, school: world.here, district: world.district, satchel: [] });
const tree = async (framework: number) =>
  (await treeOf(db, reader(), framework)).map(({ code, statement, resources }) => [code, statement, resources]);
const relations = async () => (await db.query("select 1 from standard_association")).length;

test("a framework that was not here goes again, and lessons still say what they are about", async () => {
  const taught = lesson("Whelk sums", { standards: [{ framework: "small", code: "S.1", relation: "teaches" }] });
  await publishFor(db, world.ines, taught, ["staffroom"]);
  const { event, framework } = await take({ "S.1": "Count whelks." });
  expect(await tree(framework)).toEqual([["S.1", "Count whelks.", 1]]);
  expect(await undoFramework({ event })).toMatchObject({ ok: true });
  expect(await frameworksOf(db, world.district)).toEqual([]);
  expect(await undoFramework({ event })).toMatchObject({ ok: false, code: "alreadyUndone" });
  const again = await take({ "S.1": "Count whelks." });
  expect(await tree(again.framework)).toEqual([["S.1", "Count whelks.", 1]]);
});

test("another edition taken back: words, what was withdrawn and what leads where are as before", async () => {
  const { framework } = await take({ "S.1": "Count whelks.", "S.2": "Sort whelks." });
  const before = [await tree(framework), await relations()];
  const { event } = await take({ "S.1": "Count whelks and limpets.", "S.3": "Draw whelks.", "S.4": "Weigh whelks." });
  expect(await tree(framework)).not.toEqual(before[0]);
  expect(await undoFramework({ event })).toMatchObject({ ok: true });
  expect([await tree(framework), await relations()]).toEqual(before);
});

test("it is not taken back over what somebody brought in since, nor by anybody else", async () => {
  const { event, framework } = await take({ "S.1": "Count." });
  await take({ "S.1": "Count again." });
  expect(await undoFramework({ event })).toMatchObject({
    ok: false,
    problem: expect.stringMatching(/brought in again since/) as string,
  });
  expect(await tree(framework)).toEqual([["S.1", "Count again.", 1]]);
  curatorOf(world.judit, world.there);
  expect(await undoFramework({ event })).toMatchObject({
    ok: false,
    problem: expect.stringMatching(/not here/) as string,
  });
});
