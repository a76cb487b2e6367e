import { coverageOf, type Evidence } from "./coverage";
import { coverageRows } from "./coverage-rows";

const now = new Date("2026-11-28T10:00:00Z");
const statement = (id: number, code: string) => ({
  ...{ id, parent: 1, code, statement: `Statement, ${code}`, gradeFrom: 5, gradeTo: 5 },
});
const branch = {
  heading: { ...statement(1, "MA.N"), parent: null, statement: "Number" },
  statements: [statement(2, "MA.5.N.1"), statement(3, "MA.5.N.2")],
};
const evidence: Evidence = {
  ...{ assignment: 1, title: "Sums", class: 7, standard: 2, opens: new Date("2026-11-20"), due: now },
  result: { gained: 40, outOf: 60, students: 20 },
};

test("a statement a row, and for each class how far it is; of what is not known nothing is said", () => {
  const classes = [
    { id: 7, name: "5 Kittiwake" },
    { id: 8, name: "4/5 Puffin" },
  ];
  const [heading, first, second, ...others] = coverageRows([branch], classes, coverageOf([evidence], now));
  expect(heading!.slice(0, 5)).toEqual([
    ...["Code", "Statement", "Branch"],
    ...["5 Kittiwake: level", "5 Kittiwake: share"],
  ]);
  expect(first).toEqual([
    ...["MA.5.N.1", "Statement, MA.5.N.1", "Number", "half or more", 0.667, 20, 0, 1, 1],
    ...["nothing", "", 0, 0, 0, 0],
  ]);
  expect(second!.slice(3)).toEqual(["nothing", "", 0, 0, 0, 0, "nothing", "", 0, 0, 0, 0]);
  expect(others).toEqual([]);
  for (const row of [first, second]) expect(row).toHaveLength(heading!.length);
});
