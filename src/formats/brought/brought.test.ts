import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { stepsFrom } from "@/core/brought/steps";
import type { Becomes, BroughtPage } from "@/core/brought/brought";
import { plainText } from "@/core/content/rich-text";
import type { BlockOf } from "@/core/resource/block";
import { Step } from "@/core/resource/schema/document";
import { slowAnswerOf } from "../slow-readers";
import { pagesOfHtml } from "./from-html";
import { readBrought } from "./read-brought";

const zip = (files: Record<string, string | Uint8Array>) =>
  zipSync(
    Object.fromEntries(Object.entries(files).map(([name, it]) => [name, typeof it === "string" ? strToU8(it) : it])),
  );
const seal = Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 1, 2, 3]);
const text = (page: BroughtPage) =>
  page.blocks.map((block) =>
    block.kind === "text"
      ? plainText({ type: "doc", content: block.content })
      : block.kind === "table"
        ? block.rows
        : block.kind === "picture"
          ? block.description
          : block.kind === "question"
            ? block.asked.ask
            : block.name,
  );

const run = (words: string) => `<a:p><a:r><a:t>${words}</a:t></a:r></a:p>`;
const shape = (kind: string, ...lines: string[]) =>
  `<p:sp><p:nvSpPr><p:nvPr><p:ph type="${kind}"/></p:nvPr></p:nvSpPr><p:txBody>${lines.map(run).join("")}</p:txBody></p:sp>`;
const slide = (...shapes: string[]) => `<p:sld><p:cSld><p:spTree>${shapes.join("")}</p:spTree></p:cSld></p:sld>`;
const relations = (...all: [string, string, string][]) =>
  `<Relationships>${all.map(([id, type, target]) => `<Relationship Id="${id}" Type="http://x/${type}" Target="${target}"/>`).join("")}</Relationships>`;
const slides = (more: Record<string, string | Uint8Array> = {}) =>
  zip({
    "ppt/presentation.xml": `<p:presentation><p:sldIdLst><p:sldId id="1" r:id="r2"/><p:sldId id="2" r:id="r1"/></p:sldIdLst></p:presentation>`,
    "ppt/_rels/presentation.xml.rels": relations(
      ["r1", "slide", "slides/slide1.xml"],
      ["r2", "slide", "slides/slide2.xml"],
    ),
    "ppt/slides/slide1.xml": slide(
      shape("title", "High water is at 11:40. Fish &amp; chips?"),
      shape("body", "Which ferry can cross?", "A) the 7:10", "B) the 13:05*"),
      `<p:graphicFrame><a:graphic><c:chart/></a:graphic></p:graphicFrame>`,
    ),
    "ppt/slides/slide2.xml": slide(
      shape("ctrTitle", "When is high water?"),
      shape("body", "Look at the table.", "Count the hours."),
      `<p:graphicFrame><a:tbl><a:tblPr firstRow="1"/><a:tr><a:tc>${run("High")}</a:tc><a:tc>${run("Low")}</a:tc></a:tr><a:tr><a:tc>${run("4:12")}</a:tc><a:tc>${run("10:20")}</a:tc></a:tr></a:tbl></p:graphicFrame>`,
      `<p:pic><p:nvPicPr><p:cNvPr descr="A boat afloat"/></p:nvPicPr><p:blipFill><a:blip r:embed="r9"/></p:blipFill></p:pic>`,
    ),
    "ppt/slides/_rels/slide2.xml.rels": relations(
      ["r9", "image", "../media/boat.png"],
      ["r8", "notesSlide", "../notesSlides/notes1.xml"],
    ),
    "ppt/notesSlides/notes1.xml": slide(shape("sldNum", "2"), shape("body", "Many forget the minutes.")),
    "ppt/media/boat.png": seal,
    ...more,
  });

