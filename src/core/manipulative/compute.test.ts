import fc from "fast-check";
import {
  angleAt,
  elapsed,
  handsAt,
  heightAt,
  jumps,
  lengthBetween,
  reduced,
  tilt,
  trade,
  turnedTo,
  worthOf,
} from "./compute";
import { currencies, fewestPieces, piecesFrom, piecesOf, formatMoney, totalOf } from "./coins";
import { manipulativeNames, newManipulative } from "./manipulative";
import { Manipulative } from "./schema";

const at = (hours: number, minutes: number) => hours * 60 + minutes;

test("each of the eight works as it is set up", () => {
  expect(manipulativeNames).toHaveLength(8);
  for (const name of manipulativeNames) expect(Manipulative.parse(newManipulative(name, "en")).tool).toBe(name);
});

describe("bars", () => {
  test("a part of a whole is said in lowest terms", () => {
    expect(reduced({ numerator: 6, denominator: 8 })).toEqual({ numerator: 3, denominator: 4 });
    expect(reduced({ numerator: 0, denominator: 5 })).toEqual({ numerator: 0, denominator: 1 });
    expect(() => reduced({ numerator: 1, denominator: 0 })).toThrow(RangeError);
  });
});

describe("blocks of ten", () => {
  test("ten ones are one ten, and nothing is won or lost by trading", () => {
    const blocks = [13, 2, 0];
    expect(trade(blocks, 0, "up")).toEqual([3, 3, 0]);
    expect(worthOf(trade(blocks, 0, "up")!)).toBe(worthOf(blocks));
    expect(trade([3, 3, 0], 1, "down")).toEqual([13, 2, 0]);
  });
  test("what is not there cannot be traded", () => {
    expect(trade([9, 0], 0, "up")).toBeNull();
    expect(trade([0, 12], 1, "up")).toBeNull();
    expect(trade([5, 0], 1, "down")).toBeNull();
  });
});

describe("the clock", () => {
  test("hands stand where hands stand", () => {
    expect(handsAt(at(3, 0))).toEqual({ hour: 90, minute: 0 });
    expect(handsAt(at(12, 30))).toEqual({ hour: 15, minute: 180 });
    expect(handsAt(at(21, 45))).toEqual({ hour: 292.5, minute: 270 });
  });
  test("turning the long hand over twelve takes the hour along, both ways", () => {
    expect(turnedTo(at(9, 55), 12)).toBe(at(10, 2));
    expect(turnedTo(at(10, 2), 330)).toBe(at(9, 55));
    expect(turnedTo(at(0, 0), 354)).toBe(at(23, 59));
  });
  test("elapsed time goes over midnight, and is counted as a child counts it", () => {
    expect(elapsed(at(22, 50), at(1, 15))).toBe(145);
    expect(jumps(at(9, 40), at(12, 15))).toEqual([
      { minutes: 20, to: at(10, 0) },
      { minutes: 120, to: at(12, 0) },
      { minutes: 15, to: at(12, 15) },
    ]);
    expect(jumps(at(9, 10), at(9, 30))).toEqual([{ minutes: 20, to: at(9, 30) }]);
    expect(jumps(at(9, 0), at(9, 0))).toEqual([]);
  });
  test("the jumps are always all of the time between", () => {
    for (let from = 0; from < 1440; from += 37)
      for (let to = 0; to < 1440; to += 41)
        expect(jumps(from, to).reduce((sum, { minutes }) => sum + minutes, 0)).toBe(elapsed(from, to));
  });
});

describe("the balance", () => {
  test("hangs to the heavier side and level only when both are the same", () => {
    expect(tilt(350, 350)).toBe(0);
    expect(tilt(0.3, 0.1 + 0.2)).toBe(0);
    expect(tilt(350, 0)).toBe(-1);
    expect(tilt(350, 349)).toBeLessThan(0);
    expect(tilt(350, 351)).toBeGreaterThan(0);
  });
});

describe("reading a graph", () => {
  const tide = {
    points: [
      [0, 1],
      [6, 7],
    ] as [number, number][],
    curve: "tide" as const,
  };
  test("straight lines go through their points and evenly between them", () => {
    const straight = { ...tide, curve: "straight" as const };
    expect(heightAt(straight, 0)).toBe(1);
    expect(heightAt(straight, 2)).toBeCloseTo(3);
    expect(heightAt(straight, 6)).toBe(7);
    expect(heightAt(straight, 6.1)).toBeNull();
    expect(heightAt(straight, -0.1)).toBeNull();
  });
  test("a tide follows the rule of twelfths: 1, 2, 3, 3, 2, 1 parts of twelve in six hours", () => {
    // Rule of twelfths (common practice of seafarers), here for a rise of 6 m. The curve itself is half a cosine wave.
    const twelfths = [0, 1, 3, 6, 9, 11, 12];
    twelfths.forEach((parts, hour) => {
      expect(Math.abs(heightAt(tide, hour)! - (1 + (6 * parts) / 12))).toBeLessThan(0.11);
    });
    expect(heightAt(tide, 3)).toBeCloseTo(4);
  });
});

