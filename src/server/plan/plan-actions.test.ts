import { plainSharing } from "@/core/review/sharing";
import { addDays, mondayOf, schoolClock } from "@/core/calendar/school-calendar";
import type { StepWork } from "@/core/resource/work";
import { assignmentById, assignmentsOf } from "@/data/assign/assignments";
import { recipientsOf } from "@/data/assign/recipients";
import { calendarOf } from "@/data/plan/calendar";
import { classesOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { addResource } from "@/data/adapt/resources";
import { addPocket, putIntoPocket } from "@/data/satchel/pockets";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, publishFor, smallCalendar, smallWorld, type World } from "@/data/testing/world";
import { openAttempt, ownAssignment } from "@/data/student/work";
import { lookAtMoved } from "../assign/look-again";
import { planOf } from "./plan";
import { columnOf } from "./reflow";
import { actAs, answerFrom, visitorOf, value } from "../testing/as";
import { layOut, layOutChoices, loseDay, moveAllFrom, moveWork, splitWork, undoPlan } from "./plan-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

let db: Db;
let world: World;
const zone = "Europe/London";
const now = new Date();
// A fortnight in which every weekday is still to come.
const monday = addDays(mondayOf(schoolClock(now, zone).date), 7);
const day = (n: number) => addDays(monday, n);
const teacher = () => visitorOf({ id: world.ines, district: world.district, school: world.here }, { zone });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  await smallCalendar(db, world, monday);
}, 60_000);
afterAll(() => db.close());
beforeEach(async () => {
  actAs(teacher());
  await db.query("delete from assignment");
  await db.query("delete from class_day_off");
  await db.query("delete from class_teacher where person_id = $1", [world.teodor]);
});

async function planned(
  title: string,
  date: string,
  more: { minutes?: number; steps?: number; stepWork?: StepWork } = {},
): Promise<number> {
  const document = lesson(title, { minutes: more.minutes ?? 30 });
  const [step] = document.steps;
  if (more.steps)
    document.steps = Array.from({ length: more.steps }, (_, at) => ({
      ...step!,
      id: `${title}-${at}`,
      minutes: (more.minutes ?? 30) / more.steps!,
      blocks: [],
    }));
  const { meetings } = await columnOf(db, world.class, "Maths", date);
  const meeting = meetings.find((one) => one.date === date)!;
  const { stepWork = null, minutes = 30 } = more;
  return giveInLesson(db, world, await publishFor(db, world.ines, document), meeting, { made: now, minutes, stepWork });
}
const dateOf = async (id: number) => (await assignmentById(db, id))!.meeting!.date;
const opensAt = async (id: number) => schoolClock((await assignmentById(db, id))!.opens, zone);

test("one piece of work is moved to another lesson, opens and is due with it, and undoing brings it back", async () => {
  const id = await planned("Tides", day(0));
  const { event } = value(await moveWork({ assignment: id, date: day(1), period: 2 }));
  expect(await opensAt(id)).toEqual({ date: day(1), time: "13:00" });
  expect((await assignmentById(db, id))!.due.getTime() - (await assignmentById(db, id))!.opens.getTime()).toBe(
    3_600_000,
  );
  value(await undoPlan({ event }));
  expect(await opensAt(id)).toEqual({ date: day(0), time: "09:00" });
  expect(await undoPlan({ event })).toMatchObject({ ok: false, problem: expect.stringContaining("already") as string });
  expect(await moveWork({ assignment: id, date: day(5), period: 1 })).toMatchObject({ ok: false });
});

test("a move goes through the last look: to a day that is over it is refused, to a full lesson it is said", async () => {
  const id = await planned("Tides", day(0));
  const work = (await assignmentById(db, id))!;
  const past = new Date(now.getTime() - 86_400_000);
  const times = { opens: new Date(past.getTime() - 3_600_000), due: past, closes: null, meeting: null };
  await expect(lookAtMoved(db, teacher(), work, world.students, times, now)).rejects.toThrow(
    /already past.*Nothing was changed/,
  );
  const long = (await assignmentById(db, await planned("Long", day(1), { minutes: 55 })))!.meeting!;
  expect(value(await moveWork({ assignment: id, ...long })).remarks.join()).toMatch(
    /55 minutes planned in that lesson already: 85 of 45/,
  );
  // An hour of work on that day that is tied to no lesson is done in one all the same.
  await db.query("update assignment set meeting_date = null, meeting_period = null where id <> $1", [id]);
  const hours = {
    opens: new Date(`${day(1)}T09:00:00Z`),
    due: new Date(`${day(1)}T10:00:00Z`),
    closes: null,
    meeting: null,
  };
  const found = await lookAtMoved(db, teacher(), work, world.students, hours, now);
  expect(found.map(({ text }) => text).join()).toMatch(/minutes planned on that day already/);
});

