import { movedBy, movedOnto } from "./order";

describe("the order in a pocket", () => {
  test("one place down or up, and no farther than the ends", () => {
    expect(movedBy([1, 2, 3], 1, 1)).toEqual([2, 1, 3]);
    expect(movedBy([1, 2, 3], 1, -1)).toEqual([1, 2, 3]);
    expect(movedBy([1, 2, 3], 2, 9)).toEqual([1, 3, 2]);
    expect(movedBy([1, 2, 3], 9, 1)).toEqual([1, 2, 3]);
  });

  test("carried onto another it stands where that stood, from above and from below", () => {
    expect(movedOnto([1, 2, 3, 4], 1, 3)).toEqual([2, 3, 1, 4]);
    expect(movedOnto([1, 2, 3, 4], 4, 2)).toEqual([1, 4, 2, 3]);
    expect(movedOnto([1, 2, 3], 1, 1)).toEqual([1, 2, 3]);
    expect(movedOnto([1, 2, 3], 1, 9)).toEqual([1, 2, 3]);
  });
});
