import { fileKindOf, fileKinds, savedName } from "./file-kinds";

const all = fileKinds.flatMap(({ kinds }) => kinds);

test("every kind is found by its address, and no two are the same", () => {
  expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
  for (const kind of all) expect(fileKindOf(kind.id)).toBe(kind);
  for (const other of ["", "PDF", "exe", "pdf ", null]) expect(fileKindOf(other)).toBeUndefined();
});

test("only what is for the teacher has answers and notes, and says so", () => {
  expect(all.filter(({ forTeacher }) => forTeacher).map(({ id }) => id)).toEqual(["pdf-key", "docx-key", "pptx"]);
  for (const kind of all.filter(({ forTeacher }) => forTeacher)) expect(kind.use).toMatch(/notes/);
});

test.each([
  ["Reading a tide table", "Reading-a-tide-table"],
  ["¿Cuándo baja la marea?", "Cuándo-baja-la-marea"],
  ["../../etc/passwd", "etc-passwd"],
  ["\u0000<>:|?*", "lesson"],
  ["", "lesson"],
  ["a".repeat(200), "a".repeat(60)],
])("“%s” is saved as %s", (title, name) => {
  expect(savedName(title)).toBe(name);
});