test("a storm takes a day: a fortnight moves on, the weekend is stepped over, and one undo brings all of it back", async () => {
  const days = [0, 1, 2, 3, 4, 7, 8, 9, 10, 11].map(day);
  const ids: number[] = [];
  for (const [at, date] of days.entries()) ids.push(await planned(`Lesson ${at}`, date));
  const { event, moved } = value(await loseDay({ classes: [world.class], date: day(1), name: "Storm", move: true }));
  expect(moved).toBe(9);
  expect(await Promise.all(ids.map(dateOf))).toEqual([0, 2, 3, 4, 7, 8, 9, 10, 11, 14].map(day));
  expect((await calendarOf(db, world.here)).classDaysOff).toEqual([
    { class: world.class, date: day(1), name: "Storm" },
  ]);
  value(await undoPlan({ event }));
  expect(await Promise.all(ids.map(dateOf))).toEqual(days);
  expect((await calendarOf(db, world.here)).classDaysOff).toEqual([]);
});

test("what was given before and is due on the lost day is due at the same hour of the next day with school", async () => {
  const id = await planned("Tides", day(0));
  await db.query("update assignment set due = $2, closes = $2 where id = $1", [id, new Date(`${day(4)}T15:00:00Z`)]);
  const due = async () => (await assignmentById(db, id))!;
  const before = await due();
  const { event } = value(await loseDay({ classes: [world.class], date: day(4), name: "Storm", move: true }));
  const { date } = schoolClock((await due()).due, zone);
  expect([date, await dateOf(id)]).toEqual([day(7), day(0)]);
  expect((await due()).closes).toEqual((await due()).due);
  value(await undoPlan({ event }));
  expect((await due()).due).toEqual(before.due);
});

test("a lost day is not taken back by somebody whose cover has ended since", async () => {
  const today = schoolClock(new Date(), zone).date;
  await db.query(
    `insert into class_teacher (class_id, person_id, role, from_date, to_date) values ($1, $2, 'cover', $3::date, $3::date + 30)
     on conflict (class_id, person_id) do update set to_date = excluded.to_date`,
    [world.class, world.teodor, today],
  );
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  const { event } = value(await loseDay({ classes: [world.class], date: day(2), name: "Fair", move: false }));
  await db.query("update class_teacher set from_date = $2::date - 9, to_date = $2::date - 1 where person_id = $1", [
    world.teodor,
    today,
  ]);
  expect(await undoPlan({ event })).toMatchObject({ ok: false });
  expect((await calendarOf(db, world.here)).classDaysOff).toHaveLength(1);
  actAs(teacher());
  await db.query("delete from class_day_off");
});

test("what somebody has changed since is not undone over", async () => {
  const id = await planned("Tides", day(0));
  const { event } = value(await moveWork({ assignment: id, date: day(1), period: 1 }));
  value(await moveWork({ assignment: id, date: day(3), period: 1 }));
  expect(await undoPlan({ event })).toMatchObject({
    ok: false,
    code: "someChanged",
  });
  expect(await dateOf(id)).toBe(day(3));
});

test("everything from here by one lesson, on and back", async () => {
  const ids = [await planned("A", day(0)), await planned("B", day(1)), await planned("C", day(2))];
  const from = { class: world.class, label: "Maths", period: 1 };
  expect(value(await moveAllFrom({ ...from, date: day(1), by: 1 })).moved).toBe(2);
  expect(await Promise.all(ids.map(dateOf))).toEqual([day(0), day(2), day(3)]);
  value(await moveAllFrom({ ...from, date: day(2), by: -1 }));
  expect(await Promise.all(ids.map(dateOf))).toEqual([day(0), day(1), day(2)]);
  expect(await moveAllFrom({ ...from, date: day(9), by: 1 })).toMatchObject({ ok: false });
});

