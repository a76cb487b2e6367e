import { creditLine, licenceProblem } from "../licence/licence";
import {
  adaptedCredit,
  adoptQuestion,
  adoptStep,
  creditsProblem,
  giveBack,
  giveQuestionBack,
  questionAlone,
  type TakenFrom,
} from "./adopt";
import type { Document, Step } from "./document";
import { richText } from "../content/rich-text";
import { parseDocument } from "./schema/document";
import { newStep } from "./edit";
import { newQuestion } from "../question/new-question";

let made = 0;
const newId = () => `n${(made += 1)}`;
const step = (id: string): Step =>
  newStep("en", id, () => id, [
    { id: `${id}-b`, type: "question", question: { ...newQuestion("choice", "en", newId), id: `${id}-q` } },
  ]);
const lesson = (more: Partial<Document> = {}): Document =>
  parseDocument({
    ...{ schema: 1, languages: ["en"], title: { en: "Mine" }, kind: "lesson", grades: { from: 4, to: 5 } },
    ...{ subjects: ["science"], licence: "CC-BY-4.0", steps: [step("a"), step("b")] },
    ...more,
  });
const from: TakenFrom = {
  ...{ resource: 9, revision: 12, title: "Theirs", author: "Teodor Brandt", source: "Lighthouse Road" },
  ...{ licence: "CC-BY-SA-4.0", own: false },
};
const steps = (document: Document) => document.steps.map(({ title }) => title.en);

describe("a step taken from elsewhere", () => {
  test("stands where it was put, says where it came from, and names its author once", () => {
    const once = adoptStep(lesson(), step("x"), from, { at: 1 }, newId);
    expect(steps(once.document)).toEqual(["a", "x", "b"]);
    expect(once.document.steps[1]).toMatchObject({ id: once.step, origin: { resource: 9, revision: 12, step: "x" } });
    const twice = adoptStep(once.document, step("x"), from, { at: 3 }, newId).document;
    expect(twice.credits.map(creditLine)).toEqual([
      "parts of “Theirs” by Teodor Brandt, Lighthouse Road, Attribution, share alike (CC BY-SA)",
    ]);
  });

  test("the same one twice is two: the document is still one that can be kept", () => {
    const twice = [1, 1].reduce(
      (document, at) => adoptStep(document, step("a"), from, { at }, newId).document,
      lesson(),
    );
    expect(() => parseDocument(twice)).not.toThrow();
    expect(new Set(twice.steps.map(({ id }) => id)).size).toBe(4);
  });

  test("swapped, it stands in the other's stead", () => {
    expect(steps(adoptStep(lesson(), step("x"), from, { instead: "a" }, newId).document)).toEqual(["x", "b"]);
  });

  test("from her own work names nobody", () => {
    expect(adoptStep(lesson(), step("x"), { ...from, own: true }, { at: 0 }, newId).document.credits).toEqual([]);
  });

  test("one that had been taken before keeps its first origin", () => {
    const origin = { resource: 1, revision: 2, step: "first" };
    const { document } = adoptStep(lesson(), { ...step("x"), origin }, from, { at: 0 }, newId);
    expect(document.steps[0]!.origin).toEqual(origin);
  });

  test("brings its licence along: share alike cannot become freer", () => {
    expect(licenceProblem(adoptStep(lesson(), step("x"), from, { at: 0 }, newId).document)).toContain("Theirs");
  });
});

test("a question of a step can be taken by itself; what was said around it stays behind", () => {
  const whole: Step = {
    ...step("x"),
    minutes: 12,
    instructions: { en: { text: richText("Read the table first.") } },
    blocks: [{ id: "t", type: "text", text: { en: richText("A table.") } }, ...step("x").blocks],
  };
  const { document, step: id } = adoptStep(lesson(), questionAlone(whole, "x-b"), from, { at: 2 }, newId);
  const taken = document.steps.find((one) => one.id === id)!;
  expect(taken.blocks.map(({ type }) => type)).toEqual(["question"]);
  expect(taken).toMatchObject({ title: { en: "x" }, instructions: {}, origin: { resource: 9, step: "x" } });
  expect(document.credits).toHaveLength(1);
  expect(parseDocument(document)).toEqual(document);
});

describe("given back", () => {
  test("the step and its author's name go, and what was changed since stays", () => {
    const taken = adoptStep(lesson(), step("x"), from, { at: 1 }, newId);
    const since = { ...taken.document, title: { en: "Changed since" } };
    const back = giveBack(since, taken.step, null);
    expect([steps(back), back.credits, back.title.en]).toEqual([["a", "b"], [], "Changed since"]);
  });

  test("what it was swapped for comes back", () => {
    const taken = adoptStep(lesson(), step("x"), from, { instead: "a" }, newId);
    expect(giveBack(taken.document, taken.step, step("a")).steps.map(({ id }) => id)).toEqual(["a", "b"]);
  });

  test("with another step of the same author there, the name stays", () => {
    const once = adoptStep(lesson(), step("x"), from, { at: 0 }, newId);
    const twice = adoptStep(once.document, step("y"), from, { at: 0 }, newId);
    expect(giveBack(twice.document, twice.step, null).credits).toHaveLength(1);
  });
});

describe("credits", () => {
  const source = { title: "Source", author: "Ada", source: "S", licence: "CC-BY-4.0" as const, changed: "" };
  const adapted = lesson({ credits: [source] });
  const taken = adoptStep(adapted, step("x"), from, { at: 0 }, newId);

  test("the whole's source is never taken away", () => {
    expect(creditsProblem(adapted, { ...adapted, credits: [] })).toContain("“Source” by Ada stays named");
    expect(creditsProblem(adapted, { ...adapted, credits: [source, source] })).toBeNull();
  });

  test("a step's author may go when the step has gone, and not before", () => {
    expect(creditsProblem(taken.document, { ...taken.document, credits: [source] })).toContain("Teodor Brandt");
    expect(creditsProblem(taken.document, adapted)).toBeNull();
  });

  test("what was changed is said of the whole's source, not of a step's", () => {
    expect(adaptedCredit(taken.document)).toBe(0);
    expect(adaptedCredit(lesson())).toBe(-1);
  });
});

describe("a question taken from elsewhere into a step that is there", () => {
  const mine = lesson();
  const theirs = step("x");
  const { document, block } = adoptQuestion(mine, { step: theirs, block: "x-b" }, from, mine.steps[1]!, newId);

  test("stands behind what is there, with ids of its own and where it came from", () => {
    expect(steps(document)).toEqual(["a", "b"]);
    expect(document.steps[1]!.blocks.map(({ id }) => id)).toEqual(["b-b", block]);
    expect(document.steps[1]!.blocks[1]).toMatchObject({ origin: { resource: 9, revision: 12, step: "x" } });
    expect(() => parseDocument(document)).not.toThrow();
  });

  test("names its author as long as it is there, and no longer", () => {
    expect(document.credits.map(({ author }) => author)).toEqual(["Teodor Brandt"]);
    expect(creditsProblem(document, { ...document, credits: [] })).toMatch(/stays named/);
    const back = giveQuestionBack(document, block);
    expect(back).toEqual(mine);
    expect(creditsProblem(document, back)).toBeNull();
  });

  test("taken on from there, it keeps its first origin", () => {
    const further = { ...from, resource: 20, revision: 21 };
    const taken = { step: document.steps[1]!, block };
    const next = adoptQuestion(lesson(), taken, further, lesson().steps[0]!, newId).document;
    expect(next.steps[0]!.blocks.at(-1)).toMatchObject({ origin: { resource: 9, revision: 12 } });
  });
});
