import { availability, takesLate } from "./door";

const at = (text: string) => new Date(text);
const work = { opens: at("2026-12-01T08:00:00Z"), closes: null, openDays: null, waitsFor: null };
const zone = "Europe/London";

describe("whether a student may go in", () => {
  test("from opening on, and after the due moment too where nothing closes it", () => {
    expect(availability(work, zone, at("2026-12-01T07:59:59Z"))).toEqual({ open: false, why: "later" });
    expect(availability(work, zone, at("2026-12-01T08:00:00Z"))).toEqual({ open: true });
    expect(availability(work, zone, at("2027-02-01T08:00:00Z"))).toEqual({ open: true });
  });

  test("until it closes", () => {
    const closing = { ...work, closes: at("2026-12-03T15:00:00Z") };
    expect(availability(closing, zone, at("2026-12-03T15:00:00Z"))).toEqual({ open: true });
    expect(availability(closing, zone, at("2026-12-03T15:00:01Z"))).toEqual({ open: false, why: "closed" });
  });

  test("on its days only, by the school's calendar and not by Greenwich's", () => {
    const days = { ...work, openDays: ["2026-12-02", "2026-12-04"] };
    expect(availability(days, zone, at("2026-12-03T10:00:00Z"))).toEqual({
      open: false,
      why: "other day",
      next: "2026-12-04",
    });
    expect(availability(days, "Australia/Sydney", at("2026-12-03T14:00:00Z"))).toEqual({ open: true });
    expect(availability(days, zone, at("2026-12-05T10:00:00Z"))).toMatchObject({ next: null });
  });

  test("after the one before has been handed in", () => {
    expect(availability({ ...work, waitsFor: "Ferry fares" }, zone, at("2026-12-02T10:00:00Z"))).toEqual({
      open: false,
      why: "waits",
    });
  });
});

describe("answers of a device that was away", () => {
  const closing = { ...work, closes: at("2026-12-03T15:00:00Z") };
  test("are kept aside for a fortnight after the door closed, and not before it opened", () => {
    expect(takesLate(closing, zone, at("2026-12-17T15:00:00Z"))).toBe(true);
    expect(takesLate(closing, zone, at("2026-12-17T15:00:01Z"))).toBe(false);
    expect(takesLate(closing, zone, at("2026-11-30T03:00:00Z"))).toBe(false);
  });
  test("are kept aside for a fortnight after one of its days, and not before the first", () => {
    const days = { ...work, openDays: ["2026-12-02"] };
    expect(takesLate(days, zone, at("2026-12-03T10:00:00Z"))).toBe(true);
    expect(takesLate(days, zone, at("2026-12-17T10:00:00Z"))).toBe(false);
    expect(takesLate(days, zone, at("2026-12-01T10:00:00Z"))).toBe(false);
  });
});
