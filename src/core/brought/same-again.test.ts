import fc from "fast-check";
import { changesBetween } from "../resource/changes";
import { allQuestions, type Document } from "../resource/document";
import { merge } from "../resource/merge";
import { parseDocument } from "../resource/schema/document";
import type { BroughtBlock, BroughtPage } from "./brought";
import { knownAgain } from "./same-again";
import { stepsFrom } from "./steps";

const said = (text: string): BroughtBlock => ({
  kind: "text",
  content: [{ type: "paragraph", content: [{ type: "text", text }] }],
});
const asked = (ask: string, options: string[], right: string): BroughtBlock => ({
  kind: "question",
  asked: { ask, options, right: [right], hint: "", marks: null },
});
const page = (title: string, ...blocks: BroughtBlock[]): BroughtPage => ({ title, blocks, notes: "", left: [] });

let reading = 0;
/** Reads the file: every reading makes ids of its own. */
function read(...pages: BroughtPage[]): Document {
  reading += 1;
  let made = 0;
  const newId = () => `r${reading}-${(made += 1)}`;
  return parseDocument({
    ...{ schema: 1, languages: ["en"], title: { en: "Tides" }, kind: "lesson", grades: { from: 4, to: 5 } },
    ...{ subjects: ["science"], licence: "CC-BY-4.0" },
    steps: stepsFrom(pages, [], { language: "en", newId, media: [] }),
  });
}

const tides = page("When is high water?", said("Look at the table and count the hours to the next high water."));
const ferry = page(
  "Which ferry?",
  said("The bar is dry at low water."),
  asked("Which ferry can cross the bar?", ["the 7:10", "the 13:05", "none"], "the 13:05"),
);
const boats = page("Boats", said("Draw the boats in the harbour at noon, with their shadows."));

test("the same file again: nothing changed", () => {
  const [first, second] = [read(tides, ferry, boats), read(tides, ferry, boats)];
  expect(knownAgain(first, second)).toEqual(first);
});

test("what was changed in it is a change, what is new is new, what is gone is gone", () => {
  const first = read(tides, ferry, boats);
  const other = page(
    "Which ferry?",
    said("The bar is dry at low water."),
    asked("Which ferry can cross the bar?", ["the 7:10", "the 14:20", "none"], "the 14:20"),
  );
  const again = knownAgain(first, read(page("Words", said("Ebb, flood, slack.")), tides, other));
  const changes = changesBetween(first, again);
  expect(changes.steps).toEqual({ [again.steps[0]!.id]: "new", [first.steps[1]!.id]: "changed" });
  expect(changes.removed).toEqual([first.steps[2]!.id]);
  // The question is the one it was, and so are the options that stayed.
  const [was] = allQuestions(first);
  const [is] = allQuestions(again);
  expect(is!.question.id).toBe(was!.question.id);
  const optionIds = (one: typeof was) => (one!.question as { options: { id: string }[] }).options.map(({ id }) => id);
  expect(optionIds(is)[0]).toBe(optionIds(was)[0]);
  expect(optionIds(is)[2]).toBe(optionIds(was)[2]);
  expect((is!.question as { right: string }).right).toBe(optionIds(is)[1]);
});

test("a page without its old title is known by what it says", () => {
  const first = read(tides, boats);
  const renamed = page("High water again", said("Look at the table and count all the hours to the next high water."));
  const again = knownAgain(first, read(boats, renamed));
  expect(again.steps.map(({ id }) => id)).toEqual([first.steps[1]!.id, first.steps[0]!.id]);
});

test("what she changed meanwhile stays, and what changed in the file comes to it", () => {
  const first = read(tides, ferry, boats);
  const mine: Document = {
    ...first,
    steps: first.steps.map((step, at) => (at === 0 ? { ...step, title: { en: "High water" } } : step)),
  };
  const newer = knownAgain(
    first,
    read(tides, ferry, page("Boats", said("Count the boats in the harbour at noon, and their shadows."))),
  );
  const merged = merge(first, mine, newer);
  expect(merged.conflicts).toEqual([]);
  expect(merged.taken).toEqual([first.steps[2]!.id]);
  expect(merged.document.steps[0]!.title.en).toBe("High water");
});

test("whatever becomes of the pages, no id is there twice, and each step found again was one of the first", () => {
  const word = fc.constantFrom("ebb", "flood", "slack", "spring", "neap", "bar", "quay", "pilot");
  const any = fc
    .tuple(fc.array(word, { minLength: 1, maxLength: 3 }), fc.array(word, { minLength: 1, maxLength: 12 }))
    .map(([title, text]) => page(title.join(" "), said(`${text.join(" ")}.`)));
  const several = fc.array(any, { minLength: 1, maxLength: 8 });
  fc.assert(
    fc.property(several, several, (before, now) => {
      const [first, second] = [read(...before), read(...now)];
      const again = knownAgain(first, second);
      const ids = again.steps.flatMap(({ id, blocks }) => [id, ...blocks.map((block) => block.id)]);
      expect(new Set(ids).size).toBe(ids.length);
      expect(again.steps.map(({ title }) => title)).toEqual(second.steps.map(({ title }) => title));
      const known = new Set(first.steps.map(({ id }) => id));
      const own = new Set(second.steps.map(({ id }) => id));
      expect(again.steps.every(({ id }) => known.has(id) || own.has(id))).toBe(true);
    }),
    { numRuns: 60 },
  );
});
