import { formatLetterDate, letterParts, plainParts, readLetterParts } from "./letter-parts";

test("an address that says nothing asks for what is in a letter without being asked", () => {
  expect(readLetterParts(null)).toEqual(plainParts);
});

test("an address says what goes in, in any order; what it does not know is left out", () => {
  expect(readLetterParts("results,standards")).toEqual({ standards: true, goals: false, results: true });
  expect(readLetterParts("")).toEqual({ standards: false, goals: false, results: false });
  expect(readLetterParts("everything")).toEqual({ standards: false, goals: false, results: false });
  const all = letterParts.map(({ part }) => part).join(",");
  expect(Object.values(readLetterParts(all))).toEqual([true, true, true]);
});

test("days are written as the letter's language writes them", () => {
  expect(formatLetterDate("2026-09-14", "en")).toBe("14 September");
  expect(formatLetterDate("2026-09-14", "es")).toBe("14 de septiembre");
});