describe("slides", () => {
  test("come in their order: titles, points, real tables, pictures with their descriptions, speaker's notes", async () => {
    const { kind, title, pages, pictures } = await readBrought(slides(), "tides.pptx");
    expect([kind, title, pages.length]).toEqual(["slides", "When is high water?", 2]);
    expect(pages[0]).toMatchObject({ title: "When is high water?", notes: "Many forget the minutes.", left: [] });
    expect(pages[0]!.blocks.map((block) => block.kind)).toEqual(["text", "table", "picture"]);
    expect(pages[0]!.blocks[0]).toMatchObject({ content: [{ type: "bulletList" }] });
    expect(pages[0]!.blocks[1]).toMatchObject({
      rows: [
        ["High", "Low"],
        ["4:12", "10:20"],
      ],
      headerRow: true,
    });
    expect(pages[0]!.blocks[2]).toMatchObject({ picture: 0, description: "A boat afloat" });
    expect(pictures).toMatchObject([{ mime: "image/png", bytes: seal }]);
    expect(pages[1]).toMatchObject({
      title: "High water is at 11:40. Fish & chips?",
      left: [expect.stringContaining("A chart")],
    });
  });

  test("films and sounds that are in the file come in; one that is only linked to, or no film at all, is named", async () => {
    const webm = Uint8Array.from([0x1a, 0x45, 0xdf, 0xa3, 1, 2, 3, 4]);
    const picture = (media: string, name: string) =>
      `<p:pic><p:nvPicPr><p:cNvPr name="${name}"/><p:nvPr>${media}</p:nvPr></p:nvPicPr><p:blipFill><a:blip r:embed="r9"/></p:blipFill></p:pic>`;
    const { pages, pictures } = await readBrought(
      slides({
        "ppt/slides/slide2.xml": slide(
          shape("title", "Tides"),
          picture('<a:videoFile r:link="r1"/><p14:media r:embed="r2"/>', "The harbour in twelve hours"),
          picture('<a:audioFile r:link="r3"/>', "A foghorn"),
          picture('<a:videoFile r:link="r4"/>', "Elsewhere"),
          picture('<a:videoFile r:link="r5"/>', "A program"),
        ),
        "ppt/slides/_rels/slide2.xml.rels": relations(
          ["r2", "media", "../media/tide.webm"],
          ["r3", "audio", "../media/horn.mp3"],
          ["r4", "video", "https://films.example/tide.mp4"],
          ["r5", "video", "../media/run.mp4"],
        ),
        "ppt/media/tide.webm": webm,
        "ppt/media/horn.mp3": strToU8("ID3 horn"),
        "ppt/media/run.mp4": strToU8("MZ program"),
      }),
      "tides.pptx",
    );
    expect(pages[0]!.blocks).toEqual([
      { kind: "film", picture: 0, name: "The harbour in twelve hours" },
      { kind: "sound", picture: 1, name: "A foghorn" },
    ]);
    expect(pictures.map(({ mime }) => mime)).toEqual(["video/webm", "audio/mpeg"]);
    expect(pages[0]!.left).toEqual(Array(2).fill(expect.stringContaining("A film that is not in the file")));
    const made = stepsFrom(pages.slice(0, 1), [], {
      language: "en",
      newId: () => "n",
      media: ["a".repeat(64), "b".repeat(64)],
    });
    expect(made[0]!.blocks.map(({ type }) => type)).toEqual(["film", "sound"]);
  });

  test("lettered choices become a question, with the right one where a star says it", async () => {
    const { pages } = await readBrought(slides(), "tides.pptx");
    let made = 0;
    const steps = stepsFrom(pages, ["a step", "a step"], {
      language: "en",
      newId: () => `n${(made += 1)}`,
      media: ["f".repeat(64)],
    });
    expect(steps.map((step) => step.title.en)).toEqual([
      "When is high water?",
      "High water is at 11:40. Fish & chips?",
    ]);
    expect(plainText(steps[0]!.teacherNotes!.en!)).toBe("Many forget the minutes.");
    const [asked] = steps[1]!.blocks;
    expect(asked).toMatchObject({
      question: { type: "choice", options: [{ text: { en: "the 7:10" } }, { text: { en: "the 13:05" } }] },
    });
    const { question } = asked as { question: { options: { id: string }[]; right: string } };
    expect(question.right).toBe(question.options[1]!.id);
  });
});

