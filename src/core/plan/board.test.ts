import { meetingsBetween, schoolDays, type MeetingRule } from "../calendar/school-calendar";
import { isles } from "../calendar/testing/calendar";
import { planBoard, type PlanWork } from "./board";

const rules: MeetingRule[] = [
  { class: 1, label: "Maths", period: 1, weekday: null, cycleDay: null },
  { class: 1, label: "Reading", period: 2, weekday: null, cycleDay: null },
  { class: 2, label: "Science", period: 2, weekday: 1, cycleDay: null },
];
const classes = [
  { id: 1, name: "5 Kittiwake" },
  { id: 2, name: "4/5 Puffin" },
];
const [from, to] = ["2026-11-30", "2026-12-04"];
let ids = 0;
const work = (more: Partial<PlanWork>): PlanWork => ({
  id: (ids += 1),
  class: 1,
  title: "Tides",
  part: null,
  minutes: 25,
  meeting: null,
  subjects: ["mathematics"],
  opens: new Date("2026-11-30T09:00:00Z"),
  due: new Date("2026-12-03T15:00:00Z"),
  closes: null,
  ...more,
});
const board = (list: PlanWork[], calendar = isles) =>
  planBoard(classes, schoolDays(calendar, from, to), meetingsBetween(calendar, rules, from, to), list, isles.zone);

describe("the plan", () => {
  test("has a column for everything a class meets for, and a row for every day, days off too", () => {
    const { columns, days } = board([]);
    expect(columns.map(({ className, label }) => `${className} ${label}`)).toEqual([
      "5 Kittiwake Maths",
      "5 Kittiwake Reading",
      "4/5 Puffin Science",
    ]);
    expect(days.map(({ day, cells }) => [day.date, ...cells.map(({ room }) => room)])).toEqual([
      ["2026-11-30", 45, 60, 60],
      ["2026-12-01", 45, 60, 0],
      ["2026-12-02", 0, 0, 0],
      ["2026-12-03", 45, 60, 0],
      ["2026-12-04", 45, 60, 0],
    ]);
  });

  test("a class that never meets has a column too, and what it has stands there", () => {
    const mine = work({ class: 3 });
    const { columns, days } = planBoard(
      [...classes, { id: 3, name: "Chess club" }],
      schoolDays(isles, from, to),
      meetingsBetween(isles, rules, from, to),
      [mine],
      isles.zone,
    );
    expect(columns.at(-1)).toEqual({ class: 3, className: "Chess club", label: "" });
    expect(days[0]!.cells.at(-1)!.work).toEqual([mine]);
  });

  test("work stands at its meeting, and what has none at the lesson of its subject on the day it opens", () => {
    const planned = work({ meeting: { date: "2026-12-01", period: 2 } });
    const story = work({ subjects: ["reading"] });
    const sums = work({});
    const { days } = board([planned, story, sums]);
    expect(days[1]!.cells[1]!.work).toEqual([planned]);
    expect(days[0]!.cells[1]!.work).toEqual([story]);
    expect(days[0]!.cells[0]!.work).toEqual([sums]);
    expect(days[0]!.cells[0]!.planned).toBe(25);
  });

  test("what lies beyond the days shown is nowhere, and nowhere in the way", () => {
    const beyond = work({ opens: new Date("2026-12-09T09:00:00Z"), due: new Date("2026-12-11T15:00:00Z") });
    const meetings = meetingsBetween(isles, rules, from, "2026-12-11");
    const { days, homeless } = planBoard(classes, schoolDays(isles, from, to), meetings, [beyond], isles.zone);
    expect(homeless).toEqual([]);
    expect(days.flatMap(({ cells }) => cells.flatMap(({ work, due }) => [...work, ...due]))).toEqual([]);
    expect(
      days
        .flatMap(({ cells }) => cells.flatMap((cell) => cell.meetings.map(({ date }) => date)))
        .sort()
        .at(-1),
    ).toBe(to);
  });

  test("what is due stands on its day, whatever hour", () => {
    const late = work({ due: new Date("2026-12-04T23:30:00Z") });
    expect(board([late]).days[4]!.cells[0]!.due).toEqual([late]);
  });

  test("what is done in its lesson is not said to be due as well; what was given before the days shown is no stray", () => {
    const inLesson = work({ meeting: { date: "2026-12-01", period: 1 }, due: new Date("2026-12-01T09:45:00Z") });
    const before = work({ meeting: { date: "2026-11-27", period: 1 } });
    const { days, homeless } = board([inLesson, before]);
    expect(days.flatMap(({ cells }) => cells.flatMap((cell) => cell.due))).toEqual([before]);
    expect(homeless).toEqual([]);
  });

  test("every piece that opens within the days stands in one cell and no more", () => {
    const list = ["2026-11-30", "2026-12-01", "2026-12-03"].flatMap((date) =>
      [1, 2].map((group) => work({ class: group, opens: new Date(`${date}T08:00:00Z`) })),
    );
    const seen = board(list).days.flatMap(({ cells }) => cells.flatMap((cell) => cell.work.map(({ id }) => id)));
    expect(seen.sort()).toEqual(list.map(({ id }) => id).sort());
  });

  test("work whose meeting was lost is named", () => {
    const lost = work({ meeting: { date: "2026-12-02", period: 1 } });
    expect(board([lost]).homeless).toEqual([lost.id]);
    expect(board([lost]).days[2]!.cells[0]!.work).toEqual([lost]);
  });
});
