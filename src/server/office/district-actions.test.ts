import type { Db } from "@/data/engine/db";
import { keepsDistrict, letKeepDistrict, schoolsOfDistrict } from "@/data/office/district";
import { messagesBy } from "@/data/office/outbox";
import { emptied, freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { addSchool, giveOffice } from "./district-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("../web/base-address", () => ({ baseAddress: () => Promise.resolve("https://satchel.example") }));

let db: Db;
let world: World;
const office = { givenName: "Marit", familyName: "Storm", email: "marit@skerry.example" };
const school = { name: "Heron Point", zone: "Atlantic/Faroe", office };

beforeEach(async () => {
  db = db ? await emptied(db) : await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  await db.query("insert into person_role values ($1, 'office', 'school')", [world.teodor]);
  actAs(
    visitorOf({ id: world.teodor, district: world.district, school: world.here }, { roles: ["teacher", "office"] }),
  );
}, 60_000);
afterAll(() => db.close());

const names = async () => (await schoolsOfDistrict(db, world.district)).map(({ name }) => name);

test("an office that keeps only its school adds none, and is told that there is nothing", async () => {
  expect(await keepsDistrict(db, world.teodor)).toBe(false);
  expect(await addSchool(school)).toMatchObject({ ok: false, code: "notThere" });
  expect(await names()).toEqual(["Here", "There"]);
});

test("the office of the district adds a school, whose own office is invited and keeps that school only", async () => {
  await letKeepDistrict(db, world.teodor);
  const added = value(await addSchool(school));
  expect(added).toMatchObject({ name: "Heron Point", to: "Marit Storm" });
  expect(added.address).toMatch(/^https:\/\/satchel\.example\/welcome\//);
  const schools = await schoolsOfDistrict(db, world.district);
  expect(schools.find(({ name }) => name === "Heron Point")).toMatchObject({ office: ["Marit Storm"], children: 0 });
  const [marit] = await db.query<{ id: number; district: number }>(
    "select id, district_id district from person where email = $1",
    [office.email],
  );
  expect(marit!.district).toBe(world.district);
  expect(await keepsDistrict(db, marit!.id)).toBe(false);
  const [letter] = await messagesBy(db, world.teodor);
  expect(letter).toMatchObject({ toAddress: office.email, subject: "Welcome to Golden Satchel at Heron Point" });
});

test("a name the district has, or an address somebody has, adds nothing", async () => {
  await letKeepDistrict(db, world.teodor);
  expect(await addSchool({ ...school, name: "here" })).toMatchObject({ ok: false, field: "name" });
  const taken = { ...office, email: "judit@skerry.example" };
  expect(await addSchool({ ...school, office: taken })).toMatchObject({ ok: false, field: "office.email" });
  expect(await addSchool({ ...school, zone: "Atlantis/City" })).toMatchObject({ ok: false });
  expect(await names()).toEqual(["Here", "There"]);
});

test("a school without an office is given one by the district, and only then", async () => {
  const given = { toSchool: world.there, office };
  expect(await giveOffice(given)).toMatchObject({ ok: false, code: "notThere" });
  await letKeepDistrict(db, world.teodor);
  expect(value(await giveOffice(given))).toMatchObject({ name: "There", to: "Marit Storm" });
  expect((await schoolsOfDistrict(db, world.district)).find(({ id }) => id === world.there)!.office).toEqual([
    "Marit Storm",
  ]);
  const another = { ...office, email: "runa@skerry.example" };
  expect(await giveOffice({ toSchool: world.there, office: another })).toMatchObject({
    ok: false,
    problem: "There has an office: Marit Storm. Nothing was changed.",
  });
  const [{ school: elsewhere } = { school: 0 }] = await db.query<{ school: number }>(
    "select school_id school from person where id = $1",
    [world.stranger],
  );
  expect(await giveOffice({ toSchool: elsewhere, office: another })).toMatchObject({ ok: false });
});
