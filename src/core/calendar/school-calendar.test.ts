import {
  addDays,
  daysFrom,
  isoWeek,
  meetingsBetween,
  momentAt,
  mondayOf,
  nthMeeting,
  schoolClock,
  schoolDays,
  schoolDaysBetween,
  schoolDaysLater,
  weekdayOf,
  whyClosed,
  type MeetingRule,
  type SchoolCalendar,
} from "./school-calendar";

const bells = [1, 2, 3, 4, 5].flatMap((weekday) => [
  { weekday, period: 1, starts: "08:50", ends: "09:35" },
  { weekday, period: 2, starts: "09:40", ends: "10:25" },
  { weekday, period: 3, starts: "13:00", ends: "14:00" },
]);
const calendar: SchoolCalendar = {
  zone: "Europe/London",
  weekdays: [1, 2, 3, 4, 5],
  terms: [
    { name: "Autumn", from: "2026-08-31", to: "2026-12-18" },
    { name: "Spring", from: "2027-01-04", to: "2027-03-31" },
  ],
  daysOff: [],
  classDaysOff: [],
  cycle: [],
  bells,
};
const with_ = (change: Partial<SchoolCalendar>): SchoolCalendar => ({ ...calendar, ...change });
const rule = (change: Partial<MeetingRule> = {}): MeetingRule => ({
  class: 1,
  label: "",
  period: 1,
  weekday: null,
  cycleDay: null,
  ...change,
});
const dates = (list: { date: string }[]) => list.map(({ date }) => date);
const off = (date: string, kind: "off" | "half" | "lost" = "off", until: string | null = null) => ({
  date,
  name: "Boat day",
  kind,
  until,
});

describe("ISO 8601 weeks (values of CHECKS, verified)", () => {
  test.each([
    ["2005-01-01", 2004, 53],
    ["2008-12-29", 2009, 1],
    ["2010-01-03", 2009, 53],
    ["2024-12-30", 2025, 1],
  ])("%s is in %d-W%d", (date, year, week) => {
    expect(isoWeek(date)).toEqual({ year, week });
  });
  test("a week begins on Monday", () => {
    expect(mondayOf("2010-01-03")).toBe("2009-12-28");
    expect(weekdayOf("2005-01-01")).toBe(6);
  });
});

describe("days of school", () => {
  test("leave out weekends and the time between terms", () => {
    expect(dates(schoolDays(calendar, "2026-12-17", "2027-01-05"))).toEqual([
      "2026-12-17",
      "2026-12-18",
      "2027-01-04",
      "2027-01-05",
    ]);
  });

  test("without terms every week is one of school", () => {
    expect(dates(schoolDays(with_({ terms: [] }), "2027-07-02", "2027-07-05"))).toEqual(["2027-07-02", "2027-07-05"]);
  });

  test("a planned day off takes no letter of the cycle, a lost day keeps its own", () => {
    const letters = (kind: "off" | "lost") =>
      schoolDays(with_({ cycle: ["A", "B"], daysOff: [off("2026-09-02", kind)] }), "2026-08-31", "2026-09-04").map(
        ({ cycleDay }) => cycleDay,
      );
    expect(letters("off")).toEqual(["A", "B", null, "A", "B"]);
    expect(letters("lost")).toEqual(["A", "B", "A", "B", "A"]);
  });

  test("six rotating days go round, whatever the weekday, and start anew with each term", () => {
    const cycle = ["1", "2", "3", "4", "5", "6"];
    const days = schoolDays(with_({ cycle }), "2026-08-31", "2027-01-04");
    expect(days.slice(0, 8).map(({ cycleDay }) => cycleDay)).toEqual(["1", "2", "3", "4", "5", "6", "1", "2"]);
    expect(days.at(-1)).toMatchObject({ date: "2027-01-04", cycleDay: "1" });
  });

  test("the letter does not depend on where one begins to look", () => {
    const cycle = with_({ cycle: ["A", "B", "C"], daysOff: [off("2026-09-10"), off("2026-10-01", "lost")] });
    const whole = schoolDays(cycle, "2026-08-31", "2026-12-18");
    for (let from = "2026-08-31"; from < "2026-12-01"; from = addDays(from, 13)) {
      expect(schoolDays(cycle, from, "2026-12-18")).toEqual(whole.filter(({ date }) => date >= from));
    }
  });

  test("why there is no school is said", () => {
    const closed = with_({ daysOff: [off("2026-12-02"), off("2026-12-03", "half", "12:00")] });
    expect(whyClosed(closed, "2026-12-01")).toBeNull();
    expect(whyClosed(closed, "2026-12-02")).toBe("Boat day");
    expect(whyClosed(closed, "2026-12-03")).toBeNull();
    expect(whyClosed(closed, "2026-12-05")).toBe("the weekend");
    expect(whyClosed(closed, "2026-12-28")).toBe("between terms");
  });
});

describe("school days later", () => {
  const closed = with_({ daysOff: [off("2026-12-02"), off("2026-12-03", "half", "12:00")] });
  test.each([
    ["2026-12-01", 0, "2026-12-01"],
    ["2026-12-01", 1, "2026-12-03"],
    ["2026-12-01", 3, "2026-12-07"],
    ["2026-12-05", 0, "2026-12-07"],
    ["2026-12-05", 1, "2026-12-07"],
    ["2026-12-18", 1, "2027-01-04"],
    ["2026-12-07", -3, "2026-12-01"],
  ])("%s and %d more is %s", (date, n, expected) => {
    expect(schoolDaysLater(closed, date, n)).toBe(expected);
  });

  test("after the last term there is none", () => {
    expect(schoolDaysLater(calendar, "2027-03-31", 1)).toBeNull();
  });

  test("going forth and back comes to the same day, on any day and over any number of them", () => {
    const days = schoolDays(closed, "2026-09-01", "2026-12-18").filter(({ open }) => open);
    for (const [at, { date }] of days.entries()) {
      for (const n of [1, 2, 5, 17]) {
        const later = schoolDaysLater(closed, date, n);
        if (later === null) continue;
        expect(schoolDaysLater(closed, later, -n)).toBe(date);
        expect(schoolDaysBetween(closed, date, later)).toBe(n);
        if (days[at + n]) expect(later).toBe(days[at + n]!.date);
      }
    }
  });
});

