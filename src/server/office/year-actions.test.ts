import { bellsFrom } from "@/core/calendar/new-year";
import { calendarOf } from "@/data/plan/calendar";
import type { Db } from "@/data/engine/db";
import { schoolRows } from "@/data/office/school-rows";
import { freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { undoPlan } from "../plan/plan-actions";
import { keepDaysOff, keepTerms } from "./office-actions";
import { keepYear } from "./year-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

let db: Db;
let world: World;
const weekdays = [1, 2, 3, 4, 5];
const bells = bellsFrom({ begins: "08:50", lessons: 5, minutes: 45, between: 5, breaks: [] }, weekdays);
const terms = [
  { name: "First semester", from: "2026-08-31", to: "2027-01-22" },
  { name: "Second semester", from: "2027-02-01", to: "2027-06-25" },
];
const boatDay = { date: "2026-10-02", name: "Boat day" };

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
const office = (roles: string[] = ["office"]) =>
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }, { roles: roles as ["office"] }));
beforeEach(() => void office());

test("a year is kept as a whole, beside the terms before it, and undone as a whole", async () => {
  value(await keepTerms({ terms: [{ name: "Summer", from: "2026-04-13", to: "2026-07-10" }] }));
  value(await keepDaysOff({ days: [{ date: "2026-05-04", name: "Fog", kind: "off", until: null }] }));
  const was = await schoolRows(db, world.here);
  const { event } = value(await keepYear({ terms, week: { weekdays, bells }, daysOff: [boatDay] }));
  const calendar = await calendarOf(db, world.here);
  expect(calendar.terms.map(({ name }) => name)).toEqual(["Summer", "First semester", "Second semester"]);
  expect(calendar.bells).toHaveLength(25);
  expect(calendar.daysOff.map(({ name }) => name).sort()).toEqual(["Boat day", "Fog"]);
  value(await undoPlan({ event }));
  expect(await schoolRows(db, world.here)).toEqual(was);
});

test("the week stays as it is where that is said", async () => {
  value(await keepYear({ terms, week: { weekdays, bells }, daysOff: [] }));
  value(
    await keepYear({ terms: [{ name: "Other year", from: "2027-08-30", to: "2028-06-23" }], week: null, daysOff: [] }),
  );
  const calendar = await calendarOf(db, world.here);
  expect(calendar.bells).toHaveLength(25);
  expect(calendar.terms.map(({ name }) => name)).toContain("Other year");
});

test.each([
  [
    "terms that overlap",
    { terms: [terms[0]!, { ...terms[1]!, from: "2027-01-04" }], week: null, daysOff: [] },
    "overlap",
  ],
  ["no term", { terms: [], week: null, daysOff: [] }, "at least one term"],
  ["no school day", { terms, week: { weekdays: [], bells: [] }, daysOff: [] }, "at least one school day"],
  [
    "lessons that overlap",
    { terms, week: { weekdays, bells: [bells[0]!, { ...bells[0]!, period: 2 }] }, daysOff: [] },
    "before lesson 1 ends",
  ],
  ["a day off without a name", { terms, week: null, daysOff: [{ ...boatDay, name: " " }] }, "Give it a name"],
  ["a day that is none", { terms, week: null, daysOff: [{ ...boatDay, date: "2026-02-30" }] }, ""],
] as const)("%s: refused, and nothing changed", async (_, input, said) => {
  const was = await schoolRows(db, world.here);
  expect(await keepYear(structuredClone(input) as never)).toMatchObject({
    ok: false,
    problem: expect.stringContaining(said),
  });
  expect(await schoolRows(db, world.here)).toEqual(was);
});

test("only the office sets up a year", async () => {
  office(["teacher"]);
  expect(await keepYear({ terms, week: null, daysOff: [] })).toMatchObject({ ok: false });
});
