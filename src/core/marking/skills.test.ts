import type { MarkEntry } from "./given-mark";
import { skillRubric, type Rubric } from "./rubric";
import { skillPoints } from "./skills";

const entry = (id: number, rubric: number | null, levels: Record<string, number>, by = 1): MarkEntry => ({
  ...{ id, student: 1, number: 1, question: "q", by: { id: by, name: "Ines" }, at: new Date(0), kind: "marked" },
  ...{ for: null, marks: 2, outOf: 4, rubric, levels, comment: "" },
});
const rubrics = new Map<number, Rubric>([
  [1, skillRubric("Reasons", "r")],
  [2, { name: "Two", criteria: [...skillRubric("Reasons", "x").criteria, ...skillRubric("Spelling", "s").criteria] }],
]);
const work = (assignment: number, entries: MarkEntry[]) => ({
  ...{ assignment, title: `Work ${assignment}`, at: new Date(assignment), entries },
});

test("a skill is one over time, whichever rubric it is in; skills stand by name", () => {
  expect(
    skillPoints([work(1, [entry(1, 1, { r: 1 })]), work(2, [entry(2, 2, { s: 3, x: 2 })])], rubrics),
  ).toMatchObject([
    {
      skill: "Reasons",
      points: [
        { assignment: 1, gained: 2, outOf: 4 },
        { assignment: 2, gained: 3 },
      ],
    },
    { skill: "Spelling", points: [{ assignment: 2, gained: 4 }] },
  ]);
});

test("only the mark that counts says something, and marks without levels say nothing", () => {
  const first = entry(1, 1, { r: 0 });
  expect(skillPoints([work(1, [first, entry(2, 1, { r: 3 }, 2)])], rubrics)[0]!.points).toMatchObject([{ gained: 1 }]);
  expect(skillPoints([work(1, [first, entry(3, 1, { r: 2 })])], rubrics)[0]!.points).toMatchObject([{ gained: 3 }]);
  expect(skillPoints([work(1, [entry(1, null, {})]), work(2, [entry(1, 9, { r: 1 })]), work(3, [])], rubrics)).toEqual(
    [],
  );
});
