import { toWallClock } from "./format-moment";
import { fromWallClock, schoolDayAt } from "./wall-clock";

const zone = "Europe/London";
const now = new Date("2026-11-25T10:00:00Z"); // a Wednesday
const at = (text: string) => new Date(text);

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

  test.each([
    "",
    "soon",
    "2026-13-01T07:00",
    "2026-02-30T07:00",
    "2026-02-03T25:00",
    "9999-12-31T23:59",
    "0001-01-01T00:00",
  ])("%j is no date and time", (text) => {
    expect(fromWallClock(text, zone)).toBeNull();
  });
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
});
