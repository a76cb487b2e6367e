import {
  fromWallClock,
  isWeekend,
  partOfDay,
  postmark,
  sayDay,
  sayForChildren,
  sayMoment,
  sayTime,
  schoolDayAt,
  toWallClock,
} from "./wall-clock";

const zone = "Europe/London";
const now = new Date("2026-11-25T10:00:00Z"); // a Wednesday
const at = (text: string) => new Date(text);

describe("a moment in words", () => {
  test("names the weekday and the part of the day, so that morning is never taken for evening", () => {
    expect(sayMoment(at("2027-03-02T07:00:00Z"), zone, now)).toBe("Tue 2 Mar 2027, 7 in the morning");
    expect(sayMoment(at("2026-12-01T19:00:00Z"), zone, now)).toBe("Tue 1 Dec, 7 in the evening");
  });

  test.each([
    [0, 0, "midnight"],
    [0, 30, "half past 12 at night"],
    [7, 0, "7 in the morning"],
    [10, 15, "quarter past 10 in the morning"],
    [11, 45, "quarter to 12 in the morning"],
    [12, 0, "noon"],
    [12, 45, "quarter to 1 in the afternoon"],
    [15, 20, "3:20 in the afternoon"],
    [18, 0, "6 in the evening"],
    [23, 5, "11:05 in the evening"],
  ])("%d:%d is %s", (hour, minute, said) => {
    expect(sayTime(hour, minute)).toBe(said);
  });

  test("night ends at five, the evening begins at six", () => {
    expect(partOfDay(4)).toBe("at night");
    expect(partOfDay(5)).toBe("in the morning");
    expect(partOfDay(17)).toBe("in the afternoon");
    expect(partOfDay(18)).toBe("in the evening");
  });

  test("children hear today, tomorrow, and the name of the day within a week", () => {
    expect(sayForChildren(at("2026-11-25T15:00:00Z"), zone, now)).toBe("today, 3 in the afternoon");
    expect(sayForChildren(at("2026-11-26T15:00:00Z"), zone, now)).toBe("tomorrow, 3 in the afternoon");
    expect(sayForChildren(at("2026-11-30T08:00:00Z"), zone, now)).toBe("Monday, 8 in the morning");
    expect(sayForChildren(at("2026-12-02T08:00:00Z"), zone, now)).toBe("Wed 2 Dec, 8 in the morning");
    expect(sayForChildren(at("2026-11-23T15:00:00Z"), zone, now)).toBe("Mon 23 Nov, 3 in the afternoon");
  });

  test("a postmark shows day and month of the school's clock, not of Greenwich", () => {
    expect(postmark(at("2026-11-24T23:30:00Z"), zone)).toEqual({ day: "24", month: "NOV" });
    expect(postmark(at("2026-11-24T23:30:00Z"), "Australia/Sydney")).toEqual({ day: "25", month: "NOV" });
    expect(sayDay(at("2026-11-24T23:30:00Z"), "Australia/Sydney", now)).toBe("Wed 25 Nov");
  });
});

// Changes of the clocks in 2026, computed with the IANA database: London 29 Mar 01:00Z and 25 Oct 01:00Z; New York 8 Mar
// 07:00Z and 1 Nov 06:00Z; Lord Howe shifts by half an hour.
describe("the school's wall clock", () => {
  test("there and back is the same moment, winter and summer", () => {
    for (const [text, iso] of [
      ["2026-01-15T07:00", "2026-01-15T07:00:00.000Z"],
      ["2026-07-15T07:00", "2026-07-15T06:00:00.000Z"],
    ] as const) {
      expect(fromWallClock(text, zone)!.toISOString()).toBe(iso);
      expect(toWallClock(new Date(iso), zone)).toBe(text);
    }
  });

  test.each([
    ["2026-03-29T00:59", "Europe/London", "2026-03-29T00:59:00.000Z"],
    ["2026-03-29T02:00", "Europe/London", "2026-03-29T01:00:00.000Z"],
    ["2026-03-08T03:00", "America/New_York", "2026-03-08T07:00:00.000Z"],
    ["2026-11-01T02:00", "America/New_York", "2026-11-01T07:00:00.000Z"],
    ["2026-10-04T02:30", "Australia/Lord_Howe", "2026-10-03T15:30:00.000Z"],
  ])("%s in %s is %s", (text, in_, iso) => {
    expect(fromWallClock(text, in_)!.toISOString()).toBe(iso);
  });

  test("an hour that does not exist in spring is the hour after; one that comes twice in autumn is the first", () => {
    expect(fromWallClock("2026-03-29T01:30", zone)!.toISOString()).toBe("2026-03-29T01:30:00.000Z");
    expect(fromWallClock("2026-10-25T01:30", zone)!.toISOString()).toBe("2026-10-25T00:30:00.000Z");
  });

  test.each(["", "soon", "2026-13-01T07:00", "2026-02-30T07:00", "2026-02-03T25:00"])(
    "%j is no date and time",
    (text) => {
      expect(fromWallClock(text, zone)).toBeNull();
    },
  );
});

describe("school days", () => {
  test("weekends are stepped over, forwards and back", () => {
    expect(schoolDayAt(now, zone, 2, 15).toISOString()).toBe("2026-11-27T15:00:00.000Z");
    expect(schoolDayAt(now, zone, 3, 8).toISOString()).toBe("2026-11-30T08:00:00.000Z");
    expect(schoolDayAt(now, zone, -3, 9, 30).toISOString()).toBe("2026-11-20T09:30:00.000Z");
  });

  test("the hour is the school's, also when the clocks change in between", () => {
    const friday = at("2026-03-27T10:00:00Z");
    expect(schoolDayAt(friday, zone, 1, 8).toISOString()).toBe("2026-03-30T07:00:00.000Z");
  });

  test("no days from a Saturday is the Monday", () => {
    expect(schoolDayAt(at("2026-11-28T10:00:00Z"), zone, 0, 8).toISOString()).toBe("2026-11-30T08:00:00.000Z");
  });

  test("the weekend is the school's weekend", () => {
    const sundayInSydney = at("2026-11-28T14:00:00Z");
    expect(isWeekend(sundayInSydney, "Australia/Sydney")).toBe(true);
    expect(isWeekend(at("2026-11-27T10:00:00Z"), "Australia/Sydney")).toBe(false);
    expect(isWeekend(at("2026-11-27T14:00:00Z"), "Australia/Sydney")).toBe(true);
  });
});
