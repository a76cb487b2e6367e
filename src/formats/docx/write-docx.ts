import {
  BorderStyle,
  Document,
  HeadingLevel,
  ImageRun,
  Math as MathOfWords,
  Packer,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
} from "docx";
import { latexToMath } from "docx/math";
import { imageSize } from "image-size";
import { bringsItsOwn, type Report, type ReportBlock, type ReportSection } from "@/core/report/report";
import { sameBytes } from "../same-bytes";

/** In pixels: what fits between the margins of a page. */
const WIDEST = 560;
const HIGHEST = 360;
const SOFT = "5E574B";

const runs = (text: string, soft = false) =>
  text
    .split("\n")
    .map((line, at) => new TextRun({ text: line, break: at > 0 ? 1 : 0, ...(soft && { color: SOFT, italics: true }) }));

const paragraph = (text: string, soft = false) =>
  new Paragraph({ spacing: { after: 120 }, children: runs(text, soft) });

/** A formula as an equation that can be edited; in words where it has something the package does not know. */
function formula({ tex, text }: { tex: string; text: string }): (MathOfWords | TextRun)[] {
  try {
    return [new MathOfWords({ children: latexToMath(tex) })];
  } catch {
    return runs(text);
  }
}

function picture(bytes: Uint8Array, text: string, nth: number): Paragraph {
  const { width = 400, height = 300, type } = imageSize(bytes);
  const scale = Math.min(1, WIDEST / width, HIGHEST / height);
  return new Paragraph({
    children: [
      new ImageRun({
        ...{ type: type === "jpg" ? "jpg" : "png", data: Buffer.from(bytes) },
        transformation: { width: Math.round(width * scale), height: Math.round(height * scale) },
        // A number of ours: the package counts on from document to document.
        altText: { title: "", description: text, name: "picture", id: String(nth) },
      }),
    ],
  });
}

/** `next`: the number of the next picture. */
function contentOf(block: ReportBlock, next: () => number): (Paragraph | Table)[] {
  switch (block.kind) {
    case "text":
      return block.parts
        ? [
            new Paragraph({
              spacing: { after: 120 },
              children: block.parts.flatMap((part) => ("tex" in part ? formula(part) : runs(part.text))),
            }),
          ]
        : [paragraph(block.text, block.soft)];
    case "heading":
      return [new Paragraph({ heading: HeadingLevel.HEADING_3, text: block.text })];
    case "list":
      return block.lines.map((line) =>
        // A line that brings its own number or letter gets no bullet before it.
        bringsItsOwn(line)
          ? new Paragraph({ text: line, indent: { left: 400 } })
          : new Paragraph({ text: line, bullet: { level: 0 } }),
      );
    case "table":
      return [
        ...(block.caption ? [paragraph(block.caption, true)] : []),
        new Table({
          width: { size: 100, type: WidthType.PERCENTAGE },
          rows: [block.head, ...block.rows].map(
            (row, at) =>
              new TableRow({
                tableHeader: at === 0,
                children: row.map(
                  (cell) =>
                    new TableCell({
                      children: [new Paragraph({ children: [new TextRun({ text: cell, bold: at === 0 })] })],
                    }),
                ),
              }),
          ),
        }),
        paragraph(""),
      ];
    case "picture":
      return [picture(block.bytes, block.text, next())];
    case "drawing":
      return [paragraph(block.text, true)];
    // Its numbers are in a table below.
    case "chart":
      return [paragraph(block.text, true)];
    case "lines":
      return Array.from(
        { length: block.count },
        () =>
          new Paragraph({
            spacing: { before: 360 },
            border: { bottom: { style: BorderStyle.SINGLE, size: 4, color: SOFT, space: 1 } },
          }),
      );
  }
}

const sectionOf = (section: ReportSection, isFirst: boolean, next: () => number): (Paragraph | Table)[] => [
  ...(section.shown
    ? [
        new Paragraph({
          heading: section.goesOn ? HeadingLevel.HEADING_2 : HeadingLevel.HEADING_1,
          pageBreakBefore: !section.goesOn && !isFirst,
          text: section.title,
        }),
      ]
    : []),
  ...section.blocks.flatMap((block) => contentOf(block, next)),
];

/** A report as an Office Open XML document: headings, lists, tables and pictures with their descriptions. */
export async function writeDocx(report: Report): Promise<Uint8Array> {
  let pictures = 0;
  const next = () => (pictures += 1);
  const document = new Document({
    ...{ title: report.title, creator: report.author, lastModifiedBy: report.author },
    styles: { default: { document: { run: { font: "Arial", size: 24, language: { value: report.language } } } } },
    sections: [{ children: report.sections.flatMap((section, at) => sectionOf(section, at === 0, next)) }],
  });
  return sameBytes(new Uint8Array(await Packer.toBuffer(document)));
}
