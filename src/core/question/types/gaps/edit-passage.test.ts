import fc from "fast-check";
import { marksAfterEdit, readCells, writeCells } from "./edit-passage";
import { passageWords } from "../../passage";

const wordsMarked = (passage: string, places: readonly number[]) =>
  passageWords(passage, "word").flatMap(({ text, place }) => (place !== null && places.includes(place) ? [text] : []));

describe("what can be marked in a passage", () => {
  test("words with their apostrophes and accents; nothing between them", () => {
    const parts = passageWords("Don’t go out: the niño's boat, 2 oars.", "word");
    expect(parts.flatMap(({ text, place }) => (place === null ? [] : [text]))).toEqual([
      "Don’t",
      "go",
      "out",
      "the",
      "niño's",
      "boat",
      "2",
      "oars",
    ]);
  });

  test("sentences with their signs", () => {
    const sentences = passageWords("The tide is out. Is it? “Yes!” she said", "sentence");
    expect(sentences.filter(({ place }) => place !== null).map(({ text }) => text)).toEqual([
      "The tide is out.",
      "Is it?",
      "“Yes!”",
      "she said",
    ]);
  });

  test.each(["word", "sentence"] as const)("by %s, nothing of the passage is lost", (unit) => {
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), (passage) => {
        expect(
          passageWords(passage, unit)
            .map(({ text }) => text)
            .join(""),
        ).toBe(passage);
      }),
    );
  });
});

describe("marks in a passage that is edited", () => {
  const before = "the red boat and the blue boat";
  const marked = [1, 5];

  test.each([
    ["a word put in between", "the red boat and then the blue boat", ["red", "blue"]],
    ["a word put in front", "see the red boat and the blue boat", ["red", "blue"]],
    ["more at the end", "the red boat and the blue boat sail", ["red", "blue"]],
    ["a marked word spelt anew", "the rred boat and the blue boat", ["rred", "blue"]],
    ["what was marked taken out", "the boat and the blue boat", ["blue"]],
  ])("%s", (_, after, expected) => {
    expect(wordsMarked(after, marksAfterEdit(before, after, "word", marked))).toEqual(expected);
  });
});

describe("a table to fill, as it is typed", () => {
  let made = 0;
  const newId = () => `n${(made += 1)}`;

  test("brackets become gaps, bars part the answers, and it reads back as it was typed", () => {
    const typed = [
      ["Tide", "Height"],
      ["high", "[4.2|4,2]"],
      ["low", "[ 1.1 ]"],
    ];
    const { rows, gaps } = readCells(typed, [], newId);
    expect(gaps.map((gap) => gap.accepted)).toEqual([["4.2", "4,2"], ["1.1"]]);
    expect(rows[1]![1]).toBe(`[[${gaps[0]!.id}]]`);
    expect(writeCells(rows, gaps)[1]).toEqual(["high", "[4.2|4,2]"]);
  });

  test("a gap keeps its id while its answer is typed, also when another comes before it", () => {
    const gaps = [{ id: "a", accepted: ["4"] }];
    expect(readCells([["[4]"]], gaps, newId).gaps[0]!.id).toBe("a");
    expect(readCells([["[42]"]], gaps, newId).gaps[0]!.id).toBe("a");
    const two = readCells([["[7]", "[4]"]], gaps, newId).gaps;
    expect(two[1]!.id).toBe("a");
    expect(two[0]!.id).not.toBe("a");
  });

  test("taking the brackets away takes the gap away", () => {
    expect(readCells([["4"]], [{ id: "a", accepted: ["4"] }], newId)).toEqual({ rows: [["4"]], gaps: [] });
  });
});
