import fc from "fast-check";
import { readTyped } from "./typed";

describe("what is typed into the words", () => {
  test("words stay words", () => {
    expect(readTyped("tide tables for beginners")).toEqual({
      words: "tide tables for beginners",
      codes: [],
      isbns: [],
      wrongIsbns: [],
      grades: [],
      by: null,
    });
  });

  test("a code of a statement is taken out, in capitals, whole or only its beginning", () => {
    expect(readTyped("ma.5.m.2")).toMatchObject({ words: "", codes: ["MA.5.M.2"] });
    expect(readTyped("fractions MA.K.N.1 game")).toMatchObject({ words: "fractions game", codes: ["MA.K.N.1"] });
    expect(readTyped("MA.5")).toMatchObject({ codes: ["MA.5"] });
    expect(readTyped("4.MD.2 rulers")).toMatchObject({ words: "rulers", codes: ["4.MD.2"] });
  });

  test("an ISBN too, with hyphens or without; a mistyped one is said to be one", () => {
    expect(readTyped("978-0-306-40615-7")).toMatchObject({ words: "", isbns: ["9780306406157"] });
    expect(readTyped("otter 0306406152")).toMatchObject({ words: "otter", isbns: ["9780306406157"] });
    expect(readTyped("978-0-306-40615-8")).toMatchObject({ isbns: [], wrongIsbns: ["9780306406158"] });
  });

  test("“by” and a name, to the end or the next little word", () => {
    expect(readTyped("tides by Teodor Brandt")).toMatchObject({ words: "tides", by: "Teodor Brandt" });
    expect(readTyped("by brandt about tides")).toMatchObject({ words: "about tides", by: "brandt" });
  });

  test("grades, however they are said", () => {
    for (const [typed, words, grades] of [
      ["money grade 4", "money", [4]],
      ["grades 3-5 tides", "tides", [3, 4, 5]],
      ["tides for 4th graders", "tides", [4]],
      ["puffins kindergarten", "puffins", [0]],
      ["grade k shapes", "shapes", [0]],
      ["grades 5 to 3", "grades 5 to 3", []],
      ["upgrade 4 boats", "upgrade 4 boats", []],
    ] as const)
      expect(readTyped(typed)).toMatchObject({ words, grades });
  });

  test("in quotes everything is just words", () => {
    expect(readTyped('"day by day" MA.5.M.2')).toMatchObject({ words: '"day by day" MA.5.M.2', codes: [], by: null });
  });

  test("nothing anybody types breaks it, and nothing but codes, numbers and names is taken away", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), (typed) => {
        const read = readTyped(typed);
        if (
          read.codes.length + read.grades.length + read.isbns.length + read.wrongIsbns.length === 0 &&
          read.by === null
        )
          expect(read.words).toBe(typed);
      }),
    );
  });
});
