import type { Db } from "@/data/engine/db";
import { messagesTo } from "@/data/office/outbox";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { dueParts } from "@/data/share/teams";
import { lightTable } from "../find/light-table";
import { teamsPage } from "./team";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { adaptResource } from "../adapt/adapt-actions";
import { undoPlan } from "../plan/plan-actions";
import { packResource } from "../satchel/satchel-actions";
import { changeTeam, givePart, makeTeam, readyPart } from "./team-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
const now = new Date("2026-11-27T10:00:00Z");
const week = "2026-11-30";
const newPart = (name: string) => ({ id: null, name });
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

const boardFor = async (who = ines()) => (await teamsPage(db, who, undefined, week, now)).board;
async function teamOfTwo() {
  await db.query("delete from team");
  const lines4 = [newPart("Reading"), newPart("Lab")];
  const { team } = value(await makeTeam({ name: "Grade 4", people: [world.teodor], lines: lines4 }));
  const lines = (await boardFor())!.team.lines;
  return { team, reading: lines[0]!.id, lab: lines[1]!.id };
}
const nobody = { maker: null, resource: null };

test("a team has its people and parts; its board is theirs and nobody else's", async () => {
  const { team, reading } = await teamOfTwo();
  expect((await boardFor(teodor()))!.team).toMatchObject({
    name: "Grade 4",
    members: [{ name: "ines Test" }, { name: "teodor Test" }],
    lines: [{ name: "Reading" }, { name: "Lab" }],
  });
  expect(await boardFor(judit())).toBeNull();
  actAs(judit());
  const part = { team, line: reading, week, seen: nobody };
  expect((await givePart({ ...part, maker: world.judit, begun: true })).ok).toBe(false);
  expect((await changeTeam({ team, name: "Mine", people: [world.judit], lines: [{ id: null, name: "x" }] })).ok).toBe(
    false,
  );
});

test("somebody is asked and hears of it; it is due in her strip; of two who change a part at once the second is told", async () => {
  const { team, reading } = await teamOfTwo();
  const part = { team, line: reading, week };
  value(await givePart({ ...part, maker: world.teodor, begun: false, seen: nobody }));
  expect((await messagesTo(db, world.teodor))[0]!.subject).toContain("“Reading”");
  expect(await dueParts(db, world.teodor, week, week)).toMatchObject([{ line: "Reading", name: "Grade 4" }]);
  expect(await givePart({ ...part, maker: world.ines, begun: true, seen: nobody })).toMatchObject({
    ok: false,
    problem: "teodor Test has it by now. Nothing was changed.",
  });
  expect((await boardFor())!.loads).toMatchObject([{ open: 0 }, { open: 1, ready: 0 }]);
});

test("what is ready is the team's to see, copy and pack, and nobody else's; not ready after all, it is not", async () => {
  const { team, lab } = await teamOfTwo();
  const { id } = await publishFor(db, world.ines, lesson("Lab on tides"));
  const part = { team, line: lab, week };
  value(await readyPart({ ...part, resource: id, seen: nobody }));
  expect((await boardFor(teodor()))!.parts).toMatchObject([{ maker: world.ines, resource: { title: "Lab on tides" } }]);
  expect(await dueParts(db, world.ines, week, week)).toEqual([]);
  expect((await lightTable(db, teodor(), id, now))!.lookOnly).toBe(false);
  expect(await lightTable(db, judit(), id, now)).toBeNull();
  actAs(teodor());
  value(await packResource({ resource: id }));
  value(await adaptResource({ resource: id }));
  actAs(ines());
  value(await givePart({ ...part, maker: world.ines, begun: true, seen: { maker: world.ines, resource: id } }));
  expect(await lightTable(db, teodor(), id, now)).toBeNull();
});

test("only what is hers and published goes in, and nothing that names a child where somebody is of another school", async () => {
  const { team, lab } = await teamOfTwo();
  const part = { team, line: lab, week, seen: nobody };
  const his = (await publishFor(db, world.teodor, lesson("His"), ["staffroom"])).id;
  expect((await readyPart({ ...part, resource: his })).ok).toBe(false);
  await db.query("update person set family_name = 'Strand', given_name = 'Aisha' where id = $1", [world.students[0]]);
  const named = (await publishFor(db, world.ines, lesson("Named", { text: "Aisha Strand found a shell." }))).id;
  const people = [world.ines, world.teodor, world.judit];
  const lines = (await boardFor())!.team.lines;
  value(await changeTeam({ team, name: "Grade 4", people, lines }));
  expect(await readyPart({ ...part, resource: named })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("Aisha Strand"),
  });
  value(await changeTeam({ team, name: "Grade 4", people: [world.ines, world.teodor], lines }));
  value(await readyPart({ ...part, resource: named }));
});

test("who leaves loses what she was to make, and what she made is seen by the team no more; the last one stays", async () => {
  const { team, reading, lab } = await teamOfTwo();
  const { id } = await publishFor(db, world.ines, lesson("Made before leaving"));
  value(await givePart({ team, line: reading, week, maker: world.ines, begun: true, seen: nobody }));
  value(await readyPart({ team, line: lab, week, resource: id, seen: nobody }));
  const lines = (await boardFor())!.team.lines;
  expect((await changeTeam({ team, name: "Grade 4", people: [], lines })).ok).toBe(false);
  expect(value(await changeTeam({ team, name: "Grade 4", people: [world.teodor], lines }))).toMatchObject({
    left: true,
  });
  const parts = (await boardFor(teodor()))!.parts;
  expect(parts.find(({ line }) => line === reading)).toMatchObject(nobody);
  expect(parts.find(({ line }) => line === lab)).toMatchObject({ resource: null });
  expect(await lightTable(db, teodor(), id, now)).toBeNull();
});

test("changing a team is undone with all that was planned; not when somebody has changed its board since", async () => {
  const { team, reading, lab } = await teamOfTwo();
  value(await givePart({ team, line: reading, week, maker: world.teodor, begun: false, seen: nobody }));
  const before = (await boardFor())!;
  const change = { team, name: "Grade 5", people: [world.ines], lines: [{ id: lab, name: "Lab" }] };
  const { event } = value(await changeTeam(change));
  expect((await boardFor())!.parts).toEqual([]);
  value(await undoPlan({ event }));
  expect(await boardFor()).toEqual(before);
  const again = value(await changeTeam(change));
  value(await givePart({ team, line: lab, week, maker: world.ines, begun: true, seen: nobody }));
  expect((await undoPlan({ event: again.event })).ok).toBe(false);
  expect((await boardFor())!.team.name).toBe("Grade 5");
});

test("a week is a Monday, a maker is in the team, a name is not empty: otherwise nothing is changed and it says why", async () => {
  const { team, reading } = await teamOfTwo();
  const part = { team, line: reading, week, seen: nobody, begun: false };
  expect(await givePart({ ...part, week: "2026-12-01", maker: null })).toMatchObject({ ok: false });
  expect(await givePart({ ...part, week: "never", maker: null })).toMatchObject({ ok: false });
  expect(await givePart({ ...part, maker: world.judit })).toMatchObject({ ok: false });
  expect(await givePart({ ...part, line: 999_999, maker: null })).toMatchObject({ ok: false });
  expect(await makeTeam({ name: " ", people: [], lines: [newPart("x")] })).toMatchObject({
    ok: false,
    problem: "A team needs a name.",
  });
  expect(await makeTeam({ name: "x", people: [], lines: [] })).toMatchObject({ ok: false });
  expect(await makeTeam({ name: "x", people: [world.stranger], lines: [newPart("x")] })).toMatchObject({ ok: false });
});
