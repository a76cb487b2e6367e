import fc from "fast-check";
import { richText } from "../content/rich-text";
import { newQuestion } from "../question/new-question";
import type { Question } from "../question/question";
import { parseDocument, type Document } from "../resource/schema/document";
import type { Block } from "../resource/schema/block";
import { studentDocument } from "../resource/student-view";
import { unfinished } from "../resource/unfinished";
import { lesson } from "@/data/testing/world";
import { datesAndTimes } from "./dates";
import { applyPlace, placeChanges, tiedTo } from "./place-document";
import { placeOf, type Place } from "./places";
import { reckon } from "./reckon";
import { convert, inRoundFigures, mentionsIn, unitNamed } from "./units";

const [us, gb, xs] = ["US", "GB", "XS"].map((code) => placeOf(code)!) as [Place, Place, Place];

describe("amounts", () => {
  // CHECKS: exact by definition. 1 in = 2.54 cm; 1 mi = 1.609344 km; 1 lb = 0.45359237 kg; US gal 3.785411784 L; °F = °C·9/5+32.
  test.each([
    [1, "inch", 2.54],
    [1, "foot", 0.3048],
    [1, "yard", 0.9144],
    [1, "mile", 1.609344],
    [1, "pound", 0.45359237],
    [16, "ounces", 453.59237],
    [1, "gallon", 3.785411784],
    [32, "°F", 0],
    [212, "degrees Fahrenheit", 100],
    [-40, "°F", -40],
  ])("%d %s is exactly %d", (amount, name, exact) => {
    expect(convert(amount, unitNamed(name, "customary")!)).toBeCloseTo(exact, 9);
  });

  // Common practice of textbooks: as many figures as were written, two at least; temperatures to as many decimals.
  test.each([
    ["5", "miles", 8],
    ["12", "miles", 19],
    ["100", "miles", 160],
    ["1,250", "miles", 2010],
    ["3", "feet", 0.91],
    ["12", "inches", 30],
    ["2.5", "miles", 4],
    ["150", "lb", 68],
    ["72", "°F", 22],
    ["98.6", "°F", 37],
    ["31", "°F", -1],
  ])("%s %s are %d in round figures", (figures, name, round) => {
    const unit = unitNamed(name, "customary")!;
    expect(inRoundFigures(convert(Number(figures.replace(",", "")), unit), figures, unit)).toBe(round);
  });

  test("are found with a space, a hyphen or nothing; what is mixed is by hand, and words that are no units are not found", () => {
    const said = (text: string) => mentionsIn(text, "customary").map(({ text: found, mixed }) => [found, mixed]);
    expect(said("a 12-inch ruler, 5ft, 1,200 miles and -4 °F")).toEqual([
      ["12-inch", false],
      ["5ft", false],
      ["1,200 miles", false],
      ["-4 °F", false],
    ]);
    expect(said("5-10 miles, 1/2 mile, 6 feet 2 inches, 2 to 3 pounds")).toEqual([
      ["10 miles", true],
      ["2 mile", true],
      ["6 feet", true],
      ["2 inches", true],
      ["3 pounds", true],
    ]);
    expect(said("There are 5 in a boat; footsteps, smiles, 7 m")).toEqual([]);
  });

  test("there and back is the same amount, but for what rounding takes", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("inch", "foot", "mile", "pound", "gallon", "ounce"),
        fc.integer({ min: 1, max: 9999 }),
        (name, amount) => {
          const unit = unitNamed(name, "customary")!;
          const there = convert(amount, unit);
          const round = inRoundFigures(there, String(amount), unit);
          // Two figures are right to one part in twenty at worst.
          expect(Math.abs(round - there) / there).toBeLessThanOrEqual(0.05);
        },
      ),
    );
  });
});

describe("answers follow from what is given", () => {
  const mile = (was: number, now: number) => ({ was, now, unit: "mi" });
  const plain = (value: number) => ({ was: value, now: value, unit: "" });

  test("the number itself, a product, a difference, all together, the mean", () => {
    expect(reckon(5, "mi", [mile(5, 8)])).toEqual({ now: 8, how: "8" });
    expect(reckon(15, "mi", [plain(3), mile(5, 8)])).toEqual({ now: 24, how: "3 × 8" });
    expect(reckon(7, "mi", [mile(12, 19), mile(5, 8)])).toEqual({ now: 11, how: "19 − 8" });
    expect(reckon(22, "mi", [mile(12, 19), mile(5, 8), mile(5.5, 8.9), mile(-0.5, -0.8)])?.now).toBe(35.1);
    expect(reckon(6, "mi", [mile(3, 4.8), mile(5, 8), mile(10, 16)])?.now).toBe(9.6);
  });

  test("units must agree: three miles are not three trips", () => {
    expect(reckon(3, "mi", [plain(3)])).toBeNull();
    expect(reckon(4, "", [mile(12, 19), mile(3, 4.8)])).toBeNull(); // 3.958… pieces would be no whole number
    expect(reckon(2, "", [mile(10, 16), mile(5, 8)])).toEqual({ now: 2, how: "16 ÷ 8" });
  });

  test("two ways that lead to different answers prove nothing", () => {
    expect(reckon(10, "mi", [mile(4, 6.4), mile(6, 9.7), mile(5, 8), plain(2)])).toBeNull();
  });
});

