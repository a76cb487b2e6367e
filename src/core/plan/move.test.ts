import { meetingsBetween, momentAt, schoolClock, type SchoolCalendar } from "../calendar/school-calendar";
import { movedTimes, reflow, type Planned } from "./move";

const calendar: SchoolCalendar = {
  zone: "Europe/London",
  weekdays: [1, 2, 3, 4, 5],
  terms: [{ name: "Autumn", from: "2026-08-31", to: "2026-12-18" }],
  daysOff: [],
  classDaysOff: [],
  cycle: [],
  bells: [1, 2, 3, 4, 5].flatMap((weekday) => [
    { weekday, period: 1, starts: "09:00", ends: "09:45" },
    { weekday, period: 2, starts: "13:00", ends: "14:00" },
  ]),
};
const rules = [{ class: 1, label: "", period: 1, weekday: null, cycleDay: null }];
const meetings = (on: SchoolCalendar) => meetingsBetween(on, rules, "2026-10-01", "2026-12-18");
const at = (date: string, time: string) => momentAt(date, time, calendar.zone);
const clock = (moment: Date | null) => {
  const { date, time } = schoolClock(moment!, calendar.zone);
  return `${date} ${time}`;
};
const meetingOn = (date: string) => meetings(calendar).find((meeting) => meeting.date === date)!;

describe("the times of work that is moved", () => {
  const moved = (opens: string, due: string, from: string, to: string, on = calendar) =>
    movedTimes(
      on,
      { opens: new Date(opens), due: new Date(due), closes: null },
      meetingOn(from),
      meetingsBetween(on, rules, to, to)[0]!,
    );

  test("in class: at the beginning and the end of the new meeting", () => {
    const times = moved("2026-12-01T09:00:00Z", "2026-12-01T09:45:00Z", "2026-12-01", "2026-12-03")!;
    expect([clock(times.opens), clock(times.due)]).toEqual(["2026-12-03 09:00", "2026-12-03 09:45"]);
  });

  test("in a later lesson the order stays: as long between opening and due as before, and it closes no earlier", () => {
    const later = meetingsBetween(calendar, [{ ...rules[0]!, period: 2 }], "2026-12-03", "2026-12-03")[0]!;
    const times = (due: string, closes: string) =>
      movedTimes(
        calendar,
        { opens: at("2026-12-01", "09:00"), due: at("2026-12-01", due), closes: at("2026-12-01", closes) },
        meetingOn("2026-12-01"),
        later,
      )!;
    const said = ({ opens, due, closes }: ReturnType<typeof times>) => [opens, due, closes].map(clock);
    expect(said(times("12:00", "12:30"))).toEqual(["2026-12-03 13:00", "2026-12-03 16:00", "2026-12-03 16:00"]);
    expect(said(times("13:00", "18:00"))).toEqual(["2026-12-03 13:00", "2026-12-03 17:00", "2026-12-03 18:00"]);
    expect(said(times("13:30", "13:40"))).toEqual(["2026-12-03 13:00", "2026-12-03 13:30", "2026-12-03 13:40"]);
  });

  test("at home: the same hour, as many school days later, over the weekend", () => {
    const times = moved("2026-12-01T07:00:00Z", "2026-12-03T15:00:00Z", "2026-12-01", "2026-12-04")!;
    expect([clock(times.opens), clock(times.due)]).toEqual(["2026-12-04 07:00", "2026-12-08 15:00"]);
  });

  test("over a change of the clocks the hour on the wall stays", () => {
    const times = moved("2026-10-23T06:00:00Z", "2026-10-23T14:00:00Z", "2026-10-23", "2026-10-26")!;
    expect([clock(times.opens), clock(times.due)]).toEqual(["2026-10-26 07:00", "2026-10-26 15:00"]);
  });

  test("what opened the evening before opens on the school day before", () => {
    const times = moved("2026-11-30T18:00:00Z", "2026-12-01T09:45:00Z", "2026-12-01", "2026-12-07")!;
    expect(clock(times.opens)).toBe("2026-12-04 18:00");
  });

  test("beyond the last term there is no time, and it says so", () => {
    expect(moved("2026-12-01T09:00:00Z", "2026-12-03T15:00:00Z", "2026-12-01", "2026-12-18")).toBeNull();
  });
});

