import type { Db } from "@/data/engine/db";
import { one } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { undoPlan } from "../plan/plan-actions";
import { describePartner } from "../share/set-actions";
import { partnerPage } from "./partner";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
let partner: number;
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const judit = () =>
  visitorOf({ id: world.judit, district: world.district, school: world.there }, { roles: ["curator"] });
const stranger = () =>
  visitorOf({ id: world.stranger, district: world.otherDistrict, school: null }, { roles: ["curator"] });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  ({ id: partner } = await one<{ id: number }>(
    db,
    `insert into person (district_id, kind, given_name, family_name, email, active, partner)
     values ($1, 'adult', 'Shore', 'Lab', 'lab@partners.example', false, true) returning id`,
    [world.district],
  ));
  for (const [title, shelf] of [
    ["Limpets", "district"],
    ["Whelks", "commons"],
    ["Hidden", null],
  ] as const)
    await publishFor(db, partner, lesson(title), shelf ? [shelf] : []);
}, 60_000);
afterAll(() => db.close());

test("a partner's page has what this reader may see, and is not there for a person or for nobody", async () => {
  const here = (await partnerPage(db, ines(), partner))!;
  expect(here.partner).toMatchObject({ name: "Shore Lab", things: 2, following: false });
  expect(here.newest.map(({ facts }) => facts.title).sort()).toEqual(["Limpets", "Whelks"]);
  expect(here.subjects).toEqual([{ subject: "science", things: 2 }]);
  expect((await partnerPage(db, stranger(), partner))!.newest.map(({ facts }) => facts.title)).toEqual(["Whelks"]);
  expect(await partnerPage(db, ines(), world.teodor)).toBeNull();
  expect(await partnerPage(db, ines(), 999_999)).toBeNull();
});

test("curators of its district say who it is, and can undo that; nobody else can", async () => {
  actAs(judit());
  const first = value(await describePartner({ partner, about: "A field station." }));
  expect((await partnerPage(db, ines(), partner))!.partner.about).toBe("A field station.");
  value(await describePartner({ partner, about: "On the west shore." }));
  expect((await undoPlan({ event: first.event })).ok).toBe(false);
  const nobody = await describePartner({ partner: 999_999, about: "" });
  expect(await describePartner({ partner: world.ines, about: "A person" })).toEqual(nobody);
  actAs(stranger());
  expect(await describePartner({ partner, about: "Ours now" })).toEqual(nobody);
  actAs(ines());
  expect((await describePartner({ partner, about: "Mine" })).ok).toBe(false);
  expect((await partnerPage(db, ines(), partner))!.partner.about).toBe("On the west shore.");
});
