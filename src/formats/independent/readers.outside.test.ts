import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { strFromU8, unzipSync } from "fflate";
import { documentReport } from "@/core/report/document-report";
import { classOf } from "@/core/results/testing/answered";
import { readBrought } from "../brought/read-brought";
import { writeCartridge } from "../cartridge/write-cartridge";
import { writeCsv } from "../csv";
import { writeDocx } from "../docx/write-docx";
import { writeEpub } from "../epub/write-epub";
import { writePdf } from "../pdf/write-pdf";
import { writePptx } from "../pptx/write-pptx";
import { writeQti } from "../qti/write-qti";
import { allOf, bytesOf, everythingLesson, outgoingLesson, pictureHash } from "../testing/outgoing";
import { xapiStatements } from "../xapi";

// What we write, read by programs that are not ours, and what they write, read by us. `npm run check -- --formats` installs and runs them.

const folder = mkdtempSync(path.join(tmpdir(), "formats-"));
afterAll(() => rmSync(folder, { recursive: true }));

const place = (name: string) => path.join(folder, name);
const keep = (name: string, bytes: Uint8Array | string) => {
  writeFileSync(place(name), bytes);
  return place(name);
};
const run = (program: string, args: readonly string[], input?: string) =>
  execFileSync(program, [...args], { encoding: "utf8", input, stdio: ["pipe", "pipe", "pipe"] });
const python = (program: string, ...args: string[]) => run("python3", ["-c", program, ...args]);
/** In a process of its own: the package is of modules, which tests cannot load. */
const CONVERT = `import { convertQti2toQti3 } from "@citolab/qti-convert/qti-convert-node";
let text = ""; for await (const part of process.stdin) text += part;
const made = []; for (const item of JSON.parse(text)) made.push(await convertQti2toQti3(item));
process.stdout.write(JSON.stringify(made));`;
const converted = (items: readonly string[]) =>
  JSON.parse(run(process.execPath, ["--input-type=module", "-e", CONVERT], JSON.stringify(items))) as string[];
const outgoing = outgoingLesson();
const report = async (forTeacher: boolean) =>
  documentReport(everythingLesson(), {
    ...{ author: "Ines Halloran", forTeacher },
    pictures: new Map([[pictureHash, await bytesOf(pictureHash)]]),
  });

test("epubcheck finds nothing wrong with a book", async () => {
  const [, lesson] = outgoing.topics[0]!.resources;
  const file = keep("book.epub", await allOf(writeEpub(lesson!, outgoing.files, bytesOf)));
  expect(run("java", ["-jar", "/usr/bin/epubcheck", file])).toContain("No errors or warnings detected");
});

test.each(["2.1", "3.0"] as const)(
  "xmllint reads every file of a package of QTI %s, and python's zipfile finds it whole",
  async (version) => {
    const bytes = await allOf(writeQti(outgoing, version, bytesOf));
    expect(
      python("import sys,zipfile; print(zipfile.ZipFile(sys.argv[1]).testzip())", keep("q.zip", bytes)).trim(),
    ).toBe("None");
    const files = Object.entries(unzipSync(bytes)).filter(([name]) => name.endsWith(".xml"));
    expect(files.length).toBeGreaterThan(20);
    for (const [name, file] of files) run("xmllint", ["--noout", keep(path.basename(name), file)]);
  },
);

test("qti-convert makes of our 2.1 what we write as 3.0: the same elements with the same attributes", async () => {
  const [older, newer] = [
    unzipSync(await allOf(writeQti(outgoing, "2.1", bytesOf))),
    unzipSync(await allOf(writeQti(outgoing, "3.0", bytesOf))),
  ];
  const elements = (xml: string) =>
    [...xml.matchAll(/<(qti-[a-z-]+)([^>]*)/g)].map(
      ([, name, attributes]) =>
        `${name} ${[...attributes!.matchAll(/ ([\w:-]+)="([^"]*)"/g)]
          .filter(([, key]) => !key!.startsWith("xmlns") && !key!.startsWith("xsi"))
          .map(([, key, value]) => `${key}=${value}`)
          .toSorted()
          .join(" ")}`,
    );
  const items = Object.keys(older).filter((name) => name.startsWith("items/"));
  expect(items.length).toBeGreaterThan(20);
  const theirs = converted(items.map((name) => strFromU8(older[name]!)));
  for (const [at, name] of items.entries()) {
    expect(elements(theirs[at]!).length).toBeGreaterThan(3);
    expect(elements(strFromU8(newer[name]!))).toEqual(elements(theirs[at]!));
  }
}, 120_000);

