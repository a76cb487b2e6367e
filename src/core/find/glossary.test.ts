import { readGlossary, translated } from "./glossary";

const glossary = readGlossary(
  "# school\ntiburón = shark\nmareas = tides\ntabla = table\nsistema solar = solar system\n",
);

test.each([
  ["tiburon", "shark"],
  ["Tabla de mareas", "table tides"],
  ["sistema solar", "solar system"],
  ["shark", null],
  ["", null],
])("“%s” is %s", (typed, meant) => {
  expect(translated(typed, glossary)).toBe(meant);
});

test("a line that is no pair is named", () => {
  expect(() => readGlossary("pez = fish\nluna\n")).toThrow("line 2");
});
