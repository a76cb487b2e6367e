import ICAL from "ical.js";
import { addDays, mondayOf } from "@/core/calendar/school-calendar";
import { addClassDaysOff, addDaysOff } from "@/data/plan/calendar";
import { classesOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, publishFor, smallCalendar, smallWorld, type World } from "@/data/testing/world";
import { classCalendar } from "../classes/class-calendar";
import { columnOf } from "./reflow";
import { visitorOf } from "../testing/as";
import { weekStrip } from "./week-strip";

let db: Db;
let world: World;
const zone = "Europe/London";
const monday = mondayOf("2026-11-30");
const day = (n: number) => addDays(monday, n);
const now = new Date(`${monday}T11:00:00Z`);

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  await smallCalendar(db, world, monday);
  await addDaysOff(db, world.here, [{ date: day(2), name: "Boat day", kind: "off", until: null }]);
  await addClassDaysOff(db, [world.class], day(3), "Trip");
  const tides = await publishFor(db, world.ines, lesson("Tides", { minutes: 30 }));
  const { meetings } = await columnOf(db, world.class, "Maths", monday);
  for (const [date, due] of [
    [day(1), null],
    [day(4), `${day(8)}T15:00:00Z`],
  ] as const) {
    const meeting = meetings.find((one) => one.date === date)!;
    await giveInLesson(db, world, tides, meeting, due ? { due: new Date(due) } : {});
  }
}, 60_000);
afterAll(() => db.close());

test("the strip shows the next days with their lessons, what is planned, and why there are none", async () => {
  const visitor = visitorOf({ id: world.ines, district: world.district, school: world.here }, { zone });
  const [group] = await classesOf(db, world.ines, now);
  const days = await weekStrip(db, visitor, group!, now);
  expect(
    days.map(({ date, off, meetings }) => [date, off, meetings.map(({ time, label }) => `${time} ${label}`)]),
  ).toEqual([
    // What is over today is left out.
    [day(0), null, ["13:00 Reading"]],
    [day(1), null, ["9:00 Maths", "13:00 Reading"]],
    [day(2), "Boat day", []],
    [day(3), "Trip", []],
    [day(4), null, ["9:00 Maths", "13:00 Reading"]],
    [day(7), null, ["9:00 Maths", "13:00 Reading"]],
    [day(8), null, ["9:00 Maths", "13:00 Reading"]],
    [day(9), null, ["9:00 Maths", "13:00 Reading"]],
  ]);
  expect(days[1]!.meetings[0]).toMatchObject({ title: "Tides", planned: 30, minutes: 45 });
  expect(days[0]!.today).toBe(true);
});

test("the calendar of the class has each piece in its lesson, and when it is due where that is another day", async () => {
  const text = await classCalendar(db, world.class, "https://satchel.example", now);
  const events = new ICAL.Component(ICAL.parse(text) as never)
    .getAllSubcomponents("vevent")
    .map((one) => new ICAL.Event(one))
    .map((event) => [event.summary, event.startDate.toJSDate().toISOString(), event.duration.toSeconds() / 60]);
  expect(events).toEqual([
    ["Tides", `${day(1)}T09:00:00.000Z`, 45],
    ["Tides", `${day(4)}T09:00:00.000Z`, 45],
    ["Due: Tides", `${day(8)}T15:00:00.000Z`, 0],
  ]);
  expect(text).toContain("https://satchel.example/student/");
  expect(text).not.toContain("aisha");
});
