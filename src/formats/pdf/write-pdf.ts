import path from "node:path";
import PDFDocument from "pdfkit";
import {
  bringsItsOwn,
  type Report,
  type ReportBlock,
  type ReportSection,
  type ReportTable,
} from "@/core/report/report";
import { drawChart } from "./draw-chart";

const fontFile = (name: string) =>
  path.join(/* turbopackIgnore: true */ process.cwd(), "node_modules/@expo-google-fonts/andika", name);
const fonts = { plain: "Andika_400Regular.ttf", bold: "Andika_700Bold.ttf" };
const INK = "#23211D";
const SOFT = "#5E574B";
const LINE = "#E2D9C6";
const MARGIN = 54;
const SIZE = 11;
const TABLE_SIZE = 9;
const PADDING = 4;
const FIGURE_WIDTH = 320;
/** A blank sheet is 640 wide and 420 high, as on screen. */
const DRAWING_HEIGHT = (FIGURE_WIDTH * 420) / 640;
const PICTURE_HEIGHT = 240;
const CHART_HEIGHT = 170;
/** A line of handwriting. */
const LINE_HEIGHT = 26;
const INKS = { black: "#23211D", blue: "#2B5C8A", green: "#1F5742", red: "#A8442F", brown: "#7A5326" } as const;

type Pdf = PDFKit.PDFDocument;
type Structure = PDFKit.PDFStructureElement;

const right = (doc: Pdf) => doc.page.width - MARGIN;
const bottom = (doc: Pdf) => doc.page.height - MARGIN - 20;
const isNumber = (text: string) => /^[\d.,%–-]*$/.test(text);

/** Columns as wide as what stands in them asks, together as wide as the page. */
function widthsOf(doc: Pdf, { head, rows }: ReportTable): number[] {
  doc.font("bold").fontSize(TABLE_SIZE);
  const room = right(doc) - MARGIN;
  const asked = head.map((name, at) => {
    // What stands above a column may take several lines, but breaks no word.
    const cells = [...name.split(/\s+/), ...rows.map((row) => row[at] ?? "")];
    return Math.min(room / 2, Math.max(30, ...cells.map((cell) => doc.widthOfString(cell)))) + 2 * PADDING;
  });
  const sum = asked.reduce((all, one) => all + one, 0);
  return asked.map((one) => (one * room) / Math.max(sum, room));
}

function writeTable(doc: Pdf, parent: Structure, table: ReportTable): void {
  const widths = widthsOf(doc, table);
  const element = doc.struct("Table", { alt: table.caption });
  parent.add(element);
  const heightOf = (row: readonly string[]) =>
    Math.max(...row.map((cell, at) => doc.heightOfString(cell || " ", { width: widths[at]! - 2 * PADDING }))) +
    2 * PADDING;
  const draw = (row: readonly string[], isHead: boolean, into: Structure | null) => {
    doc.font(isHead ? "bold" : "plain").fontSize(TABLE_SIZE);
    const height = heightOf(row);
    const top = doc.y;
    let left = MARGIN;
    for (const [at, cell] of row.entries()) {
      const place = left;
      const width = widths[at]!;
      const write = () => {
        doc.fillColor(INK).text(cell, place + PADDING, top + PADDING, {
          width: width - 2 * PADDING,
          align: at > 0 && isNumber(cell) ? "right" : "left",
        });
      };
      if (into) into.add(doc.struct(isHead || at === 0 ? "TH" : "TD", {}, write));
      else write();
      left += width;
    }
    if (into) doc.markContent("Artifact", { type: "Layout" });
    doc
      .moveTo(MARGIN, top + height)
      .lineTo(left, top + height)
      .lineWidth(0.5)
      .strokeColor(LINE)
      .stroke();
    if (into) doc.endMarkedContent();
    doc.x = MARGIN;
    doc.y = top + height;
  };
  const line = () => {
    const row = doc.struct("TR");
    element.add(row);
    return row;
  };
  for (const [nth, row] of [table.head, ...table.rows].entries()) {
    doc.font(nth === 0 ? "bold" : "plain").fontSize(TABLE_SIZE);
    if (doc.y + heightOf(row) > bottom(doc)) {
      doc.addPage();
      if (nth > 0) {
        // For the eye only: those who hear it have heard it once.
        doc.markContent("Artifact", { type: "Layout" });
        draw(table.head, true, null);
        doc.endMarkedContent();
      }
    }
    const into = line();
    draw(row, nth === 0, into);
    into.end();
  }
  element.end();
  doc.moveDown();
}

/** Something to look at, said in words to those who do not see it. */
function writeFigure(
  doc: Pdf,
  parent: Structure,
  alt: string,
  height: number,
  draw: (left: number, top: number, width: number, height: number) => void,
): void {
  if (doc.y + height > bottom(doc)) doc.addPage();
  const top = doc.y;
  parent.add(doc.struct("Figure", { alt }, () => draw(MARGIN, top, FIGURE_WIDTH, height)));
  doc.x = MARGIN;
  doc.y = top + height;
  doc.moveDown(0.6);
}

