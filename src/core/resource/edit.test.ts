import fc from "fast-check";
import { questionsOf, type Document } from "./document";
import { parseDocument } from "./schema/document";
import {
  duplicateSteps,
  insertStep,
  moveBlock,
  moveStep,
  moveSteps,
  newStep,
  putBlock,
  removeBlock,
  removeSteps,
  replaceStep,
  restoreBlock,
  restoreSteps,
} from "./edit";
import { mixed } from "../question/types/order/order";
import { newQuestion } from "../question/new-question";
import { readPassage, writePassage } from "../question/passage";
import { questionTypes } from "../question/testing/question-types";

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

describe("several steps at once", () => {
  const all = lesson(["a", "b", "c", "d", "e"]);
  const [a, b, c, d, e] = all.steps.map(({ id }) => id) as [string, string, string, string, string];

  test("go up and down together, in their order", () => {
    expect(titles(moveSteps(all, [b, c], 1))).toEqual(["a", "d", "b", "c", "e"]);
    expect(titles(moveSteps(all, [b, d], -1))).toEqual(["b", "a", "d", "c", "e"]);
    expect(titles(moveSteps(all, [d, b], -1))).toEqual(["b", "a", "d", "c", "e"]);
  });

  test("stop together at the ends", () => {
    expect(titles(moveSteps(all, [a, b], -1))).toEqual(["a", "b", "c", "d", "e"]);
    expect(titles(moveSteps(all, [a, c], -1))).toEqual(["a", "c", "b", "d", "e"]);
    expect(titles(moveSteps(all, [d, e], 1))).toEqual(["a", "b", "c", "d", "e"]);
    expect(titles(moveSteps(all, [a, b, c, d, e], 1))).toEqual(["a", "b", "c", "d", "e"]);
  });

  test("up and down again is where they were, unless they stood at an end", () => {
    fc.assert(
      fc.property(fc.subarray([b, c, d]), (chosen) => {
        const there = moveSteps(moveSteps(all, chosen, 1), chosen, -1);
        expect(new Set(titles(there))).toEqual(new Set(titles(all)));
        if (!chosen.includes(d)) expect(titles(there)).toEqual(titles(all));
      }),
    );
  });

  test("are copied in their order, after the last of them, under ids of their own", () => {
    const copied = duplicateSteps(all, [d, b], counter("copy"));
    expect(titles(copied)).toEqual(["a", "b", "c", "d", "b", "d", "e"]);
    expect(new Set(copied.steps.map(({ id }) => id)).size).toBe(7);
  });

  test("removed, they come back each to its place", () => {
    const without = removeSteps(all, [a, c, d]);
    expect(titles(without)).toEqual(["b", "e"]);
    expect(titles(restoreSteps(without, all, [a, c, d]))).toEqual(["a", "b", "c", "d", "e"]);
  });

  test("what was changed meanwhile stays, and what is there again is not put in twice", () => {
    const without = removeSteps(all, [b, c]);
    const meanwhile = moveStep(insertStep(without, newStep("en", "new", counter("new")), 0), 3, 1);
    expect(titles(meanwhile)).toEqual(["new", "e", "a", "d"]);
    const back = restoreSteps(meanwhile, all, [b, c]);
    expect(titles(back)).toEqual(["new", "e", "a", "b", "c", "d"]);
    expect(restoreSteps(back, all, [b, c])).toBe(back);
  });

  test("of none, nothing is done", () => {
    expect(duplicateSteps(all, ["gone"], counter())).toBe(all);
    expect(titles(moveSteps(all, ["gone"], 1))).toEqual(titles(all));
    expect(titles(removeSteps(all, ["gone"]))).toEqual(titles(all));
  });
});
