import type { ReportBlock } from "./report";
import { studentReport, type ReportedStudent } from "./student-report";

const point = (nth: number, gained: number, outOf = 10) => ({
  ...{ assignment: nth, title: `Work ${nth}`, gained, outOf },
  at: new Date(Date.UTC(2026, 8, nth)),
});
const plain: ReportedStudent = { name: "Mei Lindqvist", points: [], standards: [], goals: [] };
const of = { author: "Ines Halloran", formatDay: (at: Date) => `day ${at.getUTCDate()}` };
const blocks = (more: Partial<ReportedStudent>) => studentReport({ ...plain, ...more }, of).sections[0]!.blocks;
const table = (all: readonly ReportBlock[], caption: string) =>
  all.find((block) => block.kind === "table" && block.caption === caption) as { rows: string[][] } | undefined;

test("a child without results has a report that says so, and no empty tables", () => {
  const all = blocks({});
  expect(all).toEqual([{ kind: "text", text: "There are no results with marks yet." }]);
});

test("says the level, whether it rose or fell and because of what, and every result with marks", () => {
  const points = [point(1, 9), point(2, 9), point(3, 9), point(4, 4), point(5, 1), point(6, 4), point(7, 0, 0)];
  const all = blocks({ points });
  expect(all[0]).toEqual({
    kind: "text",
    text: "Level of the last three results: 30%. It has fallen, mostly because of “Work 5”.",
  });
  const results = table(all, "Every result")!.rows;
  expect(results).toHaveLength(6);
  expect(results[4]).toEqual(["day 5", "Work 5", "1 of 10", "10%"]);
});

test("results over time are there to be seen, in order, with what is to be seen in words; one alone is no chart", () => {
  const points = [point(3, 4), point(1, 9), point(2, 8), point(4, 0, 0)];
  expect(blocks({ points })[1]).toMatchObject({
    ...{ kind: "chart", text: "3 results from day 1 to day 3: the level was 90% at first and is 70% now." },
    points: [
      { label: "day 1", share: 0.9, level: 0.9 },
      { label: "day 2", share: 0.8, level: 0.85 },
      { label: "day 3", share: 0.4, level: 0.7 },
    ],
  });
  expect(blocks({ points: [point(1, 9)] }).map(({ kind }) => kind)).not.toContain("chart");
});

test("goals stand with what they count as met at and when they were; standards with their level", () => {
  const goal = { goal: "Reads a table", closed: false, criterion: { share: 0.8, times: 2 } };
  const all = blocks({
    points: [point(1, 9)],
    goals: [
      { ...goal, points: [point(1, 9), point(2, 8)] },
      { ...goal, goal: "Writes a table", points: [point(1, 9), point(2, 7)] },
      { goal: "Listens", closed: true, criterion: null, points: [] },
    ],
    standards: [
      { code: "MA.5.N.4", statement: "Calculate with money", points: [point(1, 6)] },
      { code: "MA.5.N.5", statement: "Nothing yet", points: [] },
    ],
  });
  expect(table(all, "Goals")!.rows).toEqual([
    ["Reads a table", "8 of 10, twice running", "met on day 2"],
    ["Writes a table", "8 of 10, twice running", "not yet"],
    ["Listens", "", "met"],
  ]);
  expect(table(all, "Standards")!.rows).toEqual([["MA.5.N.4", "Calculate with money", "1", "60%"]]);
});