test.each(["1.1", "1.3", "thin"] as const)("xmllint reads every file of a Common Cartridge %s", async (version) => {
  const files = unzipSync(await allOf(writeCartridge(outgoing, version, bytesOf)));
  for (const [name, file] of Object.entries(files))
    if (/\.(?:xml|html)$/.test(name)) run("xmllint", ["--noout", keep(path.basename(name), file)]);
});

test("pandoc reads our document: headings, lists, the table and the picture's description", async () => {
  const text = run("pandoc", [keep("a.docx", await writeDocx(await report(false))), "-t", "markdown"]);
  for (const there of ["# Reading a tide table", "## Look", "Tides & the moon", "4:12", "![A boat"])
    expect(text.replaceAll("\\", "").replace(/\s+/g, " ")).toContain(there);
});

test("poppler reads our PDF: the text, and on the students' sheet no answer", async () => {
  const text = async (forTeacher: boolean) =>
    run("pdftotext", ["-layout", keep("a.pdf", await writePdf(await report(forTeacher))), "-"]);
  expect(await text(false)).toContain("High water at 4 < 5.");
  expect(await text(false)).not.toContain("Answer:");
  expect(await text(true)).toContain("Answer: High water");
});

test("python reads our slides' package, our tables and our statements", async () => {
  const slides = keep("a.pptx", await writePptx(await report(true)));
  const names = python(
    "import sys,zipfile; z=zipfile.ZipFile(sys.argv[1]); print(z.testzip()); print('\\n'.join(z.namelist()))",
    slides,
  );
  expect(names).toMatch(/^None\n/);
  expect(names).toContain("ppt/slides/slide1.xml");
  const rows = [
    ["Name", "Says"],
    ["Noor", 'a "b", c\nd'],
  ];
  const table = keep("a.csv", writeCsv(rows));
  expect(
    JSON.parse(
      python(
        "import sys,csv,json; print(json.dumps(list(csv.reader(open(sys.argv[1],encoding='utf-8-sig',newline='')))))",
        table,
      ),
    ),
  ).toEqual(rows);
  const statements = xapiStatements(classOf(["BA"]), {
    home: "https://a.example",
    assignment: 1,
    title: "T",
    language: "en",
  });
  expect(
    python(
      "import sys,json; print(len(json.load(open(sys.argv[1]))))",
      keep("x.json", JSON.stringify(statements)),
    ).trim(),
  ).toBe(String(statements.length));
});

describe("files of other programs come in", () => {
  const source =
    "# When is high water?\n\nLook at the *table*.\n\n- high\n- low\n\n| Day | High |\n|-----|------|\n| Mon | 4:12 |\n\n# Which ferry can cross?\n\nThink first.\n";
  const made = (ending: string, ...more: string[]) => {
    run("pandoc", ["-f", "markdown", "-o", place(`made.${ending}`), ...more], source);
    return new Uint8Array(readFileSync(place(`made.${ending}`)));
  };

  test.each(["docx", "odt", "pptx", "epub", "html"])(
    "pandoc's .%s: both pages, the list and the table",
    async (ending) => {
      const brought = await readBrought(
        made(ending, ...(ending === "html" ? ["-s", "--metadata", "title=Tides"] : [])),
        `tides.${ending}`,
      );
      const titles = brought.pages.map(({ title }) => title).join(" | ");
      expect(titles).toContain("When is high water?");
      expect(titles).toContain("Which ferry can cross?");
      const all = JSON.stringify(brought.pages);
      expect(all).toContain('["Mon","4:12"]');
      expect(all).toContain("bulletList");
    },
  );

  test("PDFs that packages of the system ship, by whichever producers: every page with text", async () => {
    const found = run("find", ["/usr/share/doc", "-name", "*.pdf", "-size", "-3M"])
      .split("\n")
      .filter(Boolean)
      .slice(0, 12);
    for (const file of found) {
      const { pages } = await readBrought(new Uint8Array(readFileSync(file)), path.basename(file));
      expect([file, pages.length > 0]).toEqual([file, true]);
      const words = JSON.stringify(pages).length;
      expect([file, words > 500]).toEqual([file, true]);
    }
  }, 120_000);

  test("a PDF that poppler has put together of ours", async () => {
    const one = keep("one.pdf", await writePdf(await report(false)));
    run("pdfunite", [one, one, place("two.pdf")]);
    const single = await readBrought(new Uint8Array(readFileSync(one)), "one.pdf");
    const both = await readBrought(new Uint8Array(readFileSync(place("two.pdf"))), "two.pdf");
    expect(both.pages).toHaveLength(2 * single.pages.length);
  });
});
