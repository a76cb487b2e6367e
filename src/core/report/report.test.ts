import fc from "fast-check";
import { lettersReport } from "./letters-report";
import type { ReportTable } from "./report";
import { tableReport } from "./table-report";

const of = { title: "Marks", subtitle: "Tides term", author: "Ines Halloran", heads: 1, kept: 1 };
const tables = (rows: Parameters<typeof tableReport>[0], more = {}) =>
  tableReport(rows, { ...of, ...more }).sections.map(
    ({ blocks }) => blocks.find(({ kind }) => kind === "table") as unknown as ReportTable,
  );

test("rows of a spreadsheet are a table, with what stands above each column in its head", () => {
  const [table] = tables(
    [
      [null, new Date(Date.UTC(2026, 10, 19))],
      ["Student", "Ferry fares"],
      ["Liv", 66.7],
      ["Odd", null],
    ],
    { heads: 2 },
  );
  expect(table).toMatchObject({
    head: ["Student", "19 Nov 2026\nFerry fares"],
    rows: [
      ["Liv", "66.7"],
      ["Odd", ""],
    ],
  });
});

test("a table that is too wide is in parts, each with the names; nothing is lost and nothing is there twice", () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 60 }), fc.integer({ min: 1, max: 2 }), (columns, kept) => {
      const head = Array.from({ length: columns }, (_, at) => `c${at}`);
      const found = tables([head, head], { kept });
      for (const table of found) {
        expect(table.head.length).toBeLessThanOrEqual(12);
        expect(table.head.slice(0, kept)).toEqual(head.slice(0, kept));
      }
      const rest = found.length === 1 ? found[0]!.head.slice(kept) : found.flatMap((table) => table.head.slice(kept));
      expect(rest).toEqual(head.slice(kept));
    }),
  );
});

test("only a table of many columns lies on its side", () => {
  expect(tableReport([["a", "b"]], of).wide).toBe(false);
  expect(tableReport([["a", "b", "c", "d", "e", "f"]], of).wide).toBe(true);
});

test("each family has a section of its own, in its language, signed by the teacher", () => {
  const letter = {
    ...{ language: "es", greeting: "Estimada familia:", opening: "…", home: "", remark: "", closing: "Un saludo," },
    sections: [{ heading: "Lo que sabe", lines: ["Leer un horario"] }],
  };
  const report = lettersReport([{ name: "Mei Lindqvist", letter }], { title: "Letters", school: "", teacher: "Ines" });
  expect(report.sections).toHaveLength(1);
  expect(report.sections[0]).toMatchObject({ title: "Mei Lindqvist", language: "es", shown: false });
  expect(report.sections[0]!.blocks.map(({ kind }) => kind)).toEqual(["text", "text", "heading", "list", "text"]);
  expect(report.sections[0]!.blocks.at(-1)).toMatchObject({ text: "Un saludo,\nInes" });
});
