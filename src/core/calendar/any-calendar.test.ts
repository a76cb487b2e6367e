import { Temporal } from "temporal-polyfill";
import { reflow, type Planned } from "../plan/move";
import {
  addDays,
  meetingsBetween,
  momentAt,
  nthMeeting,
  schoolClock,
  schoolDays,
  schoolDaysBetween,
  schoolDaysLater,
  weekdayOf,
  type MeetingRule,
  type SchoolCalendar,
} from "./school-calendar";

/** What must hold on any calendar, any class and any zone: drawn by a seeded generator, so that a failure comes again. */
let seed = 20261125;
const random = (below: number) => {
  seed = (seed * 48271) % 2147483647;
  return seed % below;
};
const pick = <Item>(items: readonly Item[]): Item => items[random(items.length)]!;
const zones = [
  "Atlantic/Faroe",
  "Europe/London",
  "America/New_York",
  "Australia/Sydney",
  "Australia/Lord_Howe",
  "Asia/Kathmandu",
  "America/St_Johns",
  "Pacific/Apia",
  "UTC",
];

function anyCalendar(): SchoolCalendar {
  const start = addDays("2026-08-24", random(20));
  const middle = addDays(start, 70 + random(40));
  const again = addDays(middle, 7 + random(20));
  const end = addDays(again, 60 + random(40));
  const dates = new Set(Array.from({ length: random(12) }, () => addDays(start, random(200))));
  const weekdays = pick([
    [1, 2, 3, 4, 5],
    [7, 1, 2, 3, 4],
    [1, 2, 4, 5],
  ]);
  return {
    zone: pick(zones),
    weekdays,
    terms: [
      { name: "second", from: again, to: end },
      { name: "first", from: start, to: middle },
    ],
    daysOff: [...dates].map((date) => {
      const kind = pick(["off", "half", "lost"] as const);
      return { date, name: kind, kind, until: kind === "half" ? "11:00" : null };
    }),
    classDaysOff: [],
    cycle: pick([[], ["A", "B"], ["1", "2", "3", "4", "5", "6"]]),
    bells: weekdays.flatMap((weekday) => [
      { weekday, period: 1, starts: "08:50", ends: "09:35" },
      { weekday, period: 2, starts: "10:40", ends: "11:30" },
      { weekday, period: 3, starts: "13:10", ends: "14:10" },
    ]),
  };
}

function anyRules(calendar: SchoolCalendar): MeetingRule[] {
  return Array.from({ length: 1 + random(3) }, (_, at) => ({
    class: 1,
    label: "Maths",
    period: at + 1,
    weekday: random(3) === 0 ? pick(calendar.weekdays) : null,
    cycleDay: null,
  })).map((rule) =>
    rule.weekday === null && calendar.cycle.length > 0 && random(2) === 0
      ? { ...rule, cycleDay: pick(calendar.cycle) }
      : rule,
  );
}

const calendars = Array.from({ length: 40 }, anyCalendar);
const [from, to] = ["2026-08-01", "2027-07-31"];

test("days of school are in order, each once, on weekdays with school and within terms", () => {
  for (const calendar of calendars) {
    const days = schoolDays(calendar, from, to).map(({ date }) => date);
    expect(days).toEqual([...new Set(days)].sort());
    for (const date of days) {
      expect(calendar.weekdays).toContain(weekdayOf(date));
      expect(calendar.terms.some((term) => term.from <= date && date <= term.to)).toBe(true);
    }
  }
});

test("a part of the year is that part of the whole year", () => {
  for (const calendar of calendars) {
    const whole = schoolDays(calendar, from, to);
    const [first, last] = [addDays(from, random(200)), addDays(from, 200 + random(150))];
    expect(schoolDays(calendar, first, last)).toEqual(whole.filter(({ date }) => date >= first && date <= last));
  }
});

test("so many school days later and as many back is the same day, and between them lie so many", () => {
  for (const calendar of calendars) {
    const open = schoolDays(calendar, from, to).filter((day) => day.open);
    for (let round = 0; round < 10; round += 1) {
      const at = random(open.length);
      const n = random(30);
      const later = schoolDaysLater(calendar, open[at]!.date, n);
      expect(later).toBe(open[at + n]?.date ?? null);
      if (later === null) continue;
      expect(schoolDaysBetween(calendar, open[at]!.date, later)).toBe(n);
      if (n > 0) expect(schoolDaysLater(calendar, later, -n)).toBe(open[at]!.date);
    }
  }
});

