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
