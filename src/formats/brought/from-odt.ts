import type { Brought } from "@/core/brought/brought";
import { element, openInHtml, writeMarkup, type Markup } from "../markup";
import { decodeText } from "../decode-text";
import { BroughtError } from "./brought-error";
import { fileBeside, pagesOfHtml } from "./from-html";
import type { Files } from "./open-zip";
import { all, attribute, first, inside, nameOf, readXml, type Xml } from "./xml";

const DEEPEST = 100;

/** An OpenDocument text (ISO/IEC 26300): headings, paragraphs, lists, tables, links, formulas and pictures with their descriptions. */
export function fromOdt(files: Files): Omit<Brought, "kind"> {
  const bytes = files.get("content.xml");
  if (!bytes) throw new BroughtError("There is no text in this file.");
  const tree = readXml(bytes, "content.xml");
  const [body] = all(tree, "office:text");
  if (!body) throw new BroughtError("This is an OpenDocument file, but no text document. Save it as a text (.odt).");
  /** A formula is a file of its own, in MathML; null: what is there is none. */
  const formulaAt = (href: string): string | null => {
    const bytes = href ? files.get(`${href.replace(/^\.\//, "")}/content.xml`) : undefined;
    const written = bytes && decodeText(bytes).replace(/(<\/?)math:/g, "$1");
    const begins = written?.search(/<math[\s>]/) ?? -1;
    const ends = written?.lastIndexOf("</math>") ?? -1;
    return written && begins >= 0 && ends > begins ? written.slice(begins, ends + "</math>".length) : null;
  };
  const write = (node: Xml, depth: number): Markup[] => {
    if (depth > DEEPEST) return [];
    const name = nameOf(node);
    const inner = () => inside(node).flatMap((child) => write(child, depth + 1));
    switch (name) {
      case "#text":
        return [String(node["#text"])];
      case "text:s":
        return [" ".repeat(Math.min(20, Number(attribute(node, "text:c")) || 1))];
      case "text:tab":
        return [" "];
      case "text:line-break":
        return [element("br")];
      case "text:h": {
        const level = Math.min(4, Number(attribute(node, "text:outline-level")) || 1);
        return [element(`h${level}`, {}, ...inner())];
      }
      case "text:p":
        return [element("p", {}, ...inner())];
      case "text:a":
        return [element("a", { href: attribute(node, "xlink:href") }, ...inner())];
      case "text:list":
        return [element("ul", {}, ...inner())];
      case "text:list-item":
        return [element("li", {}, ...inner())];
      case "table:table":
        return [element("table", {}, ...inner())];
      case "table:table-header-rows":
        return inside(node).map((row) => element("tr", {}, ...cells(row, "th", depth)));
      case "table:table-row":
        return [element("tr", {}, ...cells(node, "td", depth))];
      case "draw:frame": {
        const formula = formulaAt(attribute(first(node, "draw:object") ?? {}, "xlink:href"));
        if (formula) return [{ written: formula }];
        const image = first(node, "draw:image");
        const said = [first(node, "svg:desc"), first(node, "svg:title")].flatMap((one) =>
          one
            ? [
                inside(one)
                  .map((text) => String(text["#text"] ?? ""))
                  .join(""),
              ]
            : [],
        );
        return image
          ? [element("img", { src: attribute(image, "xlink:href"), alt: said.find(Boolean) ?? "" })]
          : inner();
      }
      // Notes of the program's, lists of contents, what was deleted: not part of what is read.
      case "text:tracked-changes":
      case "text:table-of-content":
      case "office:annotation":
      case "text:sequence-decls":
        return [];
      default:
        return inner();
    }
  };
  const cells = (row: Xml, tag: "th" | "td", depth: number) =>
    inside(row)
      .filter((cell) => nameOf(cell) === "table:table-cell")
      .map((cell) => element(tag, {}, ...inside(cell).flatMap((child) => write(child, depth + 1))));
  const html = writeMarkup(element("body", {}, ...inside(body).flatMap((node) => write(node, 0))), openInHtml);
  return pagesOfHtml(html, "", fileBeside(files, "content.xml"));
}
