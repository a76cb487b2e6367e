import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import type { Report } from "@/core/report/report";
import { writePdf } from "./write-pdf";

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), "pdf-"));
});
afterAll(() => rmSync(folder, { recursive: true }));

/** What poppler reads of it: its facts, its text, and its structure as it is heard. */
async function read(report: Report) {
  const file = path.join(folder, "report.pdf");
  writeFileSync(file, await writePdf(report));
  const ask = (tool: string, ...args: string[]) => execFileSync(tool, [...args], { encoding: "utf8" });
  return {
    facts: ask("pdfinfo", file),
    text: ask("pdftotext", "-layout", file, "-"),
    structure: ask("pdfinfo", "-struct-text", file),
  };
}

const rows = Array.from({ length: 70 }, (_, at) => [`Child ${at + 1}`, `${at}.5%`]);
const report: Report = {
  ...{ title: "Marks of 5 Kittiwake", language: "en", author: "Ines Halloran", wide: false },
  sections: [
    {
      ...{ title: "Łukasz Ångström", shown: false, language: "es" },
      blocks: [
        { kind: "text", text: "Estimada familia de Łukasz:" },
        { kind: "heading", text: "Lo que sabe" },
        { kind: "list", lines: ["Leer un horario", "Øve sig på dansk"] },
      ],
    },
    {
      ...{ title: "Marks", shown: true, language: "en" },
      blocks: [{ kind: "table", caption: "Marks", head: ["Student", "Total"], rows }],
    },
  ],
};

test("it is real text in every Latin alphabet, tagged, with its title, its author and a number on each page", async () => {
  const { facts, text, structure } = await read(report);
  expect(facts).toMatch(/Title: +Marks of 5 Kittiwake/);
  expect(facts).toMatch(/Author: +Ines Halloran/);
  expect(facts).toMatch(/Tagged: +yes/);
  expect(facts).toMatch(/Page size: +595.28 x 841.89/);
  expect(text).toContain("Estimada familia de Łukasz:");
  expect(text).toContain("Øve sig på dansk");
  const pages = Number(/Pages: +(\d+)/.exec(facts)![1]);
  expect(pages).toBe(4);
  for (let page = 1; page <= pages; page += 1) expect(text).toMatch(new RegExp(`${page} ?/ ?${pages}`));
  expect(structure).toMatch(/H2[^\n]*\n\s+"Lo que sabe"/);
  expect(structure).toMatch(/LBody[^\n]*\n\s+"• {2}Leer un horario"/);
});

test("results over time are drawn, and said to those who do not see them", async () => {
  const at = (day: number) => new Date(Date.UTC(2026, 8, day));
  const points = [
    { at: at(1), label: "1 Sep", share: 0.9, level: 0.9 },
    { at: at(8), label: "8 Sep", share: 0.5, level: 0.7 },
    { at: at(29), label: "29 Sep", share: 0.4, level: 0.6 },
  ];
  const chart = { kind: "chart" as const, text: "3 results: the level fell.", legend: "circles: results", points };
  const drawn: Report = { ...report, sections: [{ ...report.sections[1]!, blocks: [chart] }] };
  const { text, structure } = await read(drawn);
  expect(text).toMatch(/100%[\s\S]*50%[\s\S]*0%[\s\S]*1 Sep +circles: results +29 Sep/);
  expect(structure).toContain("Figure");
  expect(Buffer.from(await writePdf(drawn)).toString("latin1")).toContain("/Alt (3 results: the level fell.)");
});

test("a table that goes on over pages has its heads on each, and is heard with them once", async () => {
  const { text, structure } = await read(report);
  expect(text.match(/Student +Total/g)).toHaveLength(3);
  expect(structure.match(/"Student"/g)).toHaveLength(1);
  for (const [name] of rows) expect(text).toContain(name);
  expect(structure.match(/TR/g)!.length).toBe(rows.length + 1);
});

test("a report of nothing is a page all the same; a wide one lies on its side", async () => {
  const { facts } = await read({ ...report, sections: [], wide: true });
  expect(facts).toMatch(/Pages: +1\n/);
  const { facts: wide } = await read({ ...report, wide: true });
  expect(wide).toMatch(/Page size: +841.89 x 595.28/);
});

test("a drawing and a photograph stand in it, each said in words", async () => {
  const png = Buffer.from(
    "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==",
    "base64",
  );
  const { structure, facts } = await read({
    ...{ title: "Portfolio", language: "en", author: "Ines Halloran", wide: false },
    sections: [
      {
        ...{ title: "Kelp under glass", shown: true, language: "en" },
        blocks: [
          { kind: "drawing", strokes: [{ ink: "green", width: 4, points: [0.1, 0.1, 0.9, 0.9] }], text: "A frond" },
          { kind: "picture", bytes: png, text: "A kelp" },
        ],
      },
    ],
  });
  expect(structure.match(/Figure/g)).toHaveLength(2);
  expect(facts).toMatch(/Tagged:\s+yes/);
});
