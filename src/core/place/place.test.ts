import fc from "fast-check";
import { richText, plainText } from "../content/rich-text";
import { newQuestion } from "../question/new-question";
import type { Question } from "../question/question";
import type { Document } from "../resource/document";
import { lesson } from "@/data/testing/world";
import { changesIn } from "./find-changes";
import { proposeRunSheet } from "../run-sheet/propose";
import { changedSources } from "../run-sheet/source";
import { applyPlace, placeChanges, tiedTo } from "./place-document";
import { placeOf, places, type Place } from "./places";

const [us, gb, xs] = ["US", "GB", "XS"].map((code) => placeOf(code)!) as [Place, Place, Place];
const said = (text: string, from = us, to = gb) => changesIn(text, from, to).map((one) => [one.from, one.to, one.sure]);

describe("what belongs elsewhere", () => {
  test("money is called otherwise, and no number is touched", () => {
    expect(said("It costs $1.25, or 5 dollars and 1 cent. Dollars!", us, xs)).toEqual([
      ["$1.25", "1.25 cr", true],
      ["dollars", "crowns", true],
      ["cent", "penny", true],
      ["Dollars", "Crowns", true],
    ]);
    expect(said("$3", us, gb)).toEqual([["$3", "£3", true]]);
    expect(said("5 dollars", us, placeOf("AU")!)).toEqual([]);
  });

  test("spelling goes by sense: clear words change, others are asked about, names and quotations never by themselves", () => {
    expect(said("The color of my neighbor")).toEqual([
      ["color", "colour", true],
      ["neighbor", "neighbour", true],
    ]);
    expect(said("a gas meter, a program, a tire")).toEqual([
      ["meter", "metre", false],
      ["program", "programme", false],
      ["tire", "tyre", false],
    ]);
    expect(said("the town of Harbor View")).toEqual([["Harbor", "Harbour", false]]);
    expect(said("Color it. “My favorite color,” she said.")).toEqual([
      ["Color", "Colour", true],
      ["favorite", "favourite", false],
      ["color", "colour", false],
    ]);
  });

  test("what has no counterpart is listed and left to her: coins, holidays, lengths", () => {
    expect(said("a dime at Thanksgiving, 12 inches long")).toEqual([
      ["dime", null, false],
      ["Thanksgiving", null, false],
      ["12 inches", null, false],
    ]);
    expect(said("on letter-size paper in grade 4")).toEqual([
      ["letter-size paper", "A4 paper", true],
      ["grade", "year", false],
    ]);
  });
});

const asks: Question = {
  ...newQuestion("number", "en", () => "n"),
  ...{ prompt: { en: richText("What do two cost, in cents?") }, hint: { en: richText("Add the cents.") } },
  ...({ parts: [{ id: "p", right: 150, tolerance: 0, unit: "cents" }] } as object),
} as Question;
const document: Document = {
  ...lesson("The color of money"),
  languages: ["en", "es"],
  steps: [
    {
      ...lesson("x").steps[0]!,
      instructions: {
        en: { text: richText("Pay with $5.00. Look at the color.") },
        es: { text: richText("Paga $5.00.") },
      },
      blocks: [
        { id: "t", type: "table", rows: { en: [["Cup", "$0.75"]] }, headerRow: false, headerColumn: true },
        { id: "q", type: "question", question: asks },
      ],
    },
  ],
};

