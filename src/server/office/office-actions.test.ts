import { addDays, mondayOf, schoolClock } from "@/core/calendar/school-calendar";
import { assignmentById } from "@/data/assign/assignments";
import { calendarOf, meetingRulesOf } from "@/data/plan/calendar";
import { classById, studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { rowsThatDiffer, schoolRows } from "@/data/office/school-rows";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { columnOf } from "../plan/reflow";
import { actAs, answerFrom, visitorOf, value } from "../testing/as";
import {
  archiveClass,
  keepDaysOff,
  keepHomeroom,
  keepMeetings,
  keepName,
  keepTeacher,
  keepTerms,
  keepWeek,
  loseSchoolDay,
  takeDayBack,
} from "./office-actions";
import { undoPlan } from "../plan/plan-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

let db: Db;
let world: World;
const now = new Date();
const monday = addDays(mondayOf(schoolClock(now, "Europe/London").date), 7);
const day = (n: number) => addDays(monday, n);
const office = () =>
  visitorOf({ id: world.teodor, district: world.district, school: world.here }, { roles: ["office"] });
const week = {
  weekdays: [1, 2, 3, 4, 5],
  cycle: ["A", "B"],
  bells: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, period: 1, starts: "09:00", ends: "09:45" })),
};
const rule = { label: "Maths", period: 1, weekday: null, cycleDay: null };

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => void actAs(office()));

test("terms, the week, bells and meetings are kept, and lessons follow from them", async () => {
  value(await keepTerms({ terms: [{ name: "Tides", from: day(-30), to: day(60) }] }));
  value(await keepWeek(week));
  value(await keepMeetings({ meetingsOf: world.class, rules: [rule] }));
  const { meetings } = await columnOf(db, world.class, "Maths", monday);
  expect(meetings.slice(0, 5).map(({ date }) => date)).toEqual([0, 1, 2, 3, 4].map(day));
  expect((await calendarOf(db, world.here)).cycle).toEqual(["A", "B"]);
});

describe("undone, it is as it was", () => {
  test.each([
    ["terms", () => keepTerms({ terms: [{ name: "Short", from: day(0), to: day(3) }] })],
    ["the week", () => keepWeek({ ...week, weekdays: [1, 2], bells: week.bells.slice(0, 2) })],
    ["a day off", () => keepDaysOff({ days: [{ date: day(2), name: "Fog", kind: "off", until: null }] })],
    ["when a class meets", () => keepMeetings({ meetingsOf: world.class, rules: [{ ...rule, label: "Reading" }] })],
    ["a homeroom", () => keepHomeroom({ ofClass: world.class, homeroom: true })],
    ["a name", () => keepName({ ofStudent: world.students[0]!, givenName: "Other", familyName: "Name" })],
    ["a class put away", () => archiveClass({ ofClass: world.class, archived: true })],
    [
      "who teaches",
      () => keepTeacher({ ofClass: world.class, role: "cover", teacher: world.teodor, from: day(0), to: day(4) }),
    ],
  ] as const)("%s", async (_, change) => {
    const was = await schoolRows(db, world.here);
    const { event } = value(await change());
    expect(rowsThatDiffer(was, await schoolRows(db, world.here))).not.toEqual([]);
    value(await undoPlan({ event }));
    expect(rowsThatDiffer(was, await schoolRows(db, world.here))).toEqual([]);
    expect(await undoPlan({ event })).toMatchObject({ ok: false });
  });

  test("but not over what was changed since, and not by anybody else", async () => {
    const { event } = value(await keepHomeroom({ ofClass: world.class, homeroom: true }));
    actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }, { roles: ["office"] }));
    expect(await undoPlan({ event })).toMatchObject({ ok: false });
    actAs(office());
    const later = value(await keepHomeroom({ ofClass: world.class, homeroom: false }));
    expect(await undoPlan({ event })).toMatchObject({ ok: false, problem: expect.stringContaining("changed since") });
    value(await undoPlan({ event: later.event }));
    value(await undoPlan({ event }));
  });
});

