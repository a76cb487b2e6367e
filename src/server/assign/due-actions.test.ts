import { addDays, mondayOf, momentAt, schoolClock, schoolDaysLater } from "@/core/calendar/school-calendar";
import { assignmentById } from "@/data/assign/assignments";
import { recipientsOf } from "@/data/assign/recipients";
import { classesOf } from "@/data/classes/classes";
import { calendarOf } from "@/data/plan/calendar";
import { lesson, publishFor, smallCalendar } from "@/data/testing/world";
import { ownAssignment } from "@/data/student/work";
import { actAs, value, visitorOf } from "../testing/as";
import { db, formFor, openSchool, world } from "../testing/child-at-work";
import { changeRules, changeForStudent } from "./afterwards-actions";
import { assignResources } from "./assign-actions";
import { changeDue, lookAtCrowded, lookAtDue, moveDue } from "./due-actions";
import { planOf } from "../plan/plan";
import { undoPlan } from "../plan/plan-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ cookies: () => Promise.resolve({ get: () => undefined }) }));

const zone = "Europe/London";
const today = schoolClock(new Date(), zone).date;
const teacher = () => visitorOf({ id: world.ines, district: world.district, school: world.here }, { zone });
/** The date this many school days from today. */
let later: (days: number) => string;
beforeAll(async () => {
  await openSchool();
  await smallCalendar(db, world, today, [""]);
  const calendar = await calendarOf(db, world.here);
  later = (days) => schoolDaysLater(calendar, today, days)!;
}, 60_000);
afterAll(() => db.close());
beforeEach(async () => {
  await db.query("delete from assignment");
  actAs(teacher());
});

async function due(title: string, date: string, students = world.students): Promise<number> {
  const { id } = await publishFor(db, world.ines, lesson(title));
  const form = { ...formFor(id, students), due: { kind: "at" as const, at: `${date}T15:00` } };
  return value(await assignResources(form)).assignments[0]!;
}
const dueDate = async (id: number) => schoolClock((await assignmentById(db, id))!.due, zone);

test("a crowded day names the children with what they have, and each thing the nearest day free for all who have it", async () => {
  const [aisha, bo] = world.students;
  const day = later(5);
  const tides = await due("Tides", day);
  await due("Ferries", day);
  await due("Kelp", day, [aisha!]);
  // The day after is full for Bo, who has no kelp.
  await due("Ropes", later(6), [bo!]);
  await due("Knots", later(6), [bo!]);
  const { children, works } = value(await lookAtCrowded({ date: day }));
  expect(children).toHaveLength(1);
  expect(children[0]!.things).toEqual(["Tides", "Ferries", "Kelp"]);
  const to = Object.fromEntries(works.map((work) => [work.title, work.to]));
  expect(to.Kelp).toBe(later(6));
  expect([later(4), later(7)]).toContain(to.Tides);

  const { event } = value(await moveDue({ assignment: tides, date: to.Tides! }));
  expect(await dueDate(tides)).toEqual({ date: to.Tides, time: "15:00" });
  expect(value(await lookAtCrowded({ date: day })).children).toEqual([]);
  value(await undoPlan({ event }));
  expect((await dueDate(tides)).date).toBe(day);
});

test("the plan points out a crowded day until it is over: then there is nothing left to move", async () => {
  const day = later(5);
  for (const title of ["Tides", "Ferries", "Kelp"]) await due(title, day);
  const pointedOut = async (on: string) => {
    const classes = await classesOf(db, world.ines, new Date());
    const plan = await planOf(db, teacher(), classes, mondayOf(day), 1, momentAt(on, "12:00", zone));
    return plan.crowded.map(({ date }) => date);
  };
  expect(await pointedOut(today)).toEqual([day]);
  expect(await pointedOut(day)).toEqual([day]);
  expect(await pointedOut(addDays(day, 1))).toEqual([]);
});