test("a web page: headings begin pages, lists and links stay, what a page does by itself does not come in", () => {
  const { pages, title } = pagesOfHtml(
    `<title>x</title><h1>Kelp</h1><p>Look <b>here</b>: <a href="https://skerry.example/kelp">more</a> and <a href="javascript:alert(1)">this</a>.</p>
     <ul><li>holdfast<ul><li>root</li></ul></li><li>blade</li></ul><script>alert(1)</script><iframe src="https://x.example"></iframe>
     <h2>Count</h2><table><tr><th>Day</th></tr><tr><td>1</td></tr></table><img src="http://x.example/a.png"><p onclick="x()">End</p>`,
    "",
  );
  expect(title).toBe("Kelp");
  expect(pages.map((page) => page.title)).toEqual(["Kelp", "Count"]);
  const written = JSON.stringify(pages);
  expect(written).toContain('"href":"https://skerry.example/kelp"');
  for (const away of ["javascript:", "alert", "onclick"]) expect(written).not.toContain(away);
  expect(pages[0]!.left).toEqual([expect.stringContaining("Another page shown inside")]);
  expect(pages[1]!.left).toEqual([expect.stringContaining("not in the file")]);
  expect(text(pages[1]!)).toEqual([[["Day"], ["1"]], "End"]);
});

test("Markdown, a document and a book", async () => {
  const notes = await readBrought(strToU8("# Tides\n\nThe *moon*.\n\n## Ask\n\n1. one\n2. two\n"), "tides.md");
  expect([notes.kind, notes.title, notes.pages.map(({ title }) => title)]).toEqual([
    "notes",
    "tides",
    ["Tides", "Ask"],
  ]);

  const paragraph = (style: string, words: string) =>
    `<w:p><w:pPr><w:pStyle w:val="${style}"/></w:pPr><w:r><w:t>${words}</w:t></w:r></w:p>`;
  const docx = zip({
    "[Content_Types].xml": `<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>`,
    "_rels/.rels": `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>`,
    "word/styles.xml": `<w:styles xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:style w:type="paragraph" w:styleId="Heading1"><w:name w:val="heading 1"/></w:style></w:styles>`,
    "word/_rels/document.xml.rels": `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r2" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/styles" Target="styles.xml"/></Relationships>`,
    "word/document.xml": `<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${paragraph("Heading1", "The lighthouse")}${paragraph("Normal", "It is old.")}</w:body></w:document>`,
  });
  const document = await readBrought(docx, "a.docx");
  expect([document.kind, document.pages[0]!.title, text(document.pages[0]!)]).toEqual([
    "a document",
    "The lighthouse",
    ["It is old."],
  ]);

  const book = await readBrought(
    zip({
      mimetype: "application/epub+zip",
      "META-INF/container.xml": `<container><rootfiles><rootfile full-path="in/book.opf"/></rootfiles></container>`,
      "in/book.opf": `<package><metadata><dc:title>The otter</dc:title></metadata><manifest><item id="b" href="two.xhtml"/><item id="a" href="one.xhtml"/></manifest><spine><itemref idref="a"/><itemref idref="b"/></spine></package>`,
      "in/one.xhtml": `<html><body><h1>One</h1><p>It dives.</p><img src="pictures/otter.png" alt="An otter"/></body></html>`,
      "in/two.xhtml": `<html><body><h1>Two</h1><p>It eats.</p><img src="pictures/otter.png" alt="Again"/></body></html>`,
      "in/pictures/otter.png": seal,
    }),
    "otter.epub",
  );
  expect([book.kind, book.title, book.pages.map(({ title }) => title)]).toEqual([
    "a book",
    "The otter",
    ["One", "Two"],
  ]);
  expect(book.pictures).toMatchObject([
    { mime: "image/png", bytes: seal },
    { mime: "image/png", bytes: seal },
  ]);
  // Each chapter's pictures come after those of the chapters before.
  expect(book.pages[1]!.blocks.at(-1)).toMatchObject({ kind: "picture", picture: 1, description: "Again" });
});

