import type { SchoolCalendar } from "../calendar/school-calendar";
import { boardWeeks, dueOn, loads, stateOf, type TeamPart } from "./board";

const calendar: SchoolCalendar = {
  zone: "UTC",
  weekdays: [1, 2, 3, 4, 5],
  terms: [{ name: "autumn", from: "2026-09-01", to: "2026-12-18" }],
  daysOff: [{ date: "2026-12-02", name: "Lantern day", kind: "off", until: null }],
  classDaysOff: [],
  cycle: [],
  bells: [],
};
const part = (more: Partial<TeamPart>): TeamPart => ({
  ...{ line: 1, week: "2026-11-30", maker: null, begun: false, resource: null },
  ...more,
});
const made = { id: 9, title: "Tides", minutes: 40 };

test("a part is nobody's, asked for, in progress or ready, and ready, no matter who made it", () => {
  expect(stateOf(part({}))).toBe("nobody");
  expect(stateOf(part({ maker: 1 }))).toBe("asked");
  expect(stateOf(part({ maker: 1, begun: true }))).toBe("in progress");
  expect(stateOf(part({ resource: made }))).toBe("ready");
});

test("weeks come from the calendar: a day off is one day less, and after the term there is no school", () => {
  expect(boardWeeks(calendar, "2026-12-03", 4)).toEqual([
    { monday: "2026-11-30", days: 4, off: null },
    { monday: "2026-12-07", days: 5, off: null },
    { monday: "2026-12-14", days: 5, off: null },
    { monday: "2026-12-21", days: 0, off: expect.any(String) },
  ]);
});

test("each person's load: what is still to make, what is ready, and its minutes; nobody else's parts count", () => {
  const parts = [
    part({ maker: 1 }),
    part({ maker: 1, resource: made }),
    part({ maker: 1, begun: true }),
    part({ maker: 2, resource: { ...made, minutes: 15 } }),
    part({ maker: 77 }),
    part({}),
  ];
  expect(Object.fromEntries(loads([1, 2, 3], parts))).toEqual({
    1: { open: 2, ready: 1, minutes: 40 },
    2: { open: 0, ready: 1, minutes: 15 },
    3: { open: 0, ready: 0, minutes: 0 },
  });
});

test("a part is due on the first school day of its week; when that has passed, today", () => {
  const open = ["2026-12-01", "2026-12-02", "2026-12-07"];
  expect(dueOn("2026-11-30", open, "2026-11-27")).toBe("2026-12-01");
  expect(dueOn("2026-11-30", open, "2026-12-04")).toBe("2026-12-04");
  expect(dueOn("2027-01-04", open, "2026-12-04")).toBe("2027-01-04");
});