describe("coins and notes", () => {
  test("the fewest pieces for an amount, also where taking the largest first would be wrong", () => {
    expect(fewestPieces(68, [25, 10, 5, 1])).toEqual({ 25: 2, 10: 1, 5: 1, 1: 3 });
    expect(fewestPieces(6, [4, 3, 1])).toEqual({ 3: 2 });
    expect(fewestPieces(3, [5, 2])).toBeNull();
    expect(fewestPieces(0, [5])).toEqual({});
  });
  test("the fewest pieces are worth the amount, in every currency", () => {
    for (const currency of currencies()) {
      const worths = piecesOf(currency).map(({ worth }) => worth);
      const smallest = Math.min(...worths);
      for (const times of [1, 7, 39, 83])
        expect(totalOf(fewestPieces(times * smallest, worths)!)).toBe(times * smallest);
    }
  });
  test("money is written as its language writes it", () => {
    expect(formatMoney(1250, "USD", "en")).toBe("$12.50");
    expect(formatMoney(1250, "EUR", "es").replace(/\s/g, " ")).toBe("12,50 €");
    expect(formatMoney(1250, "JPY", "en")).toBe("¥1,250");
    expect(formatMoney(1250, "XSC", "en")).toBe("12.50 cr");
  });
  test("coins of one's own, said in whole ones", () => {
    expect(piecesFrom([5, 2, 1, 0.5, 2], "XSC")).toEqual([500, 200, 100, 50]);
    expect(piecesFrom([500, 100], "JPY")).toEqual([500, 100]);
    for (const wrong of [[], [-1], [0], [0.001], [99_999_999]]) expect(piecesFrom(wrong, "EUR")).toBeNull();
    expect(piecesOf("XSC", [25, 100])).toEqual([
      { worth: 100, is: "coin" },
      { worth: 25, is: "coin" },
    ]);
  });
});

describe("ruler and protractor", () => {
  test("a length is in the picture's unit, whatever the shape of the picture", () => {
    expect(lengthBetween({ x: 0, y: 0 }, { x: 1, y: 0 }, 0.5, 20)).toBeCloseTo(20);
    expect(lengthBetween({ x: 0, y: 0 }, { x: 0, y: 1 }, 0.5, 20)).toBeCloseTo(10);
    expect(lengthBetween({ x: 0, y: 0 }, { x: 0.3, y: 0.8 }, 0.5, 10)).toBeCloseTo(5);
  });
  test("an angle is the smaller one between its arms", () => {
    const corner = { x: 0.5, y: 0.5 };
    expect(angleAt(corner, { x: 1, y: 0.5 }, { x: 0.5, y: 0 }, 1)).toBeCloseTo(90);
    expect(angleAt(corner, { x: 0, y: 0.51 }, { x: 0, y: 0.49 }, 1)).toBeCloseTo(2.29, 1);
    expect(angleAt(corner, { x: 1, y: 0.5 }, { x: 0.75, y: 0.25 }, 2)).toBeCloseTo(63.43, 1);
  });
});

describe("for any setting", () => {
  test("a clock turned to where its hand already stands stays, and never jumps by more than half an hour", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1439 }), fc.integer({ min: 0, max: 359 }), (minute, degrees) => {
        expect(turnedTo(minute, handsAt(minute).minute)).toBe(minute);
        const moved = elapsed(minute, turnedTo(minute, degrees));
        expect(Math.min(moved, 1440 - moved)).toBeLessThanOrEqual(30);
      }),
    );
  });

  test("no trade of blocks changes what they are worth, and every one can be taken back", () => {
    const blocks = fc.array(fc.integer({ min: 0, max: 19 }), { minLength: 2, maxLength: 4 });
    fc.assert(
      fc.property(blocks, fc.integer({ min: 0, max: 3 }), (counts, place) => {
        const up = trade(counts, place, "up");
        if (!up) return;
        expect(worthOf(up)).toBe(worthOf(counts));
        expect(trade(up, place + 1, "down")).toEqual(counts);
      }),
    );
  });

  test("a tide never rises above high water nor falls below low water", () => {
    const levels = fc.array(fc.integer({ min: -20, max: 80 }), { minLength: 2, maxLength: 8 });
    fc.assert(
      fc.property(levels, fc.double({ min: 0, max: 1, noNaN: true }), (heights, along) => {
        const points = heights.map((height, at): [number, number] => [at * 6, height / 10]);
        const x = along * points.at(-1)![0];
        const height = heightAt({ points, curve: "tide" }, x)!;
        expect(height).toBeGreaterThanOrEqual(Math.min(...heights) / 10 - 1e-9);
        expect(height).toBeLessThanOrEqual(Math.max(...heights) / 10 + 1e-9);
      }),
    );
  });

  test("a length is the same from either end, an angle from either arm", () => {
    const place = fc.record({
      x: fc.double({ min: 0, max: 1, noNaN: true }),
      y: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(place, place, place, (one, other, corner) => {
        expect(lengthBetween(one, other, 0.7, 12)).toBeCloseTo(lengthBetween(other, one, 0.7, 12));
        expect(angleAt(corner, one, other, 0.7)).toBeCloseTo(angleAt(corner, other, one, 0.7));
        expect(angleAt(corner, one, other, 0.7)).toBeLessThanOrEqual(180);
      }),
    );
  });
});

describe("how one is set up", () => {
  test.each<[string, object]>([
    ["a bar cut into nothing", { tool: "bars", parts: [0] }],
    ["more bars than fit", { tool: "bars", parts: [2, 3, 4, 5, 6] }],
    [
      "a graph whose points go back",
      {
        tool: "graph reader",
        x: { from: 0, to: 9, step: 1 },
        y: { from: 0, to: 9, step: 1 },
        points: [
          [3, 1],
          [2, 4],
        ],
      },
    ],
    ["a time that is none", { tool: "clock", from: 1440, to: 0 }],
    ["money of a country that is not there", { tool: "coins", currency: "XXX" }],
    ["a weight of nothing", { tool: "balance", left: [{ name: {}, weight: 0 }], weights: [1] }],
    ["a line from high to low", { tool: "number line", axis: { from: 9, to: 1, step: 1 } }],
    [
      "a picture from elsewhere",
      { tool: "ruler", measure: "length", media: "https://skerry.example/a.png", description: {} },
    ],
  ])("%s is refused", (_name, tool) => {
    expect(Manipulative.safeParse(tool).success).toBe(false);
  });
});
