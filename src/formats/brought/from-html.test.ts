import fc from "fast-check";
import { RichText } from "@/core/content/schema/rich-text";
import { mostBrought } from "@/core/brought/brought";
import { pagesOfHtml } from "./from-html";

const read = (html: string) => pagesOfHtml(html, "");
const written = (html: string) =>
  read(html).pages.flatMap(({ blocks }) => blocks.flatMap((block) => (block.kind === "text" ? block.content : [])));

test("paragraphs keep bold, italic and underlined words, and spaces are as a browser shows them", () => {
  expect(written("<p>  The <strong>tide</strong>\n   <em>is</em> <u>out</u>.</p>")).toEqual([
    {
      type: "paragraph",
      content: [
        { type: "text", text: " The " },
        { type: "text", text: "tide", marks: [{ type: "bold" }] },
        { type: "text", text: " " },
        { type: "text", text: "is", marks: [{ type: "italic" }] },
        { type: "text", text: " " },
        { type: "text", text: "out", marks: [{ type: "underline" }] },
        { type: "text", text: "." },
      ],
    },
  ]);
});

test("lists keep their order and what is inside them; smaller headings stay in their page", () => {
  expect(
    written("<h3>Parts</h3><ol><li>holdfast<ul><li>root</li></ul></li><li></li><li>blade</li></ol>"),
  ).toMatchObject([
    { type: "heading", attrs: { level: 3 } },
    {
      type: "orderedList",
      content: [
        { content: [{ type: "paragraph" }, { type: "bulletList", content: [{ type: "listItem" }] }] },
        { content: [{ content: [{ text: "blade" }] }] },
      ],
    },
  ]);
});

test("boxes inside boxes are only walked through, and text beside them is not lost", () => {
  const page = "<div><section>Before<div><p>one</p></div><div>two <b>three</b></div></section>After</div>";
  expect(JSON.stringify(written(page)).match(/"text":"[^"]*"/g)).toEqual(
    ["Before", "one", "two ", "three", "After"].map((text) => `"text":"${text}"`),
  );
});

test("a picture in the page comes in with its description; one that is elsewhere, and a picture that is a program, do not", () => {
  const dot = Buffer.from([0x89, 0x50, 0x4e, 0x47]).toString("base64");
  const { pages, pictures } = read(
    `<p>See <img src="data:image/png;base64,${dot}" alt="A dot"> here</p><img src="data:image/svg+xml;base64,${dot}"><img src="file:///etc/passwd">`,
  );
  expect(pictures).toHaveLength(1);
  expect(pages[0]!.blocks).toMatchObject([{ kind: "text" }, { kind: "picture", picture: 0, description: "A dot" }]);
  expect(pages[0]!.left).toHaveLength(2);
});

test("a table is a table, with its headings; what is in its cells is plain text", () => {
  const { pages } = read(
    "<table><thead><tr><th>Day</th><th>High</th></tr></thead><tbody><tr><td>Mon</td><td><b>4:12</b></td></tr></tbody></table>",
  );
  expect(pages[0]!.blocks).toEqual([
    {
      kind: "table",
      rows: [
        ["Day", "High"],
        ["Mon", "4:12"],
      ],
      headerRow: true,
    },
  ]);
});

test("a page without anything to read has no pages, and one with a thousand headings has as many as can be looked at", () => {
  expect(read("<script>1</script><style>p{}</style>").pages).toEqual([]);
  expect(read("<h1>a</h1>".repeat(1000)).pages).toHaveLength(mostBrought.pages);
});

test("whatever HTML it is, what is made of it can be stored, and it does not take long", () => {
  const tag = fc.constantFrom(
    "p",
    "div",
    "b",
    "ul",
    "li",
    "table",
    "tr",
    "td",
    "a href='https://x.example'",
    "span",
    "h3",
    "script",
    "br",
  );
  const piece = fc.oneof(
    fc.string({ maxLength: 12 }),
    tag.map((name) => `<${name}>`),
    tag.map((name) => `</${name.split(" ")[0]}>`),
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 60 }), (pieces) => {
      const began = performance.now();
      const content = written(pieces.join("").replaceAll("\0", ""));
      expect(performance.now() - began).toBeLessThan(1000);
      expect(RichText.safeParse({ type: "doc", content }).error).toBeUndefined();
    }),
  );
});

test("nested a thousand deep it ends", () => {
  expect(read(`${"<div>".repeat(1000)}deep${"</div>".repeat(1000)}`).pages.length).toBeLessThanOrEqual(1);
  expect(read(`${"<ul><li>".repeat(1000)}deep`).pages.length).toBeLessThanOrEqual(1);
});
