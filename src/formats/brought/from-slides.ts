import { mostBrought, type Brought, type BroughtBlock, type BroughtPage } from "@/core/brought/brought";
import type { RichBlock, RichInline } from "@/core/content/schema/rich-text";
import { largest, mediaType, tooLarge } from "@/core/media/sniff";
import { BroughtError } from "./brought-error";
import { formulaOf, inWords, isTex, piecesOf, withinText } from "./formulas";
import type { Files } from "./open-zip";
import { all, attribute, first, inside, nameOf, readXml, type Xml } from "./xml";

/** What a relationship of a part leads to, by its id: "slides/slide1.xml" from "ppt/". */
function relationsOf(files: Files, part: string): Map<string, { target: string; type: string; away: boolean }> {
  const folder = part.slice(0, part.lastIndexOf("/") + 1);
  const bytes = files.get(`${folder}_rels/${part.slice(folder.length)}.rels`);
  if (!bytes) return new Map();
  return new Map(
    all(readXml(bytes, `${part}.rels`), "Relationship").map((one) => {
      const target = attribute(one, "Target");
      const whole = target.startsWith("/") ? target.slice(1) : normal(`${folder}${target}`);
      return [
        attribute(one, "Id"),
        {
          target: whole,
          type: attribute(one, "Type").split("/").pop()!,
          away: attribute(one, "TargetMode") === "External",
        },
      ];
    }),
  );
}

/** "ppt/slides/../media/a.png" is "ppt/media/a.png". */
function normal(path: string): string {
  const parts: string[] = [];
  for (const part of path.split("/")) {
    if (part === "..") parts.pop();
    else if (part !== ".") parts.push(part);
  }
  return parts.join("/");
}

const runs = (paragraph: Xml): string =>
  inside(paragraph)
    .map((part): string => {
      const name = nameOf(part);
      if (name === "a:br") return "\n";
      // Older programs get a picture of a formula, newer ones the formula.
      if (name === "a14:m" || name === "mc:AlternateContent")
        return all([name === "a14:m" ? part : (first(part, "mc:Choice") ?? {})], "m:oMath")
          .map((oMath) => withinText(formulaOf(oMath)))
          .join(" ");
      if (name !== "a:r" && name !== "a:fld") return "";
      return all(inside(part), "a:t")
        .flatMap(inside)
        .map((text) => String(text["#text"] ?? ""))
        .join("");
    })
    .join("");
const paragraphs = (shape: Xml): string[] =>
  all(inside(shape), "a:p")
    .map((one) =>
      runs(one)
        .replace(/[ \t\u00a0]+/g, " ")
        .trim(),
    )
    .filter(Boolean);

const said = (text: string): RichBlock => ({
  type: "paragraph",
  content: text
    .split("\n")
    .flatMap((line, at) => [
      ...(at > 0 ? [{ type: "hardBreak" as const }] : []),
      ...piecesOf(line).map((piece): RichInline =>
        typeof piece === "string"
          ? { type: "text", text: piece }
          : isTex(piece.tex)
            ? { type: "maths", attrs: { tex: piece.tex, spoken: piece.words || piece.tex } }
            : { type: "text", text: piece.words || piece.tex },
      ),
    ]),
});
const LETTERED = /^\*?\s?\(?[A-Ha-h][.)]\s/;

/** Points of a text box are a list; lettered ones stay paragraphs, because they may be choices. */
function textBlock(lines: readonly string[], isBody: boolean): BroughtBlock {
  const isList = isBody && lines.length > 1 && !lines.some((line) => LETTERED.test(line));
  const content: RichBlock[] = isList
    ? [{ type: "bulletList", content: lines.map((line) => ({ type: "listItem", content: [said(line)] })) }]
    : lines.map(said);
  return { kind: "text", content };
}

const mimes = new Map([
  ["png", "image/png"],
  ["jpg", "image/jpeg"],
  ["jpeg", "image/jpeg"],
  ["gif", "image/gif"],
  ["webp", "image/webp"],
]);
/** A picture's kind by the ending of its name; null: one no browser shows. */
const mimeOf = (name: string): string | null => mimes.get(name.split(".").pop()!.toLowerCase()) ?? null;

