import fc from "fast-check";
import { formatTypedDate, formatTypedMoment, readDate, readMoment, readTime } from "./typed-date";

// A Friday.
const today = "2026-11-27";

test.each([
  ["2026-11-30", "2026-11-30"],
  ["30 Nov", "2026-11-30"],
  ["Mon 30 Nov 2026", "2026-11-30"],
  ["30th November", "2026-11-30"],
  ["November 30, 2026", "2026-11-30"],
  ["30/11", "2026-11-30"],
  ["30.11.26", "2026-11-30"],
  ["11/30", "2026-11-30"],
  ["3/12", "2026-12-03"],
  ["5 Jan", "2027-01-05"],
  ["today", "2026-11-27"],
  ["Tomorrow", "2026-11-28"],
  ["monday", "2026-11-30"],
  ["Fri", "2026-12-04"],
])("“%s”, typed on a Friday in November, is %s", (typed, date) => expect(readDate(typed, today)).toBe(date));

test.each(["", "30", "31 April", "30 Febtober", "2026-02-29", "99/99", "1 Jan 1999", "Nov", "mo"])(
  "“%s” is no date",
  (typed) => expect(readDate(typed, today)).toBeNull(),
);

test.each([
  ["15:00", "15:00"],
  ["15.00", "15:00"],
  ["1500", "15:00"],
  ["8:05", "08:05"],
  ["3 pm", "15:00"],
  ["3:10pm", "15:10"],
  ["12 am", "00:00"],
  ["12 p.m.", "12:00"],
  ["noon", "12:00"],
  ["midnight", "00:00"],
])("“%s” is %s on the clock", (typed, time) => expect(readTime(typed)).toBe(time));

test.each(["", "3", "25:00", "12:60", "13 pm", "0 am", "three"])("“%s” is no time", (typed) =>
  expect(readTime(typed)).toBeNull(),
);

test.each([
  ["Mon 30 Nov 2026, 15:00", "2026-11-30T15:00"],
  ["tomorrow 3 pm", "2026-11-28T15:00"],
  ["30/11, noon", "2026-11-30T12:00"],
  ["2026-11-30T15:00", "2026-11-30T15:00"],
  ["30 Nov", "2026-11-30T07:00"],
])("“%s” is a moment; a date alone keeps the hour there was", (typed, moment) =>
  expect(readMoment(typed, today, "07:00")).toBe(moment),
);

test("half a moment is none", () => {
  expect(readMoment("15:00", today, "07:00")).toBeNull();
  expect(readMoment("30 Nov, 25:00", today, "07:00")).toBeNull();
  expect(readMoment("some day, 15:00", today, "07:00")).toBeNull();
});

test("what a field shows is read back as what it was", () => {
  fc.assert(
    fc.property(
      fc.date({ min: new Date("2000-01-01T00:00Z"), max: new Date("2199-12-31T23:59Z"), noInvalidDate: true }),
      (at) => {
        const moment = at.toISOString().slice(0, 16);
        expect(readMoment(formatTypedMoment(moment), today, "00:00")).toBe(moment);
        expect(readDate(formatTypedDate(moment.slice(0, 10)), today)).toBe(moment.slice(0, 10));
      },
    ),
  );
  expect(formatTypedMoment("")).toBe("");
  expect(formatTypedDate("next week")).toBe("");
});
