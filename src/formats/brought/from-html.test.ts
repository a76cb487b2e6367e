import fc from "fast-check";
import { RichText } from "@/core/content/schema/rich-text";
import { mostBrought } from "@/core/brought/brought";
import { fileBeside, pagesOfHtml } from "./from-html";

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
  const dot = Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 0, 0, 0]).toString("base64");
  const { pages, pictures } = read(
    `<p>See <img src="data:image/png;base64,${dot}" alt="A dot"> here</p><img src="data:image/svg+xml;base64,${Buffer.from("<svg/>").toString("base64")}"><img src="file:///etc/passwd">`,
  );
  expect(pictures).toHaveLength(1);
  expect(pages[0]!.blocks).toMatchObject([{ kind: "text" }, { kind: "picture", picture: 0, description: "A dot" }]);
  expect(pages[0]!.left).toHaveLength(2);
});

// The first signs by which browsers tell WebM (EBML) and Ogg.
const webm = Buffer.from([0x1a, 0x45, 0xdf, 0xa3, 0x93, 0x42, 0x82, 0x88, ...Buffer.from("webm"), 1, 2, 3, 4]);
const ogg = Buffer.from([...Buffer.from("OggS"), 0, 2, 0, 0, 0, 0, 0, 0, 0, 0, 1, 2, 3, 4, ...Buffer.from("OpusHead")]);

test("films and sounds that are in the file come in, the first of their sources that plays; others are listed", () => {
  const address = (type: string, bytes: Buffer) => `data:${type};base64,${bytes.toString("base64")}`;
  const { pages, pictures } = read(
    `<video title="The tide comes in"><source src="tide.mp4"><source src="${address("video/webm", webm)}"><track src="tide.vtt">Your browser …</video>
     <p>Hear it: <audio controls src="${address("audio/ogg", ogg)}"></audio></p>
     <video src="https://x.example/a.webm"></video><audio src="${address("audio/ogg", Buffer.from("MZ program"))}"></audio>`,
  );
  expect(pages[0]!.blocks).toMatchObject([
    { kind: "film", picture: 0, name: "The tide comes in" },
    { kind: "text" },
    { kind: "sound", picture: 1, name: "" },
  ]);
  expect(pictures.map(({ bytes }) => Buffer.from(bytes))).toEqual([webm, ogg]);
  expect(pages[0]!.left).toEqual([
    "The captions of a film. Add the file of captions to it.",
    expect.stringMatching(/^A film that is not in the file/),
    expect.stringMatching(/^A sound that is not in the file/),
  ]);
});

test("what lies beside a page is found from its own place, and nothing outside of the package", () => {
  const files = new Map([
    ["in/media/a.webm", webm],
    ["b.webm", ogg],
  ]) as never;
  const found = fileBeside(files, "in/text/one.xhtml");
  expect(found("../media/a.webm")).toBe(webm);
  expect(found("../../../b.webm")).toBe(ogg);
  for (const away of ["https://x.example/b.webm", "http://[", "%E0%A4%A", "file:///b.webm", "none.webm", ""])
    expect(found(away)).toBeNull();
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

test("a tag may have any name, also one that every object knows", () => {
  const { pages } = read(
    "<constructor>One</constructor><p>Two <constructor>three</constructor></p><hasownproperty>4</hasownproperty>",
  );
  const text = JSON.stringify(pages[0]!.blocks);
  for (const word of ["One", "Two ", "three", "4"]) expect(text).toContain(word);
  expect(pages[0]!.left).toEqual([]);
});

test("nested a thousand deep it ends", () => {
  expect(read(`${"<div>".repeat(1000)}deep${"</div>".repeat(1000)}`).pages.length).toBeLessThanOrEqual(1);
  expect(read(`${"<ul><li>".repeat(1000)}deep`).pages.length).toBeLessThanOrEqual(1);
});
