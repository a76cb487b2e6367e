import { titleAgreement } from "./title-words";

const better = (typed: string, one: string, other: string) =>
  expect(titleAgreement(typed, one)).toBeGreaterThan(titleAgreement(typed, other));

test("the very word goes before its kin, the beginning before the middle, the shorter title before the longer", () => {
  better("whales", "whales and how they breathe", "whaling days");
  better("lighthouse signals", "lighthouse signals", "signals of every lighthouse");
  better("tide", "reading the tides", "reading the timetable");
  expect(titleAgreement("tides", "tide at old quay")).toBe(titleAgreement("tide", "tides at old quay"));
  better("counting puffins", "counting puffins", "counting puffins at old quay");
});

test("it never adds more than words further apart would", () => {
  expect(titleAgreement("tides", "tides")).toBeLessThanOrEqual(0.6);
  expect(titleAgreement("", "tides")).toBe(0);
  expect(titleAgreement("rivers", "tides")).toBe(0);
});

test("all that is weighed: words that stand there, a title that begins with them, and how much of it they are", () => {
  expect(titleAgreement("tides", "tides")).toBeCloseTo(0.6);
  // One of two words stands there, and they are a quarter of the title.
  expect(titleAgreement("high tide", "reading a tide table")).toBeCloseTo(0.3 / 2 + 0.15 / 4);
  // Both stand there; the first where the title begins, the second not after it.
  expect(titleAgreement("tide table", "tide of the table")).toBeCloseTo(0.3 + 0.15 / 2);
  expect(titleAgreement("tide table", "tide table reading")).toBeCloseTo(0.3 + 0.15 + (0.15 * 2) / 3);
  expect(titleAgreement("tide tide", "tide")).toBeCloseTo(0.3 + 0.15);
});

test("only the s of a plural is left off", () => {
  expect(titleAgreement("gas", "ga")).toBe(0);
  expect(titleAgreement("puffins", "puffin")).toBeCloseTo(0.6);
});