describe("what becomes of pages", () => {
  const page = (title: string, notes = ""): BroughtPage => ({
    ...{ title, notes, left: [] },
    blocks: [{ kind: "text", content: [{ type: "paragraph", content: [{ type: "text", text: `About ${title}` }] }] }],
  });
  const made = (pages: BroughtPage[], ...chosen: Becomes[]) => {
    let count = 0;
    return stepsFrom(pages, chosen, { language: "en", newId: () => `n${(count += 1)}`, media: [] });
  };

  test("a step, part of the step before, her notes there, or nothing", () => {
    const steps = made(
      [page("a"), page("b", "Say it."), page("c"), page("d"), page("e")],
      "a step",
      "part of the step before",
      "my notes",
      "left out",
      "a step",
    );
    expect(steps.map(({ title, blocks }) => [title.en, blocks.length])).toEqual([
      ["a", 2],
      ["e", 1],
    ]);
    expect(plainText(steps[0]!.teacherNotes!.en!)).toBe("Say it.\nc\nAbout c");
  });

  test("a long table becomes several with the same headings, and a page with more than a step has room for goes on in the next", () => {
    const rows = [["Day"], ...Array.from({ length: 130 }, (_, at) => [`${at}`])];
    const [step] = made([{ ...page("a"), blocks: [{ kind: "table", rows, headerRow: true }] }], "a step");
    const tables = step!.blocks.map((block) => (block as BlockOf<"table">).rows.en!);
    expect(tables.map((one) => [one[0], one.length])).toEqual([
      [["Day"], 60],
      [["Day"], 60],
      [["Day"], 13],
    ]);
    const asked = { ask: "?", options: [], right: [], hint: "", marks: null };
    const steps = made(
      [{ ...page("b"), blocks: Array.from({ length: 70 }, () => ({ kind: "question" as const, asked })) }],
      "a step",
    );
    expect(steps.map(({ title, blocks }) => [title.en, blocks.length])).toEqual([
      ["b", 60],
      ["b", 10],
    ]);
  });

  test("what there is no room for is said", async () => {
    const wide = `<table><tr>${"<td>x</td>".repeat(25)}</tr><tr><td>${"y".repeat(500)}</td></tr></table>`;
    const { pages } = await readBrought(strToU8(`<html><body>${wide}</body></html>`), "wide.html");
    expect(pages[0]!.left).toEqual([
      "Columns of a table beyond the 20th.",
      "What a table’s cell says beyond 400 letters.",
    ]);
  });

  test("whatever is chosen, what is made can be stored", () => {
    const choice = fc.constantFrom<Becomes>("a step", "part of the step before", "my notes", "left out");
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.string({ maxLength: 300 }), choice), { maxLength: 12 }), (all) => {
        const steps = made(
          all.map(([title]) => page(title.replaceAll("\0", ""))),
          ...all.map(([, as]) => as),
        );
        for (const step of steps) expect(Step.safeParse(step).error).toBeUndefined();
      }),
    );
  });
});

describe("a file that cannot be brought in", () => {
  const why = async (bytes: Uint8Array, name = "x") => {
    const answer = await slowAnswerOf([bytes, name]);
    return "unreadable" in answer ? answer.unreadable : answer;
  };

  test("is refused in words that say what is wrong, and where", async () => {
    expect(await why(strToU8("%PDF-1.7"))).toContain("This PDF is damaged or cut off");
    expect(await why(zip({ "a.txt": "x" }))).toContain(
      "no slides (.pptx), no document (.docx, .odt), no table (.xlsx)",
    );
    expect(await why(slides().slice(0, 300))).toMatch(/cut off|not a zip/);
    expect(await why(strToU8("   "))).toContain("nothing to read");
    expect(await why(slides({ "../../up.xml": "x" }))).toContain("leads out of the zip");
    expect(await why(slides({ "ppt/slides/slide1.xml": "<a><b>" }))).toMatchObject({ value: {} });
  });

  test("is refused when it declares entities, which make a small file large or read others", async () => {
    const bomb = `<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;">]><p:sld>&b;</p:sld>`;
    expect(await why(slides({ "ppt/slides/slide2.xml": bomb }))).toContain("declares entities");
    const external = `<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><w:document>&a;</w:document>`;
    expect(await why(zip({ "word/document.xml": external }))).toContain("declares entities");
  });

  test("mutated anywhere, it is read or refused, never hangs and never brings the reader down", async () => {
    const honest = slides();
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat({ max: honest.length - 1 }), fc.nat({ max: 255 })), { minLength: 1, maxLength: 8 }),
        async (changes) => {
          const bytes = honest.slice();
          for (const [at, value] of changes) bytes[at] = value;
          const began = performance.now();
          const answer = await slowAnswerOf([bytes, "x.pptx"]);
          expect(performance.now() - began).toBeLessThan(2000);
          expect("value" in answer || "unreadable" in answer).toBe(true);
        },
      ),
      { numRuns: 300 },
    );
  });
});
