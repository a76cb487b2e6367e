import fc from "fast-check";
import { parseDocument, questionsOf, type Document } from "./document";
import {
  duplicateSteps,
  insertStep,
  mixed,
  moveBlock,
  moveStep,
  newQuestion,
  newStep,
  putBlock,
  readPassage,
  removeBlock,
  removeSteps,
  replaceStep,
  restoreBlock,
  writePassage,
} from "./edit";
import { questionTypes } from "./testing/question-types";

const counter = (prefix = "n") => {
  let n = 0;
  return () => `${prefix}${(n += 1)}`;
};

function lesson(titles: string[]): Document {
  const newId = counter("s");
  return parseDocument({
    schema: 1,
    languages: ["en"],
    title: { en: "A lesson" },
    kind: "lesson",
    grades: { from: 4, to: 5 },
    subjects: ["science"],
    licence: "CC0-1.0",
    steps: titles.map((title) => newStep("en", title, newId)),
  });
}
const titles = (document: Document) => document.steps.map((step) => step.title.en);

describe("changing the order of steps", () => {
  const abc = lesson(["a", "b", "c", "d"]);
  test("a step moves to where it is put", () => {
    expect(titles(moveStep(abc, 0, 2))).toEqual(["b", "c", "a", "d"]);
    expect(titles(moveStep(abc, 3, 0))).toEqual(["d", "a", "b", "c"]);
    expect(titles(moveStep(abc, 1, 99))).toEqual(["a", "c", "d", "b"]);
  });
  test("moving a step that is not there changes nothing", () => {
    expect(moveStep(abc, 9, 0)).toBe(abc);
  });
  test("no step is ever lost or doubled, whatever is moved where", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(5), fc.nat(5))), (moves) => {
        const after = moves.reduce((document, [from, to]) => moveStep(document, from, to), abc);
        expect([...titles(after)].sort()).toEqual(["a", "b", "c", "d"]);
      }),
    );
  });
});

describe("adding and taking away", () => {
  const abc = lesson(["a", "b"]);
  test("a removed step can be put back where it was", () => {
    const [, removed] = abc.steps;
    const without = removeSteps(abc, [removed!.id]);
    expect(titles(without)).toEqual(["a"]);
    expect(insertStep(without, removed!, 1)).toEqual(abc);
  });

  test("a copy stands after its original, with new ids for its questions, so that answers do not mix", () => {
    const newId = counter();
    const asking = putBlock(abc.steps[0]!, { id: "b", type: "question", question: newQuestion("choice", "en", newId) });
    const copied = duplicateSteps(replaceStep(abc, asking), [asking.id], newId);
    expect(titles(copied)).toEqual(["a", "a", "b"]);
    expect(questionsOf(copied.steps[1]!)[0]!.id).not.toBe(questionsOf(copied.steps[0]!)[0]!.id);
    expect(() => parseDocument(copied)).not.toThrow();
  });

  test("copying what is not there changes nothing", () => {
    expect(duplicateSteps(abc, ["gone"], counter())).toBe(abc);
  });

  const link = (id: string) => ({ id, type: "link" as const, href: "https://skerry.example/", label: { en: id } });
  const step = [link("x"), link("y"), link("z")].reduce((filled, block) => putBlock(filled, block), abc.steps[0]!);
  const ids = (of: typeof step) => of.blocks.map((block) => block.id);

  test("a block with a known id replaces, one with a new id is added", () => {
    expect(ids(putBlock(step, { ...link("y"), label: { en: "new" } }))).toEqual(["x", "y", "z"]);
    expect(ids(putBlock(step, link("w"), 0))).toEqual(["w", "x", "y", "z"]);
  });

  test("blocks move by one place and stop at the ends", () => {
    expect(ids(moveBlock(step, "z", -1))).toEqual(["x", "z", "y"]);
    expect(moveBlock(step, "x", -1)).toBe(step);
    expect(moveBlock(step, "gone", 1)).toBe(step);
  });

  test("a removed block comes back to its place, also when other things have changed since", () => {
    const document = replaceStep(abc, removeBlock(step, "y"));
    const later = replaceStep(document, { ...document.steps[0]!, title: { en: "changed since" } });
    const restored = restoreBlock(later, step.id, link("y"), 1);
    expect(ids(restored.steps[0]!)).toEqual(["x", "y", "z"]);
    expect(titles(restored)).toEqual(["changed since", "b"]);
    expect(restoreBlock(restored, step.id, link("y"), 1)).toBe(restored);
    expect(restoreBlock(document, "gone", link("y"), 1)).toBe(document);
  });
});

describe("a new question", () => {
  test.each(questionTypes)("%s is complete enough to be kept", (type) => {
    const newId = counter();
    const step = newStep("en", "x", newId, [
      { id: newId(), type: "question", question: newQuestion(type, "en", newId) },
    ]);
    expect(() => parseDocument({ ...lesson([]), steps: [step] })).not.toThrow();
  });

  test("things to put in order are never shown in the right order", () => {
    for (let length = 2; length <= 9; length += 1) {
      const right = Array.from({ length }, (_, at) => at);
      expect(mixed(right)).not.toEqual(right);
      expect([...mixed(right)].sort((a, b) => a - b)).toEqual(right);
    }
  });
});

describe("a passage with gaps, as she types it", () => {
  test("words in brackets become gaps, a stroke between what is accepted", () => {
    const read = readPassage("The sea [ebbs|falls] and [rises].", [], counter("g"));
    expect(read).toEqual({
      passage: "The sea [[g1]] and [[g2]].",
      gaps: [
        { id: "g1", accepted: ["ebbs", "falls"] },
        { id: "g2", accepted: ["rises"] },
      ],
    });
    expect(writePassage(read.passage, read.gaps)).toBe("The sea [ebbs|falls] and [rises].");
  });

  test("a gap that stays keeps its id, so that answers stay with it; one that goes is gone", () => {
    const old = [
      { id: "g1", accepted: ["ebbs"] },
      { id: "g2", accepted: ["rises"] },
    ];
    expect(readPassage("It [rises] now.", old, counter("n")).gaps).toEqual([{ id: "g2", accepted: ["rises"] }]);
  });

  test("what is written and read again is the same", () => {
    const word = fc.stringMatching(/^[a-z]{1,8}$/);
    fc.assert(
      fc.property(fc.uniqueArray(word, { minLength: 1, maxLength: 5 }), (words) => {
        const typed = words.map((one) => `so [${one}]`).join(" ");
        const read = readPassage(typed, [], counter());
        expect(writePassage(read.passage, read.gaps)).toBe(typed);
      }),
    );
  });
});
