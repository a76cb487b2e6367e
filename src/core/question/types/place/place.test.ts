import fc from "fast-check";
import { richText } from "../../../content/rich-text";
import { formatAnswer } from "../../format";
import { missingAnswer } from "../../missing-answer";
import type { QuestionOf } from "../../question";
import { formatStored, markStored } from "../../testing/stored";
import { withoutAnswers } from "../../without-answers";
import { isInside } from "./place";
import { COLUMNS, middleOf, ROWS, squareAt } from "./squares";

const lighthouses: QuestionOf<"place"> = {
  id: "q",
  type: "place",
  prompt: { en: richText("Mark both lighthouses.") },
  marks: 2,
  partial: "by part",
  checked: "at once",
  media: "drawing:isles-map",
  description: { en: "A map" },
  grid: true,
  most: 3,
  right: [
    { id: "north", x: 0.25, y: 0.25, across: 0.1, down: 0.05 },
    { id: "south", x: 0.75, y: 0.75, across: 0.1, down: 0.05 },
  ],
};

// Source: QTI's map_response_point (2.1 Information Model, from memory): a point earns what its area is worth, each area counts
// once, and a point in no area earns the default.
describe("marking a place on a map", () => {
  test.each([
    ["both, in any order", [[0.75, 0.76], [0.2, 0.25]], 2, "right"], // prettier-ignore
    ["one of two", [[0.25, 0.25]], 1, "partly"], // prettier-ignore
    ["the same place twice: once right, and one that is in no other place", [[0.25, 0.25], [0.26, 0.25]], 0, "wrong"], // prettier-ignore
    ["the open sea", [[0.5, 0.5]], 0, "wrong"], // prettier-ignore
    ["both and the open sea: what is wrong costs as much as one earns", [[0.25, 0.25], [0.75, 0.75], [0.5, 0.5]], 1, "partly"], // prettier-ignore
    ["no place", [], 0, "blank"],
  ])("%s", (_, points, marks, verdict) => {
    expect(markStored(lighthouses, points)).toMatchObject({ marks, verdict, outOf: 2 });
  });

  test("which of the marked places were right is told one by one", () => {
    expect(markStored(lighthouses, [[0.5, 0.5], [0.25, 0.25]]).parts).toEqual({ 0: false, 1: true }); // prettier-ignore
  });

  test("an area reaches as far across and down as it says, its edge belongs to it", () => {
    const area = { x: 0.5, y: 0.5, across: 0.2, down: 0.1 };
    expect(isInside([0.7, 0.5], area)).toBe(true);
    expect(isInside([0.5, 0.6], area)).toBe(true);
    expect(isInside([0.71, 0.5], area)).toBe(false);
    expect(isInside([0.5, 0.61], area)).toBe(false);
    expect(isInside([0.65, 0.58], area)).toBe(false);
  });

  test("what cannot be a place on the picture is no answer", () => {
    expect(markStored(lighthouses, [[0.5, 1.2]]).verdict).toBe("blank");
    expect(markStored(lighthouses, "north").verdict).toBe("blank");
  });
});

test("places are said by the square they are in, as on a map", () => {
  expect(formatStored(lighthouses, [[0, 0], [0.99, 0.99], [1, 1], [0.21, 0.4]], ["en"])).toBe("A1 · J8 · J8 · C4"); // prettier-ignore
  expect(formatAnswer(lighthouses, ["en"])).toBe("C3 · H7");
});

test("students get nothing of what is right, and are still told how many they may mark", () => {
  expect(withoutAnswers(lighthouses)).toMatchObject({ right: [], most: 3, media: "drawing:isles-map" });
});

test("it wants a right place, and room to mark every right one", () => {
  expect(missingAnswer(lighthouses, ["en"])).toBeNull();
  expect(missingAnswer({ ...lighthouses, right: [] }, ["en"])).toBe("No place in the picture is right yet.");
  expect(missingAnswer({ ...lighthouses, most: 1 }, ["en"])).toBe("Students may mark fewer places than are right.");
});

const share = fc.double({ min: 0, max: 1, noNaN: true });

test("with the arrow keys one goes square by square and never off the map", () => {
  fc.assert(
    fc.property(
      share,
      share,
      fc.integer({ min: -20, max: 20 }),
      fc.integer({ min: -20, max: 20 }),
      (x, y, right, down) => {
        const [to, low] = middleOf([x, y], right, down);
        expect(to).toBeGreaterThan(0);
        expect(to).toBeLessThan(1);
        expect(low).toBeGreaterThan(0);
        expect(low).toBeLessThan(1);
        // Nowhere to go: it stays in its square.
        expect(squareAt(middleOf([x, y]))).toBe(squareAt([x, y]));
      },
    ),
  );
  expect(squareAt(middleOf([0.05, 0.05], 1, 2))).toBe("B3");
  expect([COLUMNS, ROWS]).toEqual([10, 8]);
});