test("of split work every part has the days, the order and the times students have for the whole", async () => {
  const id = await planned("Long", day(0), { minutes: 60, steps: 3 });
  const [aisha, bo] = world.students as [number, number];
  await db.query("update recipient set time_factor = 1.5 where assignment_id = $1 and student_id = $2", [id, aisha]);
  await db.query(
    "update recipient set own_due = (select due + interval '1 day' from assignment where id = $1) where assignment_id = $1 and student_id = $2",
    [id, bo],
  );
  await db.query("update assignment set closes = due, open_days = $2::date[] where id = $1", [id, [day(0), day(1)]]);
  const next = await planned("After it", day(3));
  await db.query("update assignment set after_id = $2 where id = $1", [next, id]);
  const { event } = value(await splitWork({ assignment: id }));
  const rows = await db.query<Record<string, unknown>>(
    `select a.id, a.due, a.closes, a.open_days days, a.after_id after,
            (select own_due from recipient r where r.assignment_id = a.id and student_id = $2) aisha,
            (select own_closes from recipient r where r.assignment_id = a.id and student_id = $2) "aishaCloses",
            (select extract(epoch from own_due - a.due)::int from recipient r where r.assignment_id = a.id and student_id = $3) bo
       from assignment a where a.part is not null and a.id >= $1 order by a.id`,
    [id, aisha, bo],
  );
  expect(rows).toHaveLength(2);
  for (const row of rows) {
    expect(row.closes).toEqual(row.due);
    expect((row.aisha as Date) > (row.due as Date)).toBe(true);
    expect(row.aishaCloses).toEqual(row.aisha);
    expect(row.bo).toBe(24 * 3600);
  }
  const [first, second] = rows as [Record<string, unknown>, Record<string, unknown>];
  expect([first.days, second.days]).toEqual([[day(0)], [day(1)]]);
  expect(second.after).toBe(first.id);
  const waits = async () =>
    (await db.query<{ after: number }>("select after_id after from assignment where id = $1", [next]))[0]!.after;
  expect(await waits()).toBe(second.id);
  value(await undoPlan({ event }));
  expect(await waits()).toBe(id);
  const [whole] = await db.query<{ days: string[] }>("select open_days days from assignment where id = $1", [id]);
  expect(whole!.days).toEqual([day(0), day(1)]);
});

test("work longer than its lesson is split between its steps; put together again by undo, unless begun", async () => {
  const stepWork = { "Long-2": "pairs" } as const;
  const id = await planned("Long", day(0), { minutes: 60, steps: 3, stepWork });
  const { event, parts } = value(await splitWork({ assignment: id }));
  expect(parts).toBe(2);
  const board = await planOf(db, teacher(), await classesOf(db, world.ines, now), monday, 1, now);
  expect(board.work.map(({ title, part, minutes, meeting }) => [title, part, minutes, meeting!.date])).toEqual([
    ["Long", "1 of 2", 40, day(0)],
    ["Long", "2 of 2", 20, day(1)],
  ]);
  expect(await recipientsOf(db, board.work[1]!.id)).toHaveLength(3);
  // How its steps are done goes along with them.
  expect((await assignmentById(db, board.work[1]!.id))!.stepWork).toEqual(stepWork);
  value(await undoPlan({ event }));
  expect(await assignmentById(db, id)).toMatchObject({ part: null, minutes: 60 });
  const again = value(await splitWork({ assignment: id }));
  const assigned = (await ownAssignment(db, world.students[0]!, id, null))!;
  await openAttempt(db, assigned, now);
  expect(await undoPlan({ event: again.event })).toMatchObject({ ok: false });
});

test("a pocket is laid over the next lessons: looked at first, then given", async () => {
  const { id: pocket } = await addPocket(db, world.ines, "Tides");
  for (const minutes of [30, 10, 40])
    await putIntoPocket(
      db,
      pocket,
      [(await publishFor(db, world.ines, lesson(`P${minutes}`, { minutes }))).id],
      world.ines,
      now,
    );
  const draft = await addResource(db, { district: world.district, owner: world.ines, source: null, created: now });
  await putIntoPocket(db, pocket, [draft], world.ines, now);
  await db.query(
    "insert into resource_facts (resource_id, facts) select $1, jsonb_set(facts, '{title}', '\"Not yet\"') from resource_facts limit 1",
    [draft],
  );
  await planned("There already", day(1), { minutes: 20 });
  const form = { class: world.class, label: "Maths", pocket, date: day(0), period: 1 };
  const looked = value(await layOut({ ...form, give: false }));
  expect(looked.lessons.map(({ title, date }) => [title, date])).toEqual([
    ["P30", day(0)],
    ["P10", day(0)],
    ["P40", day(2)],
  ]);
  expect(looked).toMatchObject({ left: [], over: 0 });
  expect(looked.remarks).toContain("“Not yet” is left out: it is not published, or was taken off its shelf.");
  expect(looked.event).toBeUndefined();
  const given = value(await layOut({ ...form, give: true }));
  const laid = async () =>
    (await assignmentsOf(db, world.ines, [world.class], new Date()))
      .filter(({ title }) => /^P\d/.test(title))
      .sort((one, other) => one.id - other.id);
  expect((await laid()).map(({ title, meeting }) => [title, meeting!.date])).toEqual([
    ["P30", day(0)],
    ["P10", day(0)],
    ["P40", day(2)],
  ]);
  expect(value(await undoPlan({ event: given.event! }))).toEqual({ said: "Taken back." });
  expect(await laid()).toEqual([]);
});

