import { mapResponse, matchCorrect } from "./qti";

// Source of the values: the worked examples of 1EdTech QTI 2.1, "Implementation Guide" (from memory): a choice of
// molecules in water, an order of finishers, a text with a half-right spelling.
describe("match_correct", () => {
  test("a single identifier must be the correct one", () => {
    expect(matchCorrect(["ChoiceA"], ["ChoiceA"], "single")).toBe(1);
    expect(matchCorrect(["ChoiceB"], ["ChoiceA"], "single")).toBe(0);
  });

  test("multiple identifiers are a set: their order means nothing", () => {
    expect(matchCorrect(["O", "H"], ["H", "O"], "multiple")).toBe(1);
    expect(matchCorrect(["H"], ["H", "O"], "multiple")).toBe(0);
    expect(matchCorrect(["H", "O", "Cl"], ["H", "O"], "multiple")).toBe(0);
  });

  test("multiple is a bag: a value given twice is not the value given once", () => {
    expect(matchCorrect(["H", "H"], ["H", "O"], "multiple")).toBe(0);
  });

  test("ordered identifiers must stand in the correct order", () => {
    expect(matchCorrect(["C", "A", "B"], ["C", "A", "B"], "ordered")).toBe(1);
    expect(matchCorrect(["A", "C", "B"], ["C", "A", "B"], "ordered")).toBe(0);
  });
});

describe("map_response", () => {
  const water = {
    entries: new Map([
      ["H", 1],
      ["O", 1],
      ["Cl", -1],
    ]),
    defaultValue: -2,
    lowerBound: 0,
    upperBound: 2,
  };

  test.each([
    [["H", "O"], 2],
    [["H"], 1],
    [["H", "Cl"], 0],
    [["H", "O", "Cl"], 1],
    [["H", "He"], 0],
    [[], 0],
  ])("the composition of water: %j earns %d", (response, score) => {
    expect(mapResponse(response, water)).toBe(score);
  });

  test("each distinct value of a container counts once", () => {
    expect(mapResponse(["H", "H", "H"], water)).toBe(1);
  });

  test("a single text earns what its entry says, and the default when it has none", () => {
    const city = {
      entries: new Map([
        ["York", 1],
        ["york", 0.5],
      ]),
      defaultValue: 0,
    };
    expect(mapResponse(["York"], city)).toBe(1);
    expect(mapResponse(["york"], city)).toBe(0.5);
    expect(mapResponse(["Bath"], city)).toBe(0);
  });

  test("directed pairs are values like any other", () => {
    const plays = {
      entries: new Map([
        ["C R", 1],
        ["D M", 0.5],
        ["L M", 0.5],
        ["P T", 1],
      ]),
      defaultValue: 0,
    };
    expect(mapResponse(["C R", "D M", "L M", "P T"], plays)).toBe(3);
    expect(mapResponse(["C R", "D R", "L M"], plays)).toBe(1.5);
  });
});
