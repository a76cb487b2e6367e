import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import fc from "fast-check";
import katex from "katex";
import { plainText } from "@/core/content/rich-text";
import type { Brought } from "@/core/brought/brought";
import type { RichInline } from "@/core/content/schema/rich-text";
import { writeDocx } from "../docx/write-docx";
import { mathMarkup } from "../xhtml/rich-markup";
import { writeMarkup } from "../markup";
import { formulaOf, inWords, isTex, piecesOf, withinText } from "./formulas";
import { pagesOfHtml } from "./from-html";
import { readBrought } from "./read-brought";
import { all, readXml } from "./xml";

/** How a formula looks: two ways of writing it that look alike are the same. */
const looks = (tex: string) =>
  katex
    .renderToString(tex, { output: "mathml", throwOnError: true })
    .replace(/<annotation[\s\S]*<\/annotation>/, "")
    .replace(/<\/?(?:mrow|mstyle)[^>]*>/g, "")
    .replace(/<mo [^>]*>/g, "<mo>");
const formulas = (brought: Pick<Brought, "pages">): { tex: string; spoken: string }[] => {
  const inlines = (node: unknown): RichInline[] =>
    typeof node !== "object" || node === null
      ? []
      : (node as RichInline).type === "maths"
        ? [node as RichInline]
        : Object.values(node).flatMap(inlines);
  return inlines(brought.pages.map(({ blocks }) => blocks)).flatMap((one) => (one.type === "maths" ? [one.attrs] : []));
};
const run = (text: string) => `<m:r><m:t>${text}</m:t></m:r>`;
const omml = (inside: string) =>
  formulaOf(all(readXml(strToU8(`<m:oMath>${inside}</m:oMath>`), "test"), "m:oMath")[0]!);

test.each([
  [`<m:f><m:num>${run("1")}</m:num><m:den>${run("2")}</m:den></m:f>`, "\\frac{1}{2}", "1/2"],
  [`<m:f><m:num>${run("a+b")}</m:num><m:den>${run("2")}</m:den></m:f>`, "\\frac{a+b}{2}", "(a+b)/2"],
  [`<m:sSup><m:e>${run("x")}</m:e><m:sup>${run("2")}</m:sup></m:sSup>${run("=9")}`, "{x}^{2}=9", "x^2=9"],
  [`<m:rad><m:radPr><m:degHide m:val="1"/></m:radPr><m:deg/><m:e>${run("16")}</m:e></m:rad>`, "\\sqrt{16}", "√16"],
  [`<m:rad><m:deg>${run("3")}</m:deg><m:e>${run("8")}</m:e></m:rad>`, "\\sqrt[3]{8}", "3√8"],
  [
    `<m:nary><m:naryPr><m:chr m:val="∑"/></m:naryPr><m:sub>${run("i=1")}</m:sub><m:sup>${run("n")}</m:sup><m:e>${run("i")}</m:e></m:nary>`,
    "\\sum_{i=1}^{n}{i}",
    "∑ i=1 n i",
  ],
  [
    `<m:d><m:dPr><m:begChr m:val="["/><m:endChr m:val="]"/></m:dPr><m:e>${run("a")}</m:e></m:d>`,
    "\\left[ a \\right]",
    "[a]",
  ],
  [`<m:func><m:fName>${run("sin")}</m:fName><m:e>${run("x")}</m:e></m:func>`, "\\sin {x}", "sinx"],
  [
    `<m:sSup><m:e><m:d><m:e>${run("a+b")}</m:e></m:d></m:e><m:sup>${run("2")}</m:sup></m:sSup>`,
    "{\\left( a+b \\right)}^{2}",
    "(a+b)^2",
  ],
  [`<m:r><m:rPr><m:nor/></m:rPr><m:t>boats per day</m:t></m:r>`, "\\text{boats per day}", "boats per day"],
  [run("50%"), "50\\%", "50%"],
  [
    `<m:m>${["12", "34"].map((row) => `<m:mr>${[...row].map((cell) => `<m:e>${run(cell)}</m:e>`).join("")}</m:mr>`).join("")}</m:m>`,
    "\\begin{matrix}1 & 2 \\\\ 3 & 4\\end{matrix}",
    "1 2 3 4",
  ],
  [
    `<m:r><m:rPr><m:nor/></m:rPr><m:t>boats & nets, 5%</m:t></m:r>`.replace("&", "&amp;"),
    "\\text{boats \\& nets, 5\\%}",
    "boats & nets, 5%",
  ],
  [`<m:r><m:rPr><m:sty m:val="b"/></m:rPr><m:t>v</m:t></m:r>`, "\\mathbf{v}", "v"],
])("%s", (written, tex, words) => {
  expect(omml(written)).toEqual({ tex, words });
  expect(isTex(tex)).toBe(true);
});

