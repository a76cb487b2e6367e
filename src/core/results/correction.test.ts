import fc from "fast-check";
import { newQuestion } from "../question/new-question";
import type { Question } from "../question/question";
import type { Mark } from "../question/mark";
import { lesson } from "@/data/testing/world";
import { corrected, worth, type Correction } from "./correction";
import { effectOf } from "./effect";
import { fixedDocument } from "./fix-question";
import { resultTable, type StudentWork } from "./table";

const markOf = (marks: number | null, outOf = 2): Mark => ({
  ...{ verdict: marks === outOf ? "right" : marks === 0 ? "wrong" : "partly", marks, outOf, parts: {} },
});
const accept = (said: string): Correction => ({ kind: "accept", said });

test("left out, a question counts for nobody", () => {
  expect(corrected(markOf(2), "x", [{ kind: "void" }])).toMatchObject({ marks: 0, outOf: 0 });
  expect(worth(2, [{ kind: "void" }])).toBe(0);
  expect(worth(2, [{ kind: "void" }, { kind: "marks", marks: 4 }])).toBe(0);
});

test("another answer accepted is right, however it is spelt in capitals; the others stay", () => {
  expect(corrected(markOf(0), " At Low water", [accept("at low water")])).toMatchObject({ verdict: "right", marks: 2 });
  expect(corrected(markOf(0), "at high water", [accept("at low water")])).toEqual(markOf(0));
});

test("other marks keep the share, to hundredths, in the order in which things were changed", () => {
  expect(corrected(markOf(1, 3), "x", [{ kind: "marks", marks: 2 }])).toMatchObject({ marks: 0.67, outOf: 2 });
  expect(corrected(markOf(0), "x", [accept("x"), { kind: "marks", marks: 5 }])).toMatchObject({ marks: 5, outOf: 5 });
  expect(worth(2, [{ kind: "marks", marks: 5 }])).toBe(5);
});

test("what a person reads has no marks to give away", () => {
  expect(corrected(markOf(null), "x", [accept("x")]).marks).toBeNull();
});

const question = (id: string): Question =>
  ({
    ...newQuestion("choice", "en", () => id),
    id,
    options: ["A", "B", "C"].map((name) => ({ id: name.toLowerCase(), text: { en: name } })),
    right: "b",
    marks: 1,
  }) as Question;
const base = lesson("Tides");
const document = {
  ...base,
  steps: [
    {
      ...base.steps[0]!,
      blocks: ["q1", "q2"].map((id) => ({ id: `block-${id}`, type: "question" as const, question: question(id) })),
    },
  ],
};
const work = (id: number, name: string, ...answers: string[]): StudentWork => ({
  ...{ student: { id, name }, document },
  tries: [
    {
      ...{ number: 1, startedAt: new Date(0), handedInAt: new Date(90_000) },
      responses: answers.map((value, at) => ({
        ...{ step: base.steps[0]!.id, question: `q${at + 1}`, value, checked: false, late: false },
        at: new Date(30_000 * (at + 1)),
      })),
    },
  ],
});
const works = [work(1, "Aisha", "b", "c"), work(2, "Bo", "b", "b"), work(3, "Mei", "a", "a")];

test("who gains and who loses is known before anything is changed", () => {
  const gained = effectOf(works, "last", "q2", accept("C"));
  expect(gained.gain).toEqual([{ student: { id: 1, name: "Aisha" }, from: 1, to: 2 }]);
  expect([gained.lose, gained.outOf]).toEqual([[], 2]);
  const left = effectOf(works, "last", "q2", { kind: "void" });
  expect(left.lose.map(({ student, from, to }) => [student.name, from, to])).toEqual([["Bo", 2, 1]]);
  expect(left.outOf).toBe(1);
});

test("marks after a correction was taken back are those there were before, whatever it was", () => {
  const correction = fc.oneof(
    fc.constant<Correction>({ kind: "void" }),
    fc.constantFrom("A", "B", "C").map(accept),
    fc.integer({ min: 1, max: 9 }).map((marks): Correction => ({ kind: "marks", marks })),
  );
  const before = resultTable(works, "best").rows;
  fc.assert(
    fc.property(fc.array(correction, { maxLength: 5 }), (corrections) => {
      const changed = works.map((one) => ({ ...one, corrections: { q1: corrections } }));
      const rows = resultTable(changed, "best").rows;
      // The whole is the sum of its parts, and never more than there is.
      for (const row of rows) {
        const sum = Object.values(row.cells).reduce((all, { mark }) => all + mark.marks!, 0);
        expect(row.marks).toBeCloseTo(sum, 2);
        expect(row.marks).toBeLessThanOrEqual(row.outOf + 1e-9);
      }
      const back = resultTable(
        changed.map((one) => ({ ...one, corrections: {} })),
        "best",
      ).rows;
      expect(back).toEqual(before);
    }),
  );
});

describe("for next time", () => {
  const asked = (type: Question["type"]) => newQuestion(type, "en", () => "q");
  const asking = (question: Question) => {
    const document = lesson("Fixed");
    const [step] = document.steps;
    return { ...document, steps: [{ ...step!, blocks: [{ id: "b", type: "question" as const, question }] }] };
  };
  const short = { ...asked("shortText"), accepted: [{ text: "Kelp", share: 0.5 }] } as Question;
  const questionsIn = (document: ReturnType<typeof fixedDocument>) =>
    document!.steps.flatMap(({ blocks }) =>
      blocks.flatMap((block) => (block.type === "question" ? [block.question] : [])),
    );

  test("an answer that is right too is accepted by typed questions, and what was worth half is worth all", () => {
    const fixed = questionsIn(fixedDocument(asking(short), "q", accept("kelp")));
    expect(fixed).toMatchObject([{ accepted: [{ text: "kelp", share: 1 }] }]);
    // Right already: the same document.
    const again = asking(fixed[0]!);
    expect(fixedDocument(again, "q", accept("KELP "))).toBe(again);
    const gap = { id: "g", accepted: ["high"], choices: [] };
    const gaps = { ...asked("gaps"), gaps: [gap] } as unknown as Question;
    expect(questionsIn(fixedDocument(asking(gaps), "q", accept("flood")))).toMatchObject([
      { gaps: [{ accepted: ["high", "flood"] }] },
    ]);
    const two = { ...gaps, gaps: [gap, { ...gap, id: "h" }] } as unknown as Question;
    expect(fixedDocument(asking(two), "q", accept("flood"))).toBeNull();
  });

  test("left out it is gone from its step, its marks are changed, and of what is not there nothing is changed", () => {
    expect(questionsIn(fixedDocument(asking(short), "q", { kind: "void" }))).toEqual([]);
    expect(questionsIn(fixedDocument(asking(short), "q", { kind: "marks", marks: 4 }))).toMatchObject([{ marks: 4 }]);
    const same = asking(short);
    expect(fixedDocument(same, "q", { kind: "marks", marks: short.marks })).toBe(same);
    expect(fixedDocument(asking(short), "other", { kind: "void" })).toBeNull();
    expect(fixedDocument(asking(asked("choice")), "q", accept("the second"))).toBeNull();
  });
});
