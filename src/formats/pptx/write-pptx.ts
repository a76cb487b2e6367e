import PptxGenJS from "pptxgenjs";
import { bringsItsOwn, type Report, type ReportBlock, type ReportSection } from "@/core/report/report";
import { sameBytes } from "../same-bytes";

/** Inches, of a wide slide. */
const [WIDTH, HEIGHT, MARGIN] = [13.33, 7.5, 0.6];
const TITLE_HEIGHT = 1;
const INK = "23211D";
const GREEN = "235444";
const FONT = "Arial";
const MASTER = "step";
/** As many lines as can be read from the last row. */
const LINES = 12;
const A_LINE = 70;

type Said = Extract<ReportBlock, { kind: "text" | "heading" | "list" }>;
const isSaid = (block: ReportBlock): block is Said => ["text", "heading", "list"].includes(block.kind);
const linesOf = (block: Said): string[] => (block.kind === "list" ? [...block.lines] : block.text.split("\n"));
const heightOf = (block: Said): number =>
  linesOf(block).reduce((sum, line) => sum + Math.max(1, Math.ceil(line.length / A_LINE)), 0);

/** What goes on one slide: as much text as can be read, or one picture or table beside it. */
function slidesOf(section: ReportSection): ReportBlock[][] {
  const slides: ReportBlock[][] = [];
  let now: ReportBlock[] = [];
  let lines = 0;
  let hasPicture = false;
  const next = () => {
    if (now.length > 0) slides.push(now);
    [now, lines, hasPicture] = [[], 0, false];
  };
  for (const block of section.blocks) {
    if (block.kind === "lines" || block.kind === "chart") continue;
    if (isSaid(block)) {
      const more = heightOf(block);
      if (lines > 0 && lines + more > LINES) next();
      lines += more;
      now.push(block);
    } else {
      if (hasPicture) next();
      hasPicture = true;
      now.push(block);
    }
  }
  next();
  return slides.length > 0 ? slides : [[]];
}

function addSlide(deck: PptxGenJS, section: ReportSection, blocks: readonly ReportBlock[], title: string): void {
  const slide = deck.addSlide({ masterName: MASTER });
  slide.addText(title, { placeholder: "title" });
  const said = blocks.filter(isSaid);
  const shown = blocks.find((block) => !isSaid(block));
  const top = 0.4 + TITLE_HEIGHT + 0.2;
  const height = HEIGHT - top - 0.4;
  const half = (WIDTH - 3 * MARGIN) / 2;
  const isBeside = said.length > 0 && shown?.kind === "picture";
  if (said.length > 0)
    slide.addText(
      said.flatMap((block) =>
        linesOf(block).map((line) => ({
          text: line,
          options: {
            breakLine: true,
            bold: block.kind === "heading",
            ...(block.kind === "list" && !bringsItsOwn(line) && { bullet: true }),
          },
        })),
      ),
      {
        ...{ x: MARGIN, y: top, w: isBeside ? half : WIDTH - 2 * MARGIN, h: shown && !isBeside ? height / 2 : height },
        ...{ valign: "top", fontFace: FONT, fontSize: 20, color: INK, fit: "shrink", paraSpaceAfter: 6 },
      },
    );
  const place = isBeside
    ? { x: 2 * MARGIN + half, y: top, w: half, h: height }
    : said.length > 0
      ? { x: MARGIN, y: top + height / 2 + 0.2, w: WIDTH - 2 * MARGIN, h: height / 2 - 0.2 }
      : { x: MARGIN, y: top, w: WIDTH - 2 * MARGIN, h: height };
  if (shown?.kind === "picture")
    slide.addImage({
      ...place,
      data: `image/png;base64,${Buffer.from(shown.bytes).toString("base64")}`,
      sizing: { type: "contain", w: place.w, h: place.h },
      altText: shown.text,
    });
  if (shown?.kind === "table")
    slide.addTable(
      [shown.head, ...shown.rows].map((row, at) =>
        row.map((cell) => ({ text: cell, options: { bold: at === 0, fontFace: FONT, fontSize: 16, color: INK } })),
      ),
      { x: place.x, y: place.y, w: place.w, border: { type: "solid", pt: 1, color: "BDB29A" } },
    );
  if (section.notes) slide.addNotes(section.notes);
}

/** What every slide is made on: its title is a title to whatever reads it. */
const master: PptxGenJS.SlideMasterProps = {
  title: MASTER,
  background: { color: "FFFDF8" },
  objects: [
    {
      placeholder: {
        text: "",
        options: {
          ...{ name: "title", type: "title", align: "left", valign: "top", margin: 0 },
          ...{ x: MARGIN, y: 0.4, w: WIDTH - 2 * MARGIN, h: TITLE_HEIGHT },
          ...{ fontFace: FONT, fontSize: 32, bold: true, color: GREEN },
        },
      },
    },
  ],
};

/** A report as slides (Office Open XML): each step one or more, what is said to it as the speaker's notes. */
export async function writePptx(report: Report): Promise<Uint8Array> {
  const deck = new PptxGenJS();
  deck.layout = "LAYOUT_WIDE";
  deck.defineSlideMaster(master);
  deck.title = report.title;
  deck.author = report.author;
  deck.company = "";
  for (const section of report.sections)
    slidesOf(section).forEach((blocks, at) =>
      addSlide(deck, section, blocks, at === 0 ? section.title : `${section.title} (${at + 1})`),
    );
  return sameBytes((await deck.write({ outputType: "uint8array" })) as Uint8Array);
}