const lesson = async (...written: string[]) => {
  const report = {
    ...{ title: "Sums", language: "en", author: "Ines Halloran", wide: false },
    sections: [
      {
        ...{ title: "Sums", shown: true, language: "en" },
        blocks: written.map((tex) => ({
          ...{ kind: "text" as const, text: "Is it so?" },
          parts: [{ text: "Is " }, { tex, text: "so" }, { text: " right?" }],
        })),
      },
    ],
  };
  return writeDocx(report);
};

test("formulas that were written into a document come out of it as they were", async () => {
  const written = [
    ...["\\frac{1}{2}+\\frac{3}{4}", "x^2+2x+1", "\\sqrt{16}=4", "\\sqrt[3]{27}", "a_1", "x_1^2", "3\\times 4\\le 13"],
    ...["\\left(\\frac{a}{b}\\right)^2", "\\sum_{i=1}^{n} i", "\\sin x", "\\overline{AB}", "90^\\circ", "\\pi r^2"],
  ];
  const bytes = await lesson(...written);
  expect(strFromU8(unzipSync(bytes)["word/document.xml"]!)).toContain("<m:oMath>");
  const brought = await readBrought(bytes, "sums.docx");
  expect(formulas(brought).map(({ tex }) => looks(tex))).toEqual(written.map(looks));
  const [page] = brought.pages;
  expect(page!.blocks[0]).toMatchObject({ kind: "text" });
  expect(JSON.stringify(page)).toContain(" right?");
  expect(brought.pages.flatMap(({ left }) => left)).toEqual([]);
});

test("what the package cannot write is written in words, and the document is there", async () => {
  const bytes = await lesson("\\unheardof{x}", "\\frac12");
  const document = strFromU8(unzipSync(bytes)["word/document.xml"]!);
  expect(document.match(/<m:oMath>/g)).toHaveLength(1);
  expect(document).toContain(">so<");
});

test("a formula on a line of its own, and one that is never closed", async () => {
  const bytes = await lesson("\\frac12");
  const files = unzipSync(bytes);
  const body = strFromU8(files["word/document.xml"]!);
  const withBody = (text: string) => zipSync({ ...files, "word/document.xml": strToU8(text) });
  const own = body.replace(
    /<m:oMath>[\s\S]*<\/m:oMath>/,
    (one) => `<m:oMathPara><m:oMathParaPr><m:jc m:val="left"/></m:oMathParaPr>${one}</m:oMathPara>`,
  );
  expect(formulas(await readBrought(withBody(own), "sums.docx"))).toEqual([{ tex: "\\frac{1}{2}", spoken: "1/2" }]);
  const open = body.replace("</m:oMath>", "");
  await expect(readBrought(withBody(open), "sums.docx")).rejects.toThrow("damaged");
});

test("a web page's formula comes with the TeX it notes and its words, or with what its marks say", () => {
  const ours = writeMarkup(mathMarkup("\\frac{1}{2}", "one “half”"));
  expect(formulas(pagesOfHtml(`<p>Half: ${ours}.</p>`, ""))).toEqual([{ tex: "\\frac{1}{2}", spoken: "one “half”" }]);
  const bare = "<math><mfrac><mn>3</mn><mn>4</mn></mfrac></math>";
  const [found] = formulas(pagesOfHtml(`<p>Three quarters: ${bare}</p>`, ""));
  expect(looks(found!.tex)).toBe(looks("\\frac{3}{4}"));
  const { pages } = pagesOfHtml(`<table><tr><td>${ours}</td></tr></table>`, "");
  expect(pages[0]!.blocks).toEqual([{ kind: "table", rows: [["one “half”"]], headerRow: false }]);
});

test("a formula of an OpenDocument text is a file of its own", async () => {
  const starMath = `<?xml version="1.0"?><math xmlns="http://www.w3.org/1998/Math/MathML"><semantics><mrow><mfrac><mn>3</mn><mn>4</mn></mfrac></mrow><annotation encoding="StarMath 5.0">3 over 4</annotation></semantics></math>`;
  const text = `<office:document-content><office:body><office:text><text:p>Three quarters: <draw:frame><draw:object xlink:href="./Object 1"/><draw:image xlink:href="./ObjectReplacements/Object 1"/></draw:frame>.</text:p></office:text></office:body></office:document-content>`;
  const bytes = zipSync({
    "META-INF/manifest.xml": strToU8("<manifest/>"),
    "content.xml": strToU8(text),
    "Object 1/content.xml": strToU8(starMath),
  });
  const [found, ...more] = formulas(await readBrought(bytes, "sums.odt"));
  expect(more).toEqual([]);
  expect(looks(found!.tex)).toBe(looks("\\frac{3}{4}"));
});