test("a pocket laid out for some, with versions, tries and a goal of its own", async () => {
  const { id: pocket } = await addPocket(db, world.ines, "Rivers");
  const rivers = await publishFor(db, world.ines, lesson("Rivers", { minutes: 20 }));
  const easier = await publishFor(db, world.ines, lesson("Rivers, easier", { minutes: 20 }));
  await db.query("update resource set source_revision_id = $2 where id = $1", [easier.id, rivers.revision]);
  const choose = { class: world.class, label: "Maths", pocket, date: day(0), period: 1 };
  expect(await layOut({ ...choose, give: false })).toMatchObject({ ok: false, code: "pocketEmpty" });
  await putIntoPocket(db, pocket, [rivers.id], world.ines, now);
  const { audience, resources } = value(await layOutChoices({ pocket }));
  expect(resources).toEqual([{ id: rivers.id, title: "Rivers" }]);
  expect(audience.versions.map(({ title }) => title)).toEqual(["Rivers, easier"]);
  const [aisha, bo] = world.students;
  const rules = {
    students: [aisha!, bo!],
    versions: [{ student: bo!, of: rivers.id, resource: easier.id }],
    factors: [{ student: aisha!, factor: 2 }],
    stepWork: [{ step: audience.steps[0]!.id, work: "groups" as const }],
    tries: 3,
    keep: "last" as const,
    checking: "at the end" as const,
    sharing: { ...plainSharing, classmates: "own first" as const },
    goals: ["rivers"],
  };
  const { event } = value(await layOut({ ...choose, give: true, rules }));
  const [laid] = (await assignmentsOf(db, world.ines, [world.class], new Date())).filter(
    ({ title }) => title === "Rivers",
  );
  expect(laid).toMatchObject({ tries: 3, keep: "last", checking: "at the end", goals: ["rivers"], recipients: 2 });
  expect(laid!.sharing).toMatchObject({ classmates: "own first" });
  expect(laid!.stepWork).toEqual({ [audience.steps[0]!.id]: "groups" });
  expect((await recipientsOf(db, laid!.id)).map(({ title, factor }) => [title, factor])).toEqual([
    ["Rivers", 2],
    ["Rivers, easier", 1],
  ]);
  value(await undoPlan({ event: event! }));
  // What is not hers to read is no version to be assigned.
  const theirs = await publishFor(db, world.stranger, lesson("Secret"));
  const secret = [{ student: bo!, of: rivers.id, resource: theirs.id }];
  expect(await layOut({ ...choose, give: true, rules: { ...rules, versions: secret } })).toMatchObject({ ok: false });
});

test("anyone who covers a class sees the days she covers, and nothing of the rest", async () => {
  await planned("Before", day(0));
  const hers = await planned("Hers", day(2));
  await planned("After", day(4));
  await db.query(
    "insert into class_teacher (class_id, person_id, role, from_date, to_date) values ($1, $2, 'cover', $3, $4)",
    [world.class, world.teodor, day(1), day(3)],
  );
  const teodor = visitorOf({ id: world.teodor, district: world.district, school: world.here }, { zone });
  const then = new Date(`${day(2)}T08:00:00Z`);
  const plan = await planOf(db, teodor, await classesOf(db, world.teodor, then), monday, 1, then);
  expect(plan.board.days.map((row) => row.day.date)).toEqual([day(1), day(2), day(3)]);
  expect(plan.work.map(({ id }) => id)).toEqual([hers]);
  expect(plan.board.homeless).toEqual([]);
  expect(await classesOf(db, world.teodor, new Date(`${day(7)}T08:00:00Z`))).toEqual([]);
});

test("no one else moves it", async () => {
  const id = await planned("Tides", day(0));
  const { event } = value(await moveWork({ assignment: id, date: day(1), period: 1 }));
  actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }, { zone }));
  expect((await moveWork({ assignment: id, date: day(2), period: 1 })).ok).toBe(false);
  expect((await loseDay({ classes: [world.class], date: day(2), name: "x", move: true })).ok).toBe(false);
  expect((await undoPlan({ event })).ok).toBe(false);
  expect((await splitWork({ assignment: id })).ok).toBe(false);
});
