import { decimalSign, numberIsRight, parseNumber } from "./number";

describe("numbers as children and teachers write them", () => {
  test.each([
    ["12", 12],
    [" 12 ", 12],
    ["-3", -3],
    ["−3", -3],
    ["1,250", 1250],
    ["1 250", 1250],
    ["1 250", 1250],
    ["12,345,678.5", 12345678.5],
    ["12.5", 12.5],
    ["12,5", 12.5],
    [".5", 0.5],
    ["5.", 5],
    ["3/4", 0.75],
    ["1 1/2", 1.5],
    ["-1 1/2", -1.5],
    ["3⁄4", 0.75],
  ])("%j is %d in English", (typed, value) => {
    expect(parseNumber(typed)).toBe(value);
  });

  test.each([
    ["12,5", 12.5],
    ["1.250", 1250],
    ["1,250", 1.25],
    ["1.250,75", 1250.75],
  ])("%j is %d where the comma is the decimal sign", (typed, value) => {
    expect(parseNumber(typed, ",")).toBe(value);
  });

  test.each(["", "twelve", "12 h", "1/0", "1.2.3", "--3", "3/", "1e3", "Infinity"])("%j is no number", (typed) => {
    expect(parseNumber(typed)).toBeNull();
  });

  test("the decimal sign follows the language", () => {
    expect(decimalSign("en")).toBe(".");
    expect(decimalSign("es")).toBe(",");
  });
});

describe("a number is right", () => {
  const part = { id: "p", right: 25, tolerance: 1 };

  test("up to and including the tolerance, and no further", () => {
    expect(numberIsRight(part, { number: "24" })).toBe(true);
    expect(numberIsRight(part, { number: "26" })).toBe(true);
    expect(numberIsRight(part, { number: "26.01" })).toBe(false);
    expect(numberIsRight(part, { number: "" })).toBe(false);
  });

  test("without tolerance only itself, but floating-point dust is nobody's mistake", () => {
    expect(numberIsRight({ right: 0.1 + 0.2, tolerance: 0 }, { number: "0.3" })).toBe(true);
    expect(numberIsRight({ right: 0.3, tolerance: 0 }, { number: "0.30001" })).toBe(false);
  });

  test("in any accepted unit, converted; in the wrong kind of unit never", () => {
    const length = {
      id: "p",
      right: 4.2,
      tolerance: 0,
      units: [
        { name: "m", factor: 1 },
        { name: "cm", factor: 0.01 },
        { name: "m²", factor: null },
      ],
    };
    expect(numberIsRight(length, { number: "4.2", unit: "m" })).toBe(true);
    expect(numberIsRight(length, { number: "420", unit: "cm" })).toBe(true);
    expect(numberIsRight(length, { number: "4.2", unit: "cm" })).toBe(false);
    expect(numberIsRight(length, { number: "4.2", unit: "m²" })).toBe(false);
    expect(numberIsRight(length, { number: "4.2" })).toBe(false);
  });

  // The inch is 2.54 cm exactly (international yard and pound agreement, 1959; the value is in the checks we follow).
  test("one inch is right as 2.54 cm", () => {
    const inch = {
      id: "p",
      right: 2.54,
      tolerance: 0,
      units: [
        { name: "cm", factor: 1 },
        { name: "in", factor: 2.54 },
      ],
    };
    expect(numberIsRight(inch, { number: "1", unit: "in" })).toBe(true);
  });
});
