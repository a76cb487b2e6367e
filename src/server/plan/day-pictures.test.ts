import { addDays, mondayOf, schoolClock } from "@/core/calendar/school-calendar";
import { classesOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, publishFor, smallCalendar, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { dayInPictures } from "./day-pictures";
import { meetingsOf } from "./plan";
import { keepDayPictures } from "./picture-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

let db: Db;
let world: World;
const zone = "Europe/London";
const now = new Date();
const monday = addDays(mondayOf(schoolClock(now, zone).date), 7);
const teacher = () => visitorOf({ id: world.ines, district: world.district, school: world.here }, { zone });
const dayOf = async (day = monday) => {
  const [group] = await classesOf(db, world.ines, now);
  return dayInPictures(db, teacher(), group!, day);
};

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  await smallCalendar(db, world, monday);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(teacher()));

test("the day of a class is proposed from its lessons and what is planned in them; a day without lessons is empty", async () => {
  const resource = await publishFor(db, world.ines, lesson("Counting puffins", { subjects: ["mathematics"] }));
  const [group] = await classesOf(db, world.ines, now);
  const { meetings } = await meetingsOf(db, teacher(), [group!], monday, monday);
  await giveInLesson(db, world, resource, meetings[0]!);
  const { kept, proposed } = await dayOf();
  expect(kept).toBeNull();
  expect(proposed[0]).toMatchObject({ picture: "arrive" });
  expect(proposed.at(-1)).toMatchObject({ picture: "home" });
  expect(proposed.map(({ text }) => text).join()).toContain("Counting puffins");
  expect((await dayOf(addDays(monday, 5))).proposed).toEqual([]);
});

test("what she keeps is there the next time, for this class and this day alone", async () => {
  const parts = [{ id: "a", picture: "swimming" as const, text: "To the pool", time: "9:40" }];
  value(await keepDayPictures({ class: world.class, day: monday, parts }));
  expect((await dayOf()).kept).toEqual(parts);
  expect((await dayOf(addDays(monday, 1))).kept).toBeNull();
  value(await keepDayPictures({ class: world.class, day: monday, parts: [] }));
  expect((await dayOf()).kept).toEqual([]);
});

test("not for a class that is not hers, not with a picture nobody knows, not more than a day has room for", async () => {
  const part = { id: "a", picture: "reading" as const, text: "", time: "" };
  const many = Array.from({ length: 21 }, (_, at) => ({ ...part, id: `p${at}` }));
  expect(await keepDayPictures({ class: world.class, day: monday, parts: many })).toMatchObject({ ok: false });
  const unknown = [{ ...part, picture: "dragon" as never }];
  expect(await keepDayPictures({ class: world.class, day: monday, parts: unknown })).toMatchObject({ ok: false });
  actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
  expect(await keepDayPictures({ class: world.class, day: monday, parts: [part] })).toMatchObject({ ok: false });
});