function writeBlock(doc: Pdf, parent: Structure, block: ReportBlock): void {
  const say = (tag: string, text: string, options: PDFKit.Mixins.TextOptions = {}) =>
    parent.add(
      doc.struct(tag, {}, () => void doc.text(text, MARGIN, doc.y, { width: right(doc) - MARGIN, ...options })),
    );
  doc.fontSize(SIZE).fillColor(INK).font("plain");
  switch (block.kind) {
    case "text":
      if (block.soft) doc.fillColor(SOFT).fontSize(SIZE - 1);
      say("P", block.text, { lineGap: 3 });
      doc.moveDown(0.6);
      return;
    case "heading":
      doc.font("bold").fontSize(SIZE + 1);
      say("H2", block.text);
      doc.moveDown(0.3);
      return;
    case "list": {
      const list = doc.struct("L");
      parent.add(list);
      for (const line of block.lines) {
        const item = doc.struct("LI");
        list.add(item);
        item.add(
          doc.struct(
            "LBody",
            {},
            // A line that brings its own number or letter gets no point before it.
            () =>
              void doc.text(bringsItsOwn(line) ? line : `•  ${line}`, MARGIN + 10, doc.y, {
                width: right(doc) - MARGIN - 10,
                lineGap: 2,
              }),
          ),
        );
        item.end();
      }
      list.end();
      doc.moveDown(0.6);
      return;
    }
    case "table":
      return writeTable(doc, parent, block);
    case "drawing":
      return writeFigure(doc, parent, block.text, DRAWING_HEIGHT, (left, top, width, height) => {
        doc.rect(left, top, width, height).lineWidth(0.5).strokeColor(LINE).stroke();
        for (const { ink, width: thick, points } of block.strokes) {
          doc
            .lineWidth(thick / 2)
            .strokeColor(INKS[ink])
            .lineCap("round")
            .lineJoin("round");
          for (let at = 0; at + 1 < points.length; at += 2) {
            const [x, y] = [left + points[at]! * width, top + points[at + 1]! * height];
            if (at === 0) doc.moveTo(x, y);
            else doc.lineTo(x, y);
          }
          doc.stroke();
        }
      });
    case "chart":
      return writeFigure(doc, parent, block.text, CHART_HEIGHT, (left, top, _, height) =>
        drawChart(doc, block, { left, top, width: right(doc) - MARGIN, height }),
      );
    case "picture": {
      const bytes = Buffer.from(block.bytes);
      // The package's types leave it out.
      const image = (doc as unknown as { openImage(file: Buffer): { width: number; height: number } }).openImage(bytes);
      const height = Math.min(PICTURE_HEIGHT, (FIGURE_WIDTH * image.height) / image.width, image.height);
      return writeFigure(doc, parent, block.text, height, (left, top, width) => {
        doc.image(bytes, left, top, { fit: [width, height] });
      });
    }
    case "lines":
      for (let nth = 0; nth < block.count; nth += 1) {
        if (doc.y + LINE_HEIGHT > bottom(doc)) doc.addPage();
        doc.y += LINE_HEIGHT;
        doc.markContent("Artifact", { type: "Layout" });
        doc.moveTo(MARGIN, doc.y).lineTo(right(doc), doc.y).lineWidth(0.5).strokeColor(SOFT).stroke();
        doc.endMarkedContent();
      }
      doc.moveDown(0.8);
  }
}

function writeSection(doc: Pdf, root: Structure, section: ReportSection): void {
  if (section.goesOn) doc.moveDown(1);
  else doc.addPage();
  if (doc.y > bottom(doc) - 80) doc.addPage();
  doc.outline.addItem(section.title);
  const element = doc.struct("Sect", { lang: section.language });
  root.add(element);
  if (section.shown) {
    doc
      .font("bold")
      .fontSize(SIZE + 5)
      .fillColor(INK);
    element.add(
      doc.struct("H1", {}, () => void doc.text(section.title, MARGIN, doc.y, { width: right(doc) - MARGIN })),
    );
    doc.moveDown(0.5);
  }
  for (const block of section.blocks) writeBlock(doc, element, block);
  element.end();
}

/** The page's number below each, for the eye only. */
function numberPages(doc: Pdf): void {
  const { start, count } = doc.bufferedPageRange();
  for (let at = start; at < start + count; at += 1) {
    doc.switchToPage(at);
    // Below the margin there would be a page of its own for it.
    doc.page.margins.bottom = 0;
    doc.markContent("Artifact", { type: "Pagination" });
    doc
      .font("plain")
      .fontSize(8)
      .fillColor(SOFT)
      .text(`${at + 1} / ${count}`, MARGIN, doc.page.height - MARGIN, {
        width: right(doc) - MARGIN,
        align: "right",
        lineBreak: false,
      });
    doc.endMarkedContent();
  }
}

/**
 * A report as a PDF (ISO 32000): real text, tagged, with its language, a bookmark for each section and a number on each page. Andika
 * is embedded; it has Latin, Greek and Cyrillic letters.
 */
export async function writePdf(report: Report): Promise<Uint8Array> {
  const doc = new PDFDocument({
    ...{ size: report.paper === "letter" ? "LETTER" : "A4", margin: MARGIN, autoFirstPage: false, bufferPages: true },
    ...{ tagged: true, displayTitle: true, pdfVersion: "1.7", lang: report.language },
    layout: report.wide ? "landscape" : "portrait",
    font: fontFile(fonts.plain),
    info: { Title: report.title, Author: report.author, Creator: "Golden Satchel" },
  });
  doc.registerFont("plain", fontFile(fonts.plain));
  doc.registerFont("bold", fontFile(fonts.bold));
  const chunks: Uint8Array[] = [];
  doc.on("data", (chunk: Uint8Array) => chunks.push(chunk));
  const done = new Promise<void>((resolve, reject) => {
    doc.on("end", resolve);
    doc.on("error", reject);
  });
  const root = doc.struct("Document");
  doc.addStructure(root);
  for (const section of report.sections) writeSection(doc, root, section);
  if (report.sections.length === 0) doc.addPage();
  root.end();
  numberPages(doc);
  doc.end();
  await done;
  return Buffer.concat(chunks);
}
