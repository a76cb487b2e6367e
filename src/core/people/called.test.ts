import { called } from "./called";

const people = [
  { name: "Linnea Strand", school: "Lighthouse Road Primary" },
  { name: "Rona Sundin", school: "Lighthouse Road Primary" },
  { name: "Åsa Rönn", school: null },
];
const names = (typed: string) => called(people, typed).map(({ name }) => name);

test("whose name begins as typed comes before whose school or name has it somewhere", () => {
  expect(names("ro")).toEqual(["Rona Sundin", "Åsa Rönn", "Linnea Strand"]);
  expect(names("lighthouse")).toEqual(["Linnea Strand", "Rona Sundin"]);
  expect(names(" asa ")).toEqual(["Åsa Rönn"]);
  expect(names("")).toHaveLength(3);
  expect(names("zzz")).toEqual([]);
});