describe("class meetings", () => {
  test("on every school day, on a weekday, on a day of the cycle", () => {
    const cycle = with_({ cycle: ["A", "B"] });
    const between = (one: MeetingRule) => dates(meetingsBetween(cycle, [one], "2026-08-31", "2026-09-06"));
    expect(between(rule())).toHaveLength(5);
    expect(between(rule({ weekday: 2 }))).toEqual(["2026-09-01"]);
    expect(between(rule({ cycleDay: "B" }))).toEqual(["2026-09-01", "2026-09-03"]);
  });

  test("a half day ends what is running and drops what would begin later", () => {
    const half = with_({ daysOff: [off("2026-09-01", "half", "10:00")] });
    const met = meetingsBetween(half, [rule(), rule({ period: 2 }), rule({ period: 3 })], "2026-09-01", "2026-09-01");
    expect(met.map(({ period, minutes }) => [period, minutes])).toEqual([
      [1, 45],
      [2, 20],
    ]);
  });

  test("a class that is on a trip does not meet, the others do", () => {
    const trip = with_({ classDaysOff: [{ class: 1, date: "2026-09-01", name: "Trip to the lighthouse" }] });
    const met = meetingsBetween(trip, [rule(), rule({ class: 2 })], "2026-09-01", "2026-09-02");
    expect(met.map((meeting) => [meeting.class, meeting.date])).toEqual([
      [2, "2026-09-01"],
      [1, "2026-09-02"],
      [2, "2026-09-02"],
    ]);
  });

  test("no bell, no meeting; a lost day has none", () => {
    const lost = with_({ daysOff: [off("2026-09-01", "lost")] });
    expect(meetingsBetween(lost, [rule()], "2026-09-01", "2026-09-01")).toEqual([]);
    expect(meetingsBetween(calendar, [rule({ period: 9 })], "2026-09-01", "2026-09-30")).toEqual([]);
  });

  test("the n-th next meeting is counted from the moment, not from the day", () => {
    const morning = momentAt("2026-12-01", "08:00", calendar.zone);
    const noon = momentAt("2026-12-01", "12:00", calendar.zone);
    expect(nthMeeting(calendar, [rule()], morning, 1)).toMatchObject({ date: "2026-12-01" });
    expect(nthMeeting(calendar, [rule()], noon, 1)).toMatchObject({ date: "2026-12-02" });
    expect(nthMeeting(calendar, [rule({ weekday: 5 })], noon, 4)).toMatchObject({ date: "2027-01-08" });
    expect(nthMeeting(calendar, [rule({ weekday: 7 })], noon, 1)).toBeNull();
  });

  test("eighteen weeks of a class with two lessons a day", () => {
    const met = meetingsBetween(
      with_({ terms: [] }),
      [rule(), rule({ period: 3 })],
      "2026-08-31",
      addDays("2026-08-31", 18 * 7 - 1),
    );
    expect(met).toHaveLength(18 * 5 * 2);
  });
});

// CHECKS: London 29 Mar and 25 Oct 01:00Z; New York 8 Mar 07:00Z and 1 Nov 06:00Z; Sydney 4 Apr and 3 Oct 16:00Z; Lord Howe
// shifts by 30 minutes.
describe("when the clocks change", () => {
  test.each([
    ["Europe/London", "2026-03-27", "2026-03-30", 71],
    ["Europe/London", "2026-10-23", "2026-10-26", 73],
    ["America/New_York", "2026-03-06", "2026-03-09", 71],
    ["America/New_York", "2026-10-30", "2026-11-02", 73],
    ["Australia/Sydney", "2026-04-03", "2026-04-06", 73],
    ["Australia/Sydney", "2026-10-02", "2026-10-05", 71],
    ["Australia/Lord_Howe", "2026-10-02", "2026-10-05", 71.5],
  ])("in %s the lesson of %s and that of %s are both at 8:50, %d hours apart", (zone, friday, monday, hours) => {
    const met = meetingsBetween(with_({ zone, terms: [] }), [rule()], friday, monday);
    expect(dates(met)).toEqual([friday, monday]);
    expect(met.map(({ starts }) => schoolClock(starts, zone).time)).toEqual(["08:50", "08:50"]);
    expect((met[1]!.starts.getTime() - met[0]!.starts.getTime()) / 3_600_000).toBe(hours);
    expect(met.every(({ minutes, starts, ends }) => ends.getTime() - starts.getTime() === minutes * 60_000)).toBe(true);
  });

  test("a bell that the change skips rings at the moment after it", () => {
    expect(momentAt("2026-03-29", "01:30", "Europe/London").toISOString()).toBe("2026-03-29T01:30:00.000Z");
    expect(momentAt("2026-10-25", "01:30", "Europe/London").toISOString()).toBe("2026-10-25T00:30:00.000Z");
  });

  test("days are counted on the calendar, not in hours", () => {
    expect(daysFrom("2026-03-28", "2026-03-30")).toBe(2);
    expect(addDays("2026-10-24", 2)).toBe("2026-10-26");
  });
});