test.each([
  [
    "terms that overlap",
    () =>
      keepTerms({
        terms: [
          { name: "A", from: day(0), to: day(9) },
          { name: "B", from: day(5), to: day(20) },
        ],
      }),
  ],
  ["a term that ends before it begins", () => keepTerms({ terms: [{ name: "A", from: day(9), to: day(0) }] })],
  [
    "lessons that overlap",
    () => keepWeek({ ...week, bells: [...week.bells, { weekday: 1, period: 2, starts: "09:30", ends: "10:00" }] }),
  ],
  [
    "a lesson without minutes",
    () => keepWeek({ ...week, bells: [{ weekday: 1, period: 1, starts: "09:00", ends: "09:00" }] }),
  ],
  [
    "a time that is none",
    () => keepWeek({ ...week, bells: [{ weekday: 1, period: 1, starts: "9 am", ends: "10 am" }] }),
  ],
  ["two days of the cycle with one name", () => keepWeek({ ...week, cycle: ["A", "A"] })],
  [
    "a half day without an end",
    () => keepDaysOff({ days: [{ date: day(1), name: "Market", kind: "half", until: null }] }),
  ],
  ["a class of another school", () => keepMeetings({ meetingsOf: 999_999, rules: [rule] })],
])("%s are refused, and nothing is changed", async (_name, change) => {
  const before = [await calendarOf(db, world.here), await meetingRulesOf(db, [world.class])];
  expect((await change()).ok).toBe(false);
  expect([await calendarOf(db, world.here), await meetingRulesOf(db, [world.class])]).toEqual(before);
});

test("a storm takes the school's day: every class's work moves on, and one undo brings all back", async () => {
  const tides = await publishFor(db, world.ines, lesson("Tides"));
  const { meetings } = await columnOf(db, world.class, "Maths", monday);
  const ids: number[] = [];
  for (const meeting of meetings.slice(0, 3)) ids.push(await giveInLesson(db, world, tides, meeting));
  const dates = async () => Promise.all(ids.map(async (one) => (await assignmentById(db, one))!.meeting!.date));
  value(await keepDaysOff({ days: [{ date: day(1), name: "Market", kind: "half", until: "12:00" }] }));
  const { event, moved } = value(await loseSchoolDay({ date: day(1), name: "Storm" }));
  expect(moved).toBe(2);
  expect(await dates()).toEqual([day(0), day(2), day(3)]);
  expect((await calendarOf(db, world.here)).daysOff).toMatchObject([{ date: day(1), name: "Storm", kind: "lost" }]);
  value(await undoPlan({ event }));
  expect(await dates()).toEqual([day(0), day(1), day(2)]);
  expect((await calendarOf(db, world.here)).daysOff).toMatchObject([{ name: "Market", kind: "half", until: "12:00" }]);
  value(await takeDayBack({ date: day(1) }));
  expect((await calendarOf(db, world.here)).daysOff).toEqual([]);
});

test("a name is written right by the office, and what the child signs in with stays", async () => {
  const [, bo] = world.students;
  const nameOf = async () => (await studentsOf(db, world.class)).find(({ id }) => id === bo)!;
  const before = await nameOf();
  value(await keepName({ ofStudent: bo!, givenName: "Bo ", familyName: "Tideman-Ness" }));
  expect(await nameOf()).toMatchObject({ givenName: "Bo", familyName: "Tideman-Ness", signInName: before.signInName });
  expect(await keepName({ ofStudent: bo!, givenName: " ", familyName: "x" })).toMatchObject({ ok: false });
  expect(await keepName({ ofStudent: world.ines, givenName: "A", familyName: "B" })).toMatchObject({ ok: false });
  value(await keepHomeroom({ ofClass: world.class, homeroom: true }));
  expect((await classById(db, world.class))!.homeroom).toBe(true);
  actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }));
  expect((await keepName({ ofStudent: bo!, givenName: "A", familyName: "B" })).ok).toBe(false);
});

test("a teacher keeps no calendar of a school", async () => {
  actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }));
  expect((await keepWeek(week)).ok).toBe(false);
  expect((await loseSchoolDay({ date: day(2), name: "Storm" })).ok).toBe(false);
});