test("who has more time and a day of her own is named with it, and it is moved for her alone", async () => {
  const [aisha] = world.students;
  const day = later(5);
  const early = await due("Tides", later(3));
  await due("Ferries", day, [aisha!]);
  await due("Kelp", day, [aisha!]);
  const [hers] = await recipientsOf(db, early);
  const work = { assignment: early, student: aisha!, resource: hers!.resource, factor: 1 };
  value(await changeForStudent({ ...work, due: `${day}T15:00` }));
  const { children, alone } = value(await lookAtCrowded({ date: day }));
  expect(children.map(({ things }) => things)).toEqual([["Tides", "Ferries", "Kelp"]]);
  expect(alone).toMatchObject([{ assignment: early, student: aisha, title: "Tides" }]);
  value(await changeForStudent({ ...work, due: alone[0]!.due! }));
  expect(value(await lookAtCrowded({ date: day })).children).toEqual([]);
  expect((await dueDate(early)).date).toBe(later(3));
});

test("nothing is moved into the past, before it opens, or by somebody else", async () => {
  const tides = await due("Tides", later(5));
  expect(await moveDue({ assignment: tides, date: "2020-01-06" })).toMatchObject({ ok: false });
  actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }, { zone }));
  expect(await moveDue({ assignment: tides, date: later(6) })).toMatchObject({ ok: false });
  expect(value(await lookAtCrowded({ date: later(5) })).works).toEqual([]);
  expect((await dueDate(tides)).date).toBe(later(5));
});

test("several are due at one moment, all or none, closing no earlier; more time stays more; one undo", async () => {
  await db.query("update person set time_factor = 2 where id = $1", [world.students[2]]);
  const ids = [await due("Tides", later(2)), await due("Ferries", later(3))];
  await db.query("update assignment set closes = due where id = $1", [ids[0]]);
  const wanted = `${later(8)}T14:00`;
  const { event } = value(await changeDue({ assignments: ids, due: wanted }));
  const at = momentAt(later(8), "14:00", zone);
  for (const id of ids) expect((await assignmentById(db, id))!.due).toEqual(at);
  expect((await assignmentById(db, ids[0]!))!.closes).toEqual(at);
  expect((await ownAssignment(db, world.students[2]!, ids[0]!, null))!.due > at).toBe(true);
  value(await undoPlan({ event }));
  expect([(await dueDate(ids[0]!)).date, (await dueDate(ids[1]!)).date]).toEqual([later(2), later(3)]);
  await db.query("update assignment set opens = $2, due = $3 where id = $1", [
    ids[1],
    momentAt(later(9), "08:00", zone),
    momentAt(later(10), "08:00", zone),
  ]);
  expect(await changeDue({ assignments: ids, due: wanted })).toMatchObject({ ok: false, field: "due" });
  expect((await dueDate(ids[0]!)).date).toBe(later(2));
  await db.query("update person set time_factor = 1 where id = $1", [world.students[2]]);
});

test("one due moment for several goes through the last look, each remark once", async () => {
  const ids = [await due("Tides", later(2)), await due("Ferries", later(3))];
  const late = { assignments: ids, due: `${later(8)}T22:00` };
  const { remarks } = value(await lookAtDue(late));
  expect(remarks.filter((text) => text.includes("10 in the evening, not in the morning"))).toHaveLength(1);
  expect((await dueDate(ids[0]!)).date).toBe(later(2));
  expect(value(await lookAtDue({ assignments: ids, due: `${later(8)}T14:00` })).remarks).toEqual([]);
});

test("a goal is added to several and another taken out, and each keeps the rest", async () => {
  const ids = [await due("Tides", later(2)), await due("Ferries", later(3))];
  value(await changeRules({ assignments: [ids[0]!], rules: { goals: ["charts", "old"] } }));
  value(await changeRules({ assignments: ids, rules: {}, addGoals: ["median"], removeGoals: ["old"] }));
  expect((await assignmentById(db, ids[0]!))!.goals).toEqual(["charts", "median"]);
  expect((await assignmentById(db, ids[1]!))!.goals).toEqual(["median"]);
});
