import { richText } from "../content/rich-text";
import { newQuestion } from "../question/new-question";
import { itemRows } from "./item-rows";
import type { Item } from "./items";

const item = (more: Partial<Item>): Item => ({
  ...{ id: "q", nth: 1, label: "Step 1", voided: false, asked: 22, right: 11, blank: 1, difficulty: 0.5 },
  question: { ...newQuestion("choice", "en", () => "q"), prompt: { en: richText("How much is it?") } },
  ...{ between: [0.31, 0.69] as [number, number], tellsApart: 0.424, groups: null, answers: [], findings: [] },
  seconds: { median: 84, from: 60, to: 100 },
  ...more,
});
const rowsOf = (...items: Item[]) => itemRows({ students: 22, items, outOf: 1, test: null, compared: null }).slice(1);

test("a question is a row: how many had it right, between which shares, how it tells apart, and how long it took", () => {
  expect(rowsOf(item({}))).toEqual([["1. How much is it?", 22, 11, 1, "50%", "31% to 69%", "0.42", "1:24", ""]]);
});

test("what is not known is left empty; what is to be noticed is said in a few words; one that counts for nobody says so", () => {
  const [few, poor, voided] = rowsOf(
    item({ difficulty: null, between: null, tellsApart: null, seconds: null }),
    item({ findings: [{ kind: "nearly all wrong" }, { kind: "took long", times: 3 }] }),
    item({ voided: true, findings: [{ kind: "nearly all right" }] }),
  );
  expect(few!.slice(4)).toEqual(["", "", "", "", ""]);
  expect(poor!.at(-1)).toBe("nearly everyone wrong; took three times as long");
  expect(voided!.at(-1)).toBe("left out");
});

test("a question that only shows a picture goes by its step", () => {
  const [row] = rowsOf(item({ question: { ...newQuestion("choice", "en", () => "q"), prompt: { en: richText("") } } }));
  expect(row![0]).toBe("1. Step 1");
});
