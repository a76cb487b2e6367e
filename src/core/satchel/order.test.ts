import fc from "fast-check";
import { besides, movedBy, movedOnto, placedBeside } from "./order";

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

describe("two people arranging at once", () => {
  test("a move lands beside what its mover saw, whatever has come or gone meanwhile", () => {
    expect(placedBeside([1, 2, 3, 4], 4, { after: 1, before: 2 })).toEqual([1, 4, 2, 3]);
    expect(placedBeside([9, 3, 1, 4], 4, { after: 1, before: 2 })).toEqual([9, 3, 1, 4]);
    expect(placedBeside([3, 2, 4], 4, { after: 1, before: 2 })).toEqual([3, 4, 2]);
    expect(placedBeside([3, 9, 4], 4, { after: null, before: 8 })).toEqual([4, 3, 9]);
    expect(placedBeside([4, 3, 9], 4, { after: 8, before: null })).toEqual([3, 9, 4]);
    expect(placedBeside([3, 4, 9], 4, { after: 7, before: 8 })).toEqual([3, 4, 9]);
    expect(placedBeside([3, 9], 4, { after: 3, before: 9 })).toEqual([3, 9]);
  });

  test("by itself a move comes out as it was made; after any moves of others nothing is lost or there twice", () => {
    const order = fc.uniqueArray(fc.nat(30), { minLength: 1, maxLength: 12 });
    const move = fc.tuple(fc.nat(11), fc.integer({ min: -12, max: 12 }));
    fc.assert(
      fc.property(
        order,
        fc.array(fc.tuple(fc.boolean(), move), { maxLength: 12 }),
        fc.nat(12),
        (start, moves, stale) => {
          let kept = [...start];
          let seen = [...start];
          for (const [at, [mine, [nth, by]]] of moves.entries()) {
            // One of the two sees the order of a while ago.
            const from = mine || at > stale ? kept : seen;
            const id = from[nth % from.length]!;
            const wanted = movedBy(from, id, by);
            const next = placedBeside(kept, id, besides(wanted, id));
            if (from === kept) expect(next).toEqual(wanted);
            expect([...next].sort()).toEqual([...start].sort());
            seen = kept;
            kept = next;
          }
        },
      ),
    );
  });
});
