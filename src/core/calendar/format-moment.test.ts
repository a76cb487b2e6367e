import fc from "fast-check";
import { Temporal } from "temporal-polyfill";
import {
  hourOf,
  partOfDay,
  postmark,
  formatClock,
  formatDay,
  formatForChildren,
  formatMoment,
  formatTime,
  toWallClock,
} from "./format-moment";

const zone = "Europe/London";
const now = new Date("2026-11-25T10:00:00Z"); // a Wednesday
const at = (text: string) => new Date(text);

test("a clock says its day too when that is not today, by the school's own midnight", () => {
  expect(formatClock(at("2026-11-25T03:43:00Z"), zone, now)).toBe("03:43");
  expect(formatClock(at("2026-11-24T23:59:00Z"), zone, now)).toBe("Tue 24 Nov, 23:59");
  expect(formatClock(at("2025-11-25T10:00:00Z"), zone, now)).toBe("Tue 25 Nov 2025, 10:00");
});

describe("a moment in words", () => {
  test("names the weekday and the part of the day, so that morning is never taken for evening", () => {
    expect(formatMoment(at("2027-03-02T07:00:00Z"), zone, now)).toBe("Tue 2 Mar 2027, 7 in the morning");
    expect(formatMoment(at("2026-12-01T19:00:00Z"), zone, now)).toBe("Tue 1 Dec, 7 in the evening");
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
    expect(formatTime(hour, minute)).toBe(said);
  });

  test("night ends at five, the evening begins at six", () => {
    expect(partOfDay(4)).toBe("at night");
    expect(partOfDay(5)).toBe("in the morning");
    expect(partOfDay(17)).toBe("in the afternoon");
    expect(partOfDay(18)).toBe("in the evening");
  });

  test("children hear today, tomorrow, and the name of the day within a week", () => {
    expect(formatForChildren(at("2026-11-25T15:00:00Z"), zone, now)).toBe("today, 3 in the afternoon");
    expect(formatForChildren(at("2026-11-26T15:00:00Z"), zone, now)).toBe("tomorrow, 3 in the afternoon");
    expect(formatForChildren(at("2026-11-30T08:00:00Z"), zone, now)).toBe("Monday, 8 in the morning");
    expect(formatForChildren(at("2026-12-02T08:00:00Z"), zone, now)).toBe("Wed 2 Dec, 8 in the morning");
    expect(formatForChildren(at("2026-11-23T15:00:00Z"), zone, now)).toBe("Mon 23 Nov, 3 in the afternoon");
  });

  test("a postmark shows day and month of the school's clock, not of Greenwich", () => {
    expect(postmark(at("2026-11-24T23:30:00Z"), zone)).toEqual({ day: "24", month: "NOV" });
    expect(postmark(at("2026-11-24T23:30:00Z"), "Australia/Sydney")).toEqual({ day: "25", month: "NOV" });
    expect(formatDay(at("2026-11-24T23:30:00Z"), "Australia/Sydney", now)).toBe("Wed 25 Nov");
  });
});

afterEach(() => {
  delete (globalThis as { Temporal?: unknown }).Temporal;
});

test.each([
  ["has Temporal", Temporal],
  ["has it not", undefined],
])("a clock is read as the calendar computes it, in every zone: a browser that %s", (_, own) => {
  (globalThis as { Temporal?: unknown }).Temporal = own;
  const zones = ["Europe/London", "America/New_York", "Australia/Lord_Howe", "Asia/Kathmandu", "Pacific/Apia", "UTC"];
  fc.assert(
    fc.property(
      fc.constantFrom(...zones),
      fc.date({ min: at("1990-01-01T00:00:00Z"), max: at("2099-12-31T00:00:00Z"), noInvalidDate: true }),
      (where, moment) => {
        const there = Temporal.Instant.fromEpochMilliseconds(moment.getTime()).toZonedDateTimeISO(where);
        expect(toWallClock(moment, where)).toBe(there.toPlainDateTime().toString({ smallestUnit: "minute" }));
        expect(hourOf(moment, where)).toBe(there.hour);
        const short = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"][there.dayOfWeek - 1];
        expect(formatDay(moment, where, moment)).toMatch(new RegExp(`^${short} ${there.day} `));
      },
    ),
  );
});

test("a zone that does not exist is not guessed", () => {
  expect(() => toWallClock(now, "Skerry/Harbour")).toThrow(RangeError);
});
