import { comparable, isAccepted, oneSlipApart } from "./spelling";

const strict = { ignoreCase: false, ignoreAccents: false, forgiveOneSlip: false };
const usual = { ...strict, ignoreCase: true };

describe("typed words", () => {
  test("capitals matter only when she says so", () => {
    expect(isAccepted("Ebb", "ebb", usual)).toBe(true);
    expect(isAccepted("Ebb", "ebb", strict)).toBe(false);
  });

  test("spaces at the ends and doubled inside never matter, nor does a final full stop", () => {
    expect(isAccepted("  high   water. ", "high water", strict)).toBe(true);
  });

  test("where a mark is what is asked for, it is right, and another is not", () => {
    expect(isAccepted("?", "?", usual)).toBe(true);
    expect(isAccepted(" ! ", "!", strict)).toBe(true);
    expect(isAccepted("!", "?", usual)).toBe(false);
    expect(isAccepted("", "?", usual)).toBe(false);
  });

  test("an apostrophe is an apostrophe, curly or straight", () => {
    expect(isAccepted("keeper’s", "keeper's", strict)).toBe(true);
  });

  test("the same letter composed or decomposed is the same letter", () => {
    expect(comparable("días".normalize("NFD"), strict)).toBe(comparable("días".normalize("NFC"), strict));
  });

  test("accents matter unless she lets them go", () => {
    expect(isAccepted("dias", "días", usual)).toBe(false);
    expect(isAccepted("dias", "días", { ...usual, ignoreAccents: true })).toBe(true);
  });

  test("one slip is forgiven in a long word when she allows it, two are not, and short words must be right", () => {
    const kind = { ...usual, forgiveOneSlip: true };
    expect(isAccepted("starfsh", "starfish", kind)).toBe(true);
    expect(isAccepted("satrfish", "starfish", kind)).toBe(true);
    expect(isAccepted("satrfsh", "starfish", kind)).toBe(false);
    expect(isAccepted("eb", "ebb", kind)).toBe(false);
    expect(isAccepted("starfsh", "starfish", usual)).toBe(false);
  });

  test("nothing is never an answer", () => {
    expect(isAccepted("", "", usual)).toBe(false);
    expect(isAccepted("   ", "ebb", usual)).toBe(false);
  });

  // Damerau 1964: insertion, deletion, substitution, transposition of neighbours.
  test.each([
    ["tide", "tide", true],
    ["tde", "tide", true],
    ["tiide", "tide", true],
    ["tade", "tide", true],
    ["tdie", "tide", true],
    ["edit", "tide", false],
    ["ti", "tide", false],
    ["abcd", "badc", false],
  ])("%s and %s are one slip apart: %s", (a, b, expected) => {
    expect(oneSlipApart(a, b)).toBe(expected);
    expect(oneSlipApart(b, a)).toBe(expected);
  });
});
