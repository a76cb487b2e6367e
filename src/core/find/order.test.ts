import { orderedLines, type Candidate } from "./order";
import { candidate } from "./testing";

const idsOf = (candidates: Candidate[], sort: Parameters<typeof orderedLines>[1]["sort"] = "best") =>
  orderedLines(candidates, { sort }).map((line) => line.candidate.id);

describe("the best first", () => {
  test("better words come before use, use here before use elsewhere, and that before what is newer", () => {
    expect(
      idsOf([
        candidate(1, { fresh: 9 }),
        candidate(2, { uses: 50 }),
        candidate(3, { classes: 1, rank: 0.8 }),
        candidate(4, { rank: 3 }),
      ]),
    ).toEqual([4, 3, 2, 1]);
  });

  test("her school's use never outweighs all the words standing in the title", () => {
    expect(idsOf([candidate(1, { rank: 1.2, classes: 9, reach: 9 }), candidate(2, { rank: 3 })])).toEqual([2, 1]);
  });

  test("what stands in her staffroom comes a little before the same from elsewhere", () => {
    expect(idsOf([candidate(1, { rank: 1.05 }), candidate(2, { reach: 5 })])).toEqual([2, 1]);
  });

  test("of two that answer the words alike, the one for her class's grades comes first", () => {
    expect(idsOf([candidate(1, { uses: 9 }), candidate(2, { suits: true })])).toEqual([2, 1]);
    expect(idsOf([candidate(1, { rank: 1.1 }), candidate(2, { suits: true })])).toEqual([1, 2]);
  });

  test("an entry found twice is one line", () => {
    expect(idsOf([candidate(1), candidate(1), candidate(2)])).toEqual([2, 1]);
  });
});

describe("by a column", () => {
  test("titles as a reader would, numbers in them by their worth", () => {
    const titled = [
      candidate(1, { said: "Tide 10" }),
      candidate(2, { said: "Tide 9" }),
      candidate(3, { said: "élan" }),
    ];
    expect(idsOf(titled, "title")).toEqual([3, 2, 1]);
  });

  test("what has no reading grade comes last", () => {
    expect(idsOf([candidate(1), candidate(2, { said: 4.2 }), candidate(3, { said: 3.9 })], "reading")).toEqual([
      3, 2, 1,
    ]);
  });

  test("numbers as numbers, and of two that say nothing the better words first", () => {
    const read = [candidate(1, { said: 4.2 }), candidate(2, { said: 4.15 }), candidate(3, { said: 10 })];
    expect(idsOf(read, "reading")).toEqual([2, 1, 3]);
    expect(idsOf([candidate(5), candidate(6, { rank: 2 }), ...read], "reading")).toEqual([2, 1, 3, 6, 5]);
    expect(idsOf([candidate(6, { rank: 2 }), candidate(5), ...read.toReversed()], "reading")).toEqual([2, 1, 3, 6, 5]);
  });

  test("of two of one title the one that was there first", () => {
    const same = [candidate(2, { said: "Tides" }), candidate(1, { said: "Tides" }), candidate(3, { said: "Boats" })];
    expect(idsOf(same, "title")).toEqual([3, 1, 2]);
  });

  test("the shortest first, the better words first among them", () => {
    const timed = [
      candidate(1, { minutes: 20 }),
      candidate(2, { minutes: 10 }),
      candidate(3, { minutes: 10, rank: 2 }),
    ];
    expect(idsOf(timed, "minutes")).toEqual([3, 2, 1]);
  });

  test("most used at her school first", () => {
    expect(idsOf([candidate(1, { rank: 3 }), candidate(2, { classes: 2 })], "used")).toEqual([2, 1]);
  });
});

describe("versions of one thing", () => {
  const versions = [
    candidate(1, { family: 7, rank: 2 }),
    candidate(2, { family: 7, reach: 5 }),
    candidate(3, { rank: 1.5 }),
    candidate(4, { family: 7, rank: 0.5 }),
  ];

  test("are one line, under the best of them, and say how many are in her staffroom", () => {
    const lines = orderedLines(versions, { sort: "best" });
    expect(lines.map((line) => [line.candidate.id, line.versions, line.versionsHere])).toEqual([
      [1, 3, 1],
      [3, 1, 0],
    ]);
  });

  test("unfolded they follow the first", () => {
    const lines = orderedLines(versions, { sort: "best", unfolded: 7 });
    expect(lines.map((line) => [line.candidate.id, line.folded])).toEqual([
      [1, false],
      [2, true],
      [4, true],
      [3, false],
    ]);
  });

  test("all of them unfolded, every one is a line of its own", () => {
    const lines = orderedLines(versions, { sort: "best", unfoldAll: true });
    expect(lines.map((line) => [line.candidate.id, line.versions])).toEqual([
      [1, 1],
      [3, 1],
      [2, 1],
      [4, 1],
    ]);
  });
});