describe("a storm takes a day", () => {
  const storm = { date: "2026-12-01", name: "Storm", kind: "lost" as const, until: null };
  const lost: SchoolCalendar = { ...calendar, daysOff: [storm] };
  const fortnight = meetings(calendar).filter(({ date }) => date >= "2026-11-30" && date <= "2026-12-11");
  const planned: Planned[] = fortnight.map(({ date, period, starts, ends }, id) => ({
    id,
    meeting: { date, period },
    opens: starts,
    due: ends,
    closes: null,
  }));
  const from = { date: "2026-12-01", period: 1 };

  test("everything from that day on goes to the next meeting, and nothing before it is touched", () => {
    const { moves, stuck } = reflow(lost, planned, meetings(calendar), meetings(lost), from, 0);
    expect(stuck).toEqual([]);
    expect(moves.map(({ id, to }) => `${id} ${to.date}`)).toEqual([
      "1 2026-12-02",
      "2 2026-12-03",
      "3 2026-12-04",
      "4 2026-12-07",
      "5 2026-12-08",
      "6 2026-12-09",
      "7 2026-12-10",
      "8 2026-12-11",
      "9 2026-12-14",
    ]);
    expect(clock(moves[3]!.times.opens)).toBe("2026-12-07 09:00");
  });

  test("by one meeting, without a day lost, leaves that meeting free", () => {
    const { moves } = reflow(calendar, planned, meetings(calendar), meetings(calendar), from, 1);
    // Each where the one behind it stood, the last on the first free meeting; as long open as before.
    const places = [...planned.slice(2).map(({ meeting }) => meeting.date), "2026-12-14"];
    expect(moves.map(({ id, to }) => [id, to.date])).toEqual(places.map((date, at) => [at + 1, date]));
    for (const { id, to, times } of moves) {
      const was = planned.find((one) => one.id === id)!;
      expect(clock(times.opens).slice(0, 10)).toBe(to.date);
      expect(clock(times.opens).slice(11)).toBe(clock(was.opens).slice(11));
      expect(times.due.getTime() - times.opens.getTime()).toBe(was.due.getTime() - was.opens.getTime());
    }
  });

  test("what stands earlier on the same day stays", () => {
    const twice = meetingsBetween(calendar, [...rules, { ...rules[0]!, period: 2 }], "2026-11-30", "2026-12-04");
    const all: Planned[] = twice.map((meeting, id) => ({
      ...{ id, meeting, opens: meeting.starts, due: meeting.ends, closes: null },
    }));
    const { moves, stuck } = reflow(calendar, all, twice, twice, { date: "2026-12-01", period: 2 }, 1);
    expect(moves.map(({ id, to }) => [id, to.date, to.period]).slice(0, 2)).toEqual([
      [3, "2026-12-02", 1],
      [4, "2026-12-02", 2],
    ]);
    expect([moves.length, stuck]).toEqual([6, [9]]);
  });

  test("what would fall behind the last meeting is named and stays", () => {
    const last = meetings(calendar).at(-1)!;
    const late: Planned = { ...planned[0]!, id: 99, meeting: last, opens: last.starts, due: last.ends };
    expect(reflow(calendar, [late], meetings(calendar), meetings(calendar), from, 1)).toEqual({
      moves: [],
      stuck: [99],
    });
  });

  test("moving on by one and back by one comes to the same plan", () => {
    const all = meetings(calendar);
    const on = reflow(calendar, planned, all, all, from, 1).moves;
    const there: Planned[] = on.map(({ id, to, times }) => ({ id, meeting: to, ...times }));
    const back = reflow(calendar, there, all, all, from, -1).moves;
    expect(back.map(({ id, to, times }) => ({ id, meeting: to, ...times }))).toEqual(planned.slice(1));
    expect(at("2026-12-01", "09:00")).toEqual(back[0]!.times.opens);
  });
});
