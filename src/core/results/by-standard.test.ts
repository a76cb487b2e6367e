import type { Question } from "../question/question";
import { byStandard } from "./by-standard";
import { classOf } from "./testing/answered";

const document = {
  standards: ["M.1", "M.2"].map((code) => ({ framework: "f", code, relation: "assesses" as const })),
};
/** The first two questions are about M.1, the third says nothing and so is about both. */
const table = (answers: string[]) => {
  const plain = classOf(answers);
  return {
    ...plain,
    questions: plain.questions.map((entry, at) => ({
      ...entry,
      question: { ...entry.question, ...(at < 2 && { standards: ["M.1"] }) } as Question,
    })),
  };
};

test("each standard has its questions, the share of their marks, and the children with the weakest first", () => {
  const [first, second] = byStandard(table(["BBB", "BBA", "BAA", "AAA", "BBB"]), document);
  expect([first!.code, first!.questions, second!.code, second!.questions]).toEqual(["M.1", [1, 2, 3], "M.2", [3]]);
  expect(first!.share).toBeCloseTo(9 / 15, 12);
  expect(second!.share).toBeCloseTo(2 / 5, 12);
  // Wilson 1927, of nine in fifteen questions as three in five children, from memory of the formula.
  expect(first!.between!.map((bound) => Number(bound.toFixed(3)))).toEqual([0.231, 0.882]);
  expect(first!.children.map(({ student, gained }) => [student.id, gained])).toEqual([
    [4, 0],
    [3, 1],
    [2, 2],
    [1, 3],
    [5, 3],
  ]);
});

test("of four children no share is said, and who has not handed in is not among them", () => {
  const some = table(["BBB", "BBB", "BBB", "BBB", "BBB"]);
  some.rows[4] = { ...some.rows[4]!, state: "working" };
  expect(byStandard(some, document)[0]).toMatchObject({ share: null, between: null });
  expect(byStandard(some, document)[0]!.children).toHaveLength(4);
});

test("without standards there is nothing to say", () => {
  expect(byStandard(table(["BBB"]), { standards: [] })).toEqual([]);
});

test("who was not asked what is about a standard is not among its children", () => {
  const some = table(["BBB", "BBB"]);
  for (const id of ["q1", "q2"]) delete some.rows[0]!.cells[id];
  const [first] = byStandard(some, { standards: document.standards.slice(0, 1) });
  expect(first!.children.map(({ student, gained, outOf }) => [student.id, gained, outOf])).toEqual([
    [1, 1, 1],
    [2, 3, 3],
  ]);
});