/** Slides (Office Open XML, ECMA-376 part 1, PresentationML): titles, texts, tables, pictures with their descriptions, films and sounds, speaker's notes. */
export function fromSlides(files: Files): Brought {
  const start = files.get("ppt/presentation.xml");
  if (!start) throw new BroughtError("There are no slides in this file.");
  const relations = relationsOf(files, "ppt/presentation.xml");
  const order = all(readXml(start, "ppt/presentation.xml"), "p:sldId").flatMap((one) => {
    const target = relations.get(attribute(one, "r:id"))?.target;
    return target && files.has(target) ? [target] : [];
  });
  const pictures: Brought["pictures"] = [];
  const pages = order.slice(0, mostBrought.pages).map((part): BroughtPage => {
    const tree = readXml(files.get(part)!, part);
    const links = relationsOf(files, part);
    const page: BroughtPage = { title: "", blocks: [], notes: "", left: [] };
    const shapes = all(tree, "p:spTree").flatMap(inside);
    /** A film or a sound that is in the file; one that is only linked to stays where it is. */
    const takeMedia = (shape: Xml, kind: "film" | "sound"): void => {
      const about = first(shape, "p:cNvPr");
      const name = (about ? attribute(about, "descr") || attribute(about, "name") : "").slice(0, 200);
      const linked = first(shape, "a:videoFile") ?? first(shape, "a:audioFile");
      const ids = [attribute(first(shape, "p14:media") ?? {}, "r:embed"), attribute(linked ?? {}, "r:link")];
      const file = ids.map((id) => links.get(id)).find((one) => one && !one.away && files.has(one.target));
      const bytes = file && files.get(file.target);
      const mime = bytes && mediaType(kind, bytes);
      if (!mime || pictures.length >= mostBrought.pictures)
        return void page.left.push(`A ${kind} that is not in the file, or of a kind that browsers do not play.`);
      if (bytes.length > largest[kind]) return void page.left.push(`A ${kind}. ${tooLarge(kind)}`);
      page.blocks.push({ kind, picture: pictures.push({ mime, bytes }) - 1, name });
    };
    const visit = (shape: Xml): void => {
      const name = nameOf(shape);
      if (name === "p:grpSp") return inside(shape).forEach(visit);
      // A shape in two ways: as programs of today have it (with formulas, say), and a picture of it for older ones.
      if (name === "mc:AlternateContent") return inside(first(shape, "mc:Choice") ?? {}).forEach(visit);
      if (name === "p:sp") {
        const holder = first(shape, "p:ph");
        const kind = holder ? attribute(holder, "type") : "";
        const lines = paragraphs(shape);
        if (lines.length === 0 || ["dt", "ftr", "sldNum"].includes(kind)) return;
        if (page.title === "" && ["title", "ctrTitle"].includes(kind))
          page.title = inWords(lines.join(" ")).slice(0, 200);
        else page.blocks.push(textBlock(lines, holder !== undefined && kind !== "subTitle"));
      } else if (name === "p:graphicFrame") {
        const table = first(shape, "a:tbl");
        if (!table) return void page.left.push("A chart or a diagram. Save it as a picture and add it.");
        const rows = all(inside(table), "a:tr").map((row) =>
          all(inside(row), "a:tc").map((cell) => inWords(paragraphs(cell).join(" "))),
        );
        const about = first(table, "a:tblPr");
        page.blocks.push({ kind: "table", rows, headerRow: about ? attribute(about, "firstRow") === "1" : false });
      } else if (name === "p:pic") {
        const kind = first(shape, "a:videoFile") ? "film" : first(shape, "a:audioFile") ? "sound" : null;
        if (kind) return takeMedia(shape, kind);
        const about = first(shape, "p:cNvPr");
        const file = links.get(attribute(first(shape, "a:blip") ?? {}, "r:embed"));
        const mime = file && mimeOf(file.target);
        const bytes = file && !file.away ? files.get(file.target) : undefined;
        if (!mime || !bytes || pictures.length >= mostBrought.pictures)
          return void page.left.push("A picture of a kind that browsers do not show. Save it as PNG and add it.");
        const description = (about ? attribute(about, "descr") : "").slice(0, 500);
        page.blocks.push({ kind: "picture", picture: pictures.push({ mime, bytes }) - 1, description });
      }
    };
    shapes.forEach(visit);
    if (
      all(tree, "p:timing").some(
        (timing) => all(inside(timing), "p:anim").length + all(inside(timing), "p:set").length > 0,
      )
    )
      page.left.push("Animations: steps do not move.");
    const notes = [...links.values()].find(({ type }) => type === "notesSlide")?.target;
    const bytes = notes ? files.get(notes) : undefined;
    if (bytes)
      page.notes = all(readXml(bytes, notes!), "p:sp")
        .filter((shape) => attribute(first(shape, "p:ph") ?? {}, "type") === "body")
        .flatMap(paragraphs)
        .map(inWords)
        .join("\n");
    return page;
  });
  if (order.length > pages.length)
    pages.at(-1)?.left.push(`${order.length - pages.length} more slides: the first ${mostBrought.pages} come in.`);
  return { kind: "slides", title: pages.find(({ title }) => title !== "")?.title ?? "Slides", pages, pictures };
}