describe("in a document", () => {
  test("text, tables, questions, units of answers and hints are read; other languages and numbers stay", () => {
    const changes = placeChanges(document, us, xs);
    expect(changes.filter(({ kind }) => kind === "money").map(({ from, to }) => `${from} > ${to}`)).toEqual([
      "$5.00 > 5.00 cr",
      "$0.75 > 0.75 cr",
      "cents > pennies",
      "cents > pennies",
      "cents > pennies",
    ]);
    const changed = applyPlace(document, changes);
    const [step] = changed.steps;
    expect(plainText(step!.instructions.es!.text)).toBe("Paga $5.00.");
    expect(plainText(step!.instructions.en!.text)).toBe("Pay with 5.00 cr. Look at the colour.");
    expect(JSON.stringify(step!.blocks[1])).toContain('"right":150');
    expect(changed.title.en).toBe("The colour of money");
  });

  test("each change is seen in its sentence, before and after", () => {
    const [first] = placeChanges(document, us, xs).filter(({ from }) => from === "$5.00");
    expect(first).toMatchObject({ before: "Pay with $5.00.", after: "Pay with 5.00 cr.", step: document.steps[0]!.id });
  });

  test("changing back gives the original, and nothing is left to change", () => {
    for (const to of places.filter(({ code }) => code !== "US")) {
      const sure = (from: Place, other: Place, of: Document) =>
        applyPlace(
          of,
          placeChanges(of, from, other).filter((one) => one.sure),
        );
      const there = sure(us, to, document);
      expect(placeChanges(there, us, to).filter((one) => one.sure && one.kind === "spelling")).toEqual([]);
      expect(sure(to, us, there)).toEqual(document);
    }
  });
});

describe("no answer goes wrong", () => {
  const withQuestion = (type: Question["type"], more: object): Document => ({
    ...document,
    steps: [
      {
        ...document.steps[0]!,
        instructions: {},
        blocks: [
          { id: "b", type: "question", question: { ...newQuestion(type, "en", () => "q"), ...more } as Question },
        ],
      },
    ],
  });
  const said = (of: Document) =>
    placeChanges(of, us, xs)
      .filter(({ step }) => step !== null)
      .map(({ from, to }) => [from, to]);

  test("what is accepted and what is chosen from change together", () => {
    const gap = { id: "g", accepted: ["color"], options: ["color", "sound"] };
    const asked = withQuestion("gaps", { passage: { en: "The [[g]] of the sea" }, gaps: [gap] });
    const changes = placeChanges(asked, us, gb).filter(({ step }) => step !== null);
    expect(tiedTo(changes, changes[0]!)).toEqual(changes);
    const [one] = applyPlace(asked, tiedTo(changes, changes[0]!)).steps[0]!.blocks;
    expect(one).toMatchObject({ question: { gaps: [{ accepted: ["colour"], options: ["colour", "sound"] }] } });
  });

  test("where words are marked by their number, one that would become two is left to her", () => {
    const passage = { en: "Pay $5 for the color at recess" };
    expect(said(withQuestion("highlight", { passage, right: { en: [1] } }))).toEqual([
      ["$5", null],
      ["color", "colour"],
      ["recess", "break"],
    ]);
  });

  test("a question that asks for a spelling is hers: its choices would become one", () => {
    const option = (id: string, text: string) => ({ id, text: { en: text } });
    const options = [option("a", "color"), option("b", "colour")];
    expect(said(withQuestion("choice", { options, right: "a" }))).toEqual([["color", null]]);
  });

  test("a script stays linked to what it was taken from", () => {
    const sheet = proposeRunSheet(document, { period: 45, newId: () => `n${Math.random().toString(36).slice(2)}` });
    const scripted = { ...document, runSheet: sheet };
    const changed = applyPlace(scripted, placeChanges(scripted, us, xs));
    expect(changed.runSheet).not.toEqual(sheet);
    expect(changedSources(changed, changed.runSheet!)).toEqual([]);
  });
});

test("whatever is written, changes lie in order, never over each other, and back again it is what it was", () => {
  const word = fc.constantFrom(
    "color",
    "the",
    "$4.50",
    "dollars",
    "cents",
    "honor",
    "Kelp.",
    "fiber",
    "12",
    "center",
    "3 dollars",
  );
  const change = (text: string, from: Place, to: Place) =>
    changesIn(text, from, to)
      .filter((one) => one.sure)
      .toReversed()
      .reduce((now, one) => now.slice(0, one.start) + one.to + now.slice(one.end), text);
  fc.assert(
    fc.property(fc.array(word, { maxLength: 20 }), (words) => {
      const text = words.join(" ");
      const found = changesIn(text, us, xs);
      found.forEach((one, at) => expect(one.start).toBeGreaterThanOrEqual(found[at - 1]?.end ?? 0));
      expect(change(change(text, us, xs), xs, us)).toBe(text);
    }),
  );
});