test("the n-th next meeting is the n-th of those that come", () => {
  for (const calendar of calendars) {
    const rules = anyRules(calendar);
    const all = meetingsBetween(calendar, rules, from, to);
    if (all.length === 0) continue;
    const after = new Date(pick(all).starts.getTime() + random(2) * 60_000 - 1);
    const coming = all.filter(({ starts }) => starts > after);
    for (const n of [1, 2, 7])
      expect(nthMeeting(calendar, rules, after, n)?.starts ?? null).toEqual(coming[n - 1]?.starts ?? null);
  }
});

test("every meeting is on a day with lessons, at its bell on the school's wall, and before a half day ends", () => {
  for (const calendar of calendars) {
    const days = new Map(schoolDays(calendar, from, to).map((day) => [day.date, day]));
    for (const meeting of meetingsBetween(calendar, anyRules(calendar), from, to)) {
      const day = days.get(meeting.date)!;
      expect(day.open).toBe(true);
      const bell = calendar.bells.find((one) => one.weekday === day.weekday && one.period === meeting.period)!;
      expect(schoolClock(meeting.starts, calendar.zone)).toEqual({ date: meeting.date, time: bell.starts });
      expect(meeting.minutes).toBeGreaterThan(0);
      if (day.off?.until) expect(schoolClock(meeting.ends, calendar.zone).time <= day.off.until).toBe(true);
    }
  }
});

test("the school's clock is what Temporal says, in any zone and around every change", () => {
  for (let round = 0; round < 4_000; round += 1) {
    const zone = pick(zones);
    const moment = new Date(Date.UTC(2026, 0, 1) + random(366) * 86_400_000 + random(86_400) * 1_000);
    const at = Temporal.Instant.fromEpochMilliseconds(moment.getTime()).toZonedDateTimeISO(zone);
    expect(schoolClock(moment, zone)).toEqual({
      date: at.toPlainDate().toString(),
      time: at.toPlainTime().toString({ smallestUnit: "minute" }),
    });
  }
  for (const [iso, zone] of [
    ["2026-03-29T00:59:59.999Z", "Europe/London"],
    ["2026-03-29T01:00:00.000Z", "Europe/London"],
    ["2026-04-04T14:59:59.999Z", "Australia/Lord_Howe"],
    ["2026-04-04T15:00:00.000Z", "Australia/Lord_Howe"],
    ["2026-11-01T05:59:59.999Z", "America/New_York"],
    ["2026-11-01T06:00:00.000Z", "America/New_York"],
  ] as const) {
    const at = Temporal.Instant.from(iso).toZonedDateTimeISO(zone);
    expect(schoolClock(new Date(iso), zone).time).toBe(at.toPlainTime().toString({ smallestUnit: "minute" }));
  }
});

test("whatever is planned, a day that is lost moves what comes after it, keeps its order and loses none of it", () => {
  for (const calendar of calendars) {
    const rules = anyRules(calendar);
    const before = meetingsBetween(calendar, rules, from, to);
    if (before.length < 12) continue;
    const planned: Planned[] = before
      .slice(2, 10)
      .filter(() => random(3) > 0)
      .map(({ date, period, starts, ends }, id) => ({
        id,
        meeting: { date, period },
        opens: starts,
        due: ends,
        closes: null,
      }));
    const lostDay = before[4]!.date;
    const lost: SchoolCalendar = {
      ...calendar,
      daysOff: [
        ...calendar.daysOff.filter(({ date }) => date !== lostDay),
        { date: lostDay, name: "Storm", kind: "lost", until: null },
      ],
    };
    const after = meetingsBetween(lost, rules, from, to);
    const { moves, stuck } = reflow(lost, planned, before, after, { date: lostDay, period: 0 }, 0);
    expect(stuck).toEqual([]);
    const place = (work: Planned) => {
      const moved = moves.find(({ id }) => id === work.id);
      const { date, period } = moved?.to ?? work.meeting;
      return momentAt(date, "00:00", lost.zone).getTime() + period;
    };
    const places = planned.map(place);
    expect(places).toEqual([...new Set(places)].sort((one, other) => one - other));
    for (const work of planned) {
      const moved = moves.find(({ id }) => id === work.id);
      expect(moved?.to.date ?? work.meeting.date).not.toBe(lostDay);
      if (work.meeting.date < lostDay) expect(moved).toBeUndefined();
      if (moved) expect(moved.times.due > moved.times.opens).toBe(true);
    }
  }
});