describe("a document converted", () => {
  const asks = (type: Question["type"], words: string, more: object): Block => ({
    ...{ id: `b${words.length}`, type: "question" },
    question: {
      ...newQuestion(type, "en", () => `q${words.length}`),
      ...{ prompt: { en: richText(words) }, ...more },
    } as Question,
  });
  const withBlocks = (...blocks: Block[]): Document => ({
    ...lesson("Miles"),
    steps: [{ ...lesson("x").steps[0]!, instructions: {}, blocks }],
  });
  const converted = (document: Document, to = gb) => {
    const changes = placeChanges(document, us, to, "convert");
    return { changes, made: applyPlace(document, changes).steps[0]!.blocks };
  };
  const number = (words: string, right: number, more: object = {}) =>
    asks("number", words, { parts: [{ id: "p", right, tolerance: 0, unit: "miles", ...more }] });

  test("the answer, its unit, its margin and the hint change with the numbers", () => {
    const hint = { en: richText("5 miles three times are 15 miles.") };
    const question = number("The ferry goes 5 miles three times. How far is that?", 15, { tolerance: 1 });
    const { changes, made } = converted(
      withBlocks({ ...question, question: { ...(question as { question: Question }).question, hint } } as Block),
    );
    expect(made[0]).toMatchObject({ question: { parts: [{ right: 24, unit: "kilometres", tolerance: 1.6 }] } });
    expect(JSON.stringify(made[0])).toContain("8 kilometres three times are 24 kilometres.");
    expect(changes.find(({ answer }) => answer)).toMatchObject({
      from: "15 miles",
      to: "24 kilometres",
      after: "8 × 3 = 24",
    });
    expect(JSON.stringify(made[0])).not.toContain("toCheck");
  });

  test("what cannot be converted automatically in a question marks it: a fraction, a difference in degrees", () => {
    for (const words of ["Walk ½ mile. How many miles is that twice?", "It rose by 9 °F. By how many was that?"]) {
      const { made } = converted(withBlocks(number(words, 1)));
      expect(made[0]).toMatchObject({ question: { toCheck: true } });
    }
  });

  test("what a hint says of its own is converted by itself, even where it could be a sum of what is given", () => {
    const question = number("A boat sails 3 miles and 8 miles. How far is the first part?", 3);
    const hint = { en: richText("11 miles are a day’s trip.") };
    const asked = { ...(question as { question: Question }).question, hint };
    const { made } = converted(withBlocks({ ...question, question: asked } as Block));
    expect(JSON.stringify(made[0])).toContain("18 kilometres are a day’s trip.");
  });

  test("numbers of a table whose caption names the unit, and the question about two of them", () => {
    const table: Block = {
      ...{ id: "t", type: "table", headerRow: true, headerColumn: false },
      caption: { en: "At noon, in degrees Fahrenheit" },
      rows: {
        en: [
          ["Mon", "Wed"],
          ["41", "52"],
        ],
      },
    };
    const { made } = converted(
      withBlocks(table, number("How many degrees Fahrenheit warmer was Wednesday?", 11, { unit: "°F" })),
    );
    expect(made[0]).toMatchObject({
      caption: { en: "At noon, in degrees Celsius" },
      rows: {
        en: [
          ["Mon", "Wed"],
          ["5", "11"],
        ],
      },
    });
    expect(JSON.stringify(made[1])).toContain("How many degrees Celsius warmer was Wednesday?");
    expect(made[1]).toMatchObject({ question: { parts: [{ right: 6, unit: "°C" }] } });
  });

  test("choices are reckoned as the answer is, and those that fall together are marked", () => {
    const option = (id: string, text: string) => ({ id, text: { en: text } });
    const choice = (...texts: string[]) =>
      asks("choice", "A boat sails 5 miles and 12 miles. How far is that?", {
        options: texts.map((text, at) => option(`o${at}`, text)),
        right: "o0",
      });
    const one = converted(withBlocks(choice("17 miles", "7 miles", "60 miles")));
    expect(JSON.stringify(one.made)).toContain("27 kilometres");
    expect(JSON.stringify(one.made)).not.toContain("toCheck");
    const other = converted(withBlocks(choice("17 miles", "50 miles", "50.1 miles")));
    expect(other.made[0]).toMatchObject({ question: { options: [{}, { text: { en: "80 kilometres" } }, {}] } });
    const collide = converted(withBlocks(choice("17 miles", "16.8 miles", "7 miles")));
    expect(collide.made[0]).toMatchObject({ question: { toCheck: true } });
  });

  test("an answer that does not follow is marked, blocks publishing, and is no child's to see", () => {
    const document = withBlocks(number("How far is it to the lighthouse, which is 5 miles behind the bar?", 9));
    const { made } = converted(document);
    expect(made[0]).toMatchObject({ question: { toCheck: true, parts: [{ right: 9, unit: "miles" }] } });
    const after = parseDocument(applyPlace(document, placeChanges(document, us, gb, "convert")));
    expect(unfinished(after, 1).map(({ problem }) => problem)).toContain(
      "The numbers of a question were changed: is its answer still right?",
    );
    expect(JSON.stringify(studentDocument(after))).not.toContain("toCheck");
  });

  test("the numbers of a step change together, and to a place with the same units nothing is converted", () => {
    const document = withBlocks(number("It is 5 miles there. How far is it there and back, twice 5 miles?", 10));
    const changes = placeChanges(document, us, gb, "convert").filter(
      ({ kind, step }) => kind === "units" && step !== null,
    );
    expect(tiedTo(changes, changes[0]!)).toEqual(changes);
    expect(placeChanges(document, gb, xs, "convert").filter(({ kind }) => kind === "units")).toEqual([]);
  });

  test("a later step may ask about what was read in an earlier one; a question without numbers stays", () => {
    const step = (id: string, ...blocks: Block[]) => ({ ...lesson("x").steps[0]!, id, instructions: {}, blocks });
    const text: Block = { id: "t", type: "text", text: { en: richText("It is 5 miles to the lighthouse.") } };
    const option = (id: string, words: string) => ({ id, text: { en: words } });
    const choice = (words: string, ...texts: string[]) =>
      asks("choice", words, {
        options: texts.map((one, at) => option(`${words.length}o${at}`, one)),
        right: `${words.length}o0`,
      });
    const document = {
      ...lesson("x"),
      steps: [
        step("one", text),
        step(
          "two",
          choice("How far is it then?", "about 5", "about 50"),
          choice("Who lives there?", "the keeper", "nobody"),
        ),
      ],
    };
    const checks = placeChanges(document, us, gb, "convert").filter(({ check }) => check);
    expect(checks.map(({ before }) => before)).toEqual(["How far is it then?"]);
  });

  test("asked in two languages, it is hers: the other one still has the old numbers", () => {
    const question = number("It is 5 miles there. How far is it?", 5);
    const both = {
      ...(question as { question: Question }).question,
      prompt: { en: richText("It is 5 miles."), es: richText("Son 5 millas.") },
    };
    const { made } = converted({ ...withBlocks({ ...question, question: both } as Block), languages: ["en", "es"] });
    expect(made[0]).toMatchObject({ question: { toCheck: true } });
  });
});

