import fc from "fast-check";
import type { Gap } from "../../question";
import { usualSpelling } from "../../../content/vocabulary";
import {
  hasRightWord,
  isChosen,
  MOST_LISTED,
  otherWords,
  withoutWords,
  withWords,
  withWordsIn,
  wordsFor,
} from "./word-list";

const gap = (id: string, ...accepted: string[]): Gap => ({ id, accepted });
const tides = [gap("g1", "high", "flood"), gap("g2", "low")];

describe("words to choose from in a passage", () => {
  test("every gap has the same list: what is right in any of them, and the others", () => {
    const gaps = withWords(tides, ["salty", " warm ", ""], "en");
    expect(gaps.map((one) => one.options)).toEqual([
      ["high", "low", "salty", "warm"],
      ["high", "low", "salty", "warm"],
    ]);
    expect(otherWords(gaps)).toEqual(["salty", "warm"]);
  });

  test("the order of the list tells nothing, and is the language's own", () => {
    expect(withWords([gap("g1", "zumo"), gap("g2", "ñandú")], ["nube"], "es")[0]!.options).toEqual([
      "nube",
      "ñandú",
      "zumo",
    ]);
  });

  test("one word is nothing to choose from: it is typed", () => {
    expect(isChosen(withWords([gap("g1", "high")], [], "en"))).toBe(false);
    expect(isChosen(withWords([gap("g1", "high")], ["low"], "en"))).toBe(true);
  });

  test("taking the list away leaves the gaps with their answers", () => {
    const listed = withWordsIn(withWords(tides, ["salty"], "en"), "es", ["alta", "baja"]);
    expect(withoutWords(listed)).toEqual(tides);
  });

  test("whatever is written, what is right can be chosen, and no list is longer than allowed", () => {
    const word = fc.string({ minLength: 1, maxLength: 12 }).map((text) => text.trim() || "?");
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: MOST_LISTED }),
        fc.array(word, { maxLength: 40 }),
        (right, others) => {
          const gaps = withWords(
            right.map((one, at) => gap(`g${at}`, one)),
            others,
            "en",
          );
          for (const one of gaps) {
            expect(hasRightWord(one, "en", usualSpelling)).toBe(true);
            expect(one.options?.length ?? 2).toBeLessThanOrEqual(MOST_LISTED);
            expect(one.options?.length ?? 2).toBeGreaterThanOrEqual(2);
          }
        },
      ),
    );
  });
});

describe("the list in another language", () => {
  const listed = withWords(tides, ["salty"], "en");

  test("who reads in it chooses from it; who does not, from the first language's", () => {
    const gaps = withWordsIn(listed, "es", ["baja", "alta", "salada"]);
    expect(wordsFor(gaps[0]!, "es")).toEqual(["alta", "baja", "salada"]);
    expect(wordsFor(gaps[0]!, "fr")).toEqual(["high", "low", "salty"]);
    expect(wordsFor(gaps[0]!, undefined)).toEqual(["high", "low", "salty"]);
  });

  test("until it has two words, the first language's is shown", () => {
    expect(wordsFor(withWordsIn(listed, "es", ["alta"])[0]!, "es")).toEqual(["high", "low", "salty"]);
  });

  test("a gap in which none of its words is right is found", () => {
    const gaps = withWordsIn(listed, "es", ["alta", "baja"]);
    expect(gaps.map((one) => hasRightWord(one, "es", usualSpelling))).toEqual([false, false]);
    expect(hasRightWord({ ...gaps[0]!, accepted: ["high", "alta"] }, "es", usualSpelling)).toBe(true);
    expect(gaps.map((one) => hasRightWord(one, "en", usualSpelling))).toEqual([true, true]);
  });

  test("what counts as right is what will be marked as right", () => {
    const loud = withWordsIn([{ ...gap("g1", "alta"), options: ["alta", "baja"] }], "es", ["ALTA", "BAJA"]);
    expect(hasRightWord(loud[0]!, "es", usualSpelling)).toBe(true);
    expect(hasRightWord(loud[0]!, "es", { ...usualSpelling, ignoreCase: false })).toBe(false);
  });

  test("a gap made later has it too", () => {
    const gaps = withWordsIn(listed, "es", ["alta", "baja"]);
    expect(withWords([...gaps, gap("g3", "calm")], ["salty"], "en")[2]!.optionsIn).toEqual({ es: ["alta", "baja"] });
  });

  test("gaps that are typed have no list in any language", () => {
    expect(withWordsIn(tides, "es", ["alta", "baja"])).toEqual(tides);
    expect(wordsFor(tides[0]!, "es")).toBeUndefined();
  });
});
