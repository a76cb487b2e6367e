import { strToU8, zipSync } from "fflate";
import { plainText } from "@/core/content/rich-text";
import { BroughtError } from "./brought-error";
import { readBrought } from "./read-brought";

const PNG = Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 1, 2, 3, 4]);
const odt = (body: string, kind = "text") =>
  zipSync({
    mimetype: strToU8("application/vnd.oasis.opendocument.text"),
    "META-INF/manifest.xml": strToU8("<manifest:manifest/>"),
    "Pictures/boat.png": PNG,
    "content.xml": strToU8(
      `<office:document-content><office:body><office:${kind}>${body}</office:${kind}></office:body></office:document-content>`,
    ),
  });

test("an OpenDocument text comes in with headings, lists, tables, links and pictures", async () => {
  const brought = await readBrought(
    odt(
      `<text:h text:outline-level="1">Tides &amp; ships</text:h>
       <text:p>High<text:s text:c="2"/>water, see <text:a xlink:href="https://harbour.example">the office</text:a>.</text:p>
       <text:list><text:list-item><text:p>ebb</text:p></text:list-item><text:list-item><text:p>flood</text:p></text:list-item></text:list>
       <table:table><table:table-header-rows><table:table-row><table:table-cell><text:p>High</text:p></table:table-cell></table:table-row></table:table-header-rows>
       <table:table-row><table:table-cell><text:p>4:12</text:p></table:table-cell></table:table-row></table:table>
       <text:p><draw:frame><draw:image xlink:href="Pictures/boat.png"/><svg:desc>A boat</svg:desc></draw:frame></text:p>
       <text:tracked-changes><text:p>deleted</text:p></text:tracked-changes>
       <text:h text:outline-level="2">Next</text:h><text:p>More.</text:p>`,
    ),
    "tides.odt",
  );
  expect(brought.pages.map(({ title }) => title)).toEqual(["Tides & ships", "Next"]);
  const [first] = brought.pages;
  expect(first!.blocks.map(({ kind }) => kind)).toEqual(["text", "table", "picture"]);
  const text = first!.blocks[0]!;
  expect(text.kind === "text" && plainText({ type: "doc", content: text.content })).toBe(
    "High water, see the office.\nebb\nflood",
  );
  expect(JSON.stringify(text)).toContain('"href":"https://harbour.example"');
  expect(first!.blocks[1]).toMatchObject({ rows: [["High"], ["4:12"]], headerRow: true });
  expect(first!.blocks[2]).toMatchObject({ description: "A boat" });
  expect(JSON.stringify(brought)).not.toContain("deleted");
});

test("a drawing or a table of the same family is refused in words", async () => {
  await expect(readBrought(odt("", "spreadsheet"), "sums.ods")).rejects.toThrow(BroughtError);
});

test("a picture is a page of its own, and captions are what is said", async () => {
  expect(await readBrought(PNG, "The quay.png")).toMatchObject({
    ...{ kind: "a picture", title: "The quay" },
    pages: [{ title: "The quay", blocks: [{ kind: "picture", picture: 0 }] }],
  });
  const captions = strToU8("WEBVTT\n\n00:01.000 --> 00:03.000\nThe tide goes out.\n");
  expect(await readBrought(captions, "film.vtt")).toMatchObject({
    pages: [
      {
        blocks: [{ content: [{ content: [{ text: "The tide goes out." }] }] }],
        left: [expect.stringContaining("times")],
      },
    ],
  });
});