describe("dates and hours", () => {
  const said = (text: string, from: Place, to: Place) =>
    datesAndTimes(text, from, to).map(({ from: stood, to: becomes, sure }) => [stood, becomes, sure]);

  test("stand in the order of the place; what can be read in two ways is asked about", () => {
    expect(said("December 5, 2026, and March 3rd; 12/25/2026 or 3/4/2026", us, gb)).toEqual([
      ["December 5, 2026", "5 December 2026", true],
      ["March 3rd", "3rd March", true],
      ["12/25/2026", "25/12/2026", true],
      ["3/4/2026", "4/3/2026", false],
    ]);
    expect(said("on 5 December 2026", gb, us)).toEqual([["5 December 2026", "December 5, 2026", true]]);
    expect(said("on May 5 of you may go", us, gb)).toEqual([["May 5", "5 May", false]]);
    expect(said("13/13/2026", us, gb)).toEqual([]);
  });

  test("hours go by the clock of the place", () => {
    expect(said("from 9:15 a.m. to 3:40 PM", us, xs)).toEqual([
      ["9:15 a.m.", "9:15", true],
      ["3:40 PM", "15:40", true],
    ]);
    expect(said("at 12:05 am and 12:05 pm", us, xs).map(([, to]) => to)).toEqual(["0:05", "12:05"]);
    expect(said("9:15 and 15:40", xs, us)).toEqual([["15:40", "3:40 PM", true]]);
  });
});