test("a chart in a document is not passed over in silence", async () => {
  const files = unzipSync(await lesson("x"));
  const chart = `<w:p><w:r><w:drawing><a:graphic><a:graphicData uri="http://schemas.openxmlformats.org/drawingml/2006/chart"><c:chart r:id="rId9"/></a:graphicData></a:graphic></w:drawing></w:r></w:p>`;
  const body = strFromU8(files["word/document.xml"]!).replace("<w:body>", `<w:body>${chart}`);
  const brought = await readBrought(zipSync({ ...files, "word/document.xml": strToU8(body) }), "sums.docx");
  expect(brought.pages[0]!.left).toEqual(["A chart or a diagram. Save it as a picture and add it."]);
});

test("a formula that cannot be shown here comes as text, and is named", () => {
  const odd = `<math alttext="seven eels"><annotation encoding="application/x-tex">\\eels{7}</annotation></math>`;
  const { pages } = pagesOfHtml(`<p>Take ${odd} now.</p>`, "");
  const [block] = pages[0]!.blocks;
  expect(block?.kind === "text" && plainText({ type: "doc", content: block.content })).toBe("Take seven eels now.");
  expect(pages[0]!.left).toEqual([expect.stringContaining("seven eels")]);
});

test("slides have formulas within their points, and shapes that are there twice come once", async () => {
  const half = `<a14:m><m:oMath><m:f><m:num>${run("1")}</m:num><m:den>${run("2")}</m:den></m:f></m:oMath></a14:m>`;
  const shape = `<p:sp><p:txBody><a:p><a:r><a:t>Colour </a:t></a:r>${half}<a:r><a:t> of it.</a:t></a:r></a:p></p:txBody></p:sp>`;
  const twice = `<mc:AlternateContent><mc:Choice Requires="a14">${shape}</mc:Choice><mc:Fallback><p:sp><p:txBody><a:p><a:r><a:t>old</a:t></a:r></a:p></p:txBody></p:sp></mc:Fallback></mc:AlternateContent>`;
  const bytes = zipSync(
    Object.fromEntries(
      Object.entries({
        "ppt/presentation.xml": `<p:presentation><p:sldIdLst><p:sldId id="1" r:id="r1"/></p:sldIdLst></p:presentation>`,
        "ppt/_rels/presentation.xml.rels": `<Relationships><Relationship Id="r1" Type="http://x/slide" Target="slides/slide1.xml"/></Relationships>`,
        "ppt/slides/slide1.xml": `<p:sld><p:cSld><p:spTree>${twice}</p:spTree></p:cSld></p:sld>`,
      }).map(([name, text]) => [name, strToU8(text)]),
    ),
  );
  const brought = await readBrought(bytes, "sums.pptx");
  expect(brought.pages[0]!.blocks).toMatchObject([
    {
      kind: "text",
      content: [
        {
          content: [
            { type: "text", text: "Colour " },
            { type: "maths", attrs: { tex: "\\frac{1}{2}", spoken: "1/2" } },
            { type: "text", text: " of it." },
          ],
        },
      ],
    },
  ]);
});

test("texts with formulas in them come apart as they were put together", () => {
  const plain = fc.string().filter((text) => !/[\uE000-\uE002]/.test(text));
  fc.assert(
    fc.property(fc.array(fc.tuple(plain, plain, plain), { maxLength: 6 }), plain, (parts, last) => {
      const text = parts.map(([before, tex, words]) => before + withinText({ tex, words })).join("") + last;
      const wanted = [...parts.flatMap(([before, tex, words]) => [before, { tex, words }]), last];
      expect(piecesOf(text)).toEqual(wanted.filter((piece) => piece !== ""));
      expect(inWords(text)).toBe(parts.map(([before, , words]) => before + words).join("") + last);
    }),
  );
});

test("a formula within formulas without end is refused, one that somebody could have written is read", () => {
  const deep = (levels: number) => `${"<m:sSup><m:e>".repeat(levels)}${run("x")}${"</m:e></m:sSup>".repeat(levels)}`;
  expect(() => omml(deep(3000))).toThrow("cannot be read");
  expect(omml(deep(20)).tex).toMatch(/^\{+x\}/);
});
