import { MathMLToLaTeX } from "mathml-to-latex";
import { parse, serializeOuter, type DefaultTreeAdapterTypes } from "parse5";
import { mostBrought, type Brought, type BroughtBlock, type BroughtPage } from "@/core/brought/brought";
import { largest, mediaType, tooLarge } from "@/core/media/sniff";
import { mayLinkTo } from "@/core/content/vocabulary";
import type { RichBlock, RichInline, RichListItem } from "@/core/content/schema/rich-text";
import { isTex, type Formula } from "./formulas";
import type { Files } from "./open-zip";

type Node = DefaultTreeAdapterTypes.ChildNode;
type Element = DefaultTreeAdapterTypes.Element;
type Mark = NonNullable<Extract<RichInline, { type: "text" }>["marks"]>[number];

const isElement = (node: Node): node is Element => "tagName" in node;
const attribute = (element: Element, name: string) => element.attrs.find((one) => one.name === name)?.value ?? "";
const childrenOf = (node: Node): Node[] => ("childNodes" in node ? node.childNodes : []);

/** Deeper than any page a person has written. */
const DEEPEST = 100;
const MOST_TEXT = 20_000;
const LONGEST_FORMULA = 50_000;

// Maps, because a file may have tags of any name: every object knows a "constructor".
const marksBy = new Map<string, Mark>([
  ["b", { type: "bold" }],
  ["strong", { type: "bold" }],
  ["i", { type: "italic" }],
  ["em", { type: "italic" }],
  ["u", { type: "underline" }],
]);
const withoutCounterpart = new Map([
  ["iframe", "Another page shown inside this one. Add a link to it."],
  ["form", "A form. Make questions of it."],
  ["object", "Something another program shows."],
  ["embed", "Something another program shows."],
  ["canvas", "A drawing made by a script."],
  ["svg", "A line drawing (SVG). Save it as a picture and add it."],
]);
const silent = new Set(["script", "style", "noscript", "template", "head", "title", "link", "meta", "nav"]);
const containers = new Set(
  "html body div section article main header footer aside figure center details summary dl dd dt span font a".split(
    " ",
  ),
);

/** What plays in a page, and what it is here. */
const played = new Map<string, "film" | "sound">([
  ["video", "film"],
  ["audio", "sound"],
]);

/** All the text in a node, of formulas their words. */
const wordsIn = (node: Node, depth = 0): string =>
  node.nodeName === "#text"
    ? (node as DefaultTreeAdapterTypes.TextNode).value
    : depth > DEEPEST
      ? ""
      : isElement(node) && node.tagName === "math"
        ? formulaIn(node).words
        : childrenOf(node)
            .map((child) => wordsIn(child, depth + 1))
            .join(isElement(node) && ["p", "div", "br"].includes(node.tagName) ? " " : "");

function elementsIn(node: Node, name: string, depth = 0): Element[] {
  if (depth > DEEPEST) return [];
  return childrenOf(node).flatMap((child) =>
    isElement(child) && child.tagName === name ? [child] : elementsIn(child, name, depth + 1),
  );
}

/** A formula in MathML: the TeX it was made of where that is noted, else what its marks say in TeX; empty where nothing can be said. */
function formulaIn(math: Element): Formula {
  const notes = elementsIn(math, "annotation");
  const noted = notes.find((one) => attribute(one, "encoding") === "application/x-tex");
  const shown = notes.length > 0 ? (elementsIn(math, "mrow")[0] ?? math) : math;
  const plain = childrenOf(shown)
    .filter((node) => node.nodeName !== "annotation")
    .map((node) => wordsIn(node))
    .join("");
  const words = (attribute(math, "alttext") || attribute(math, "aria-label") || plain).replace(/\s+/g, " ").trim();
  return { tex: noted ? wordsIn(noted).trim() : texOf(shown), words: words.slice(0, 2000) };
}

function texOf(shown: Element): string {
  const written = shown.tagName === "math" ? serializeOuter(shown) : `<math>${serializeOuter(shown)}</math>`;
  if (written.length > LONGEST_FORMULA) return "";
  try {
    return MathMLToLaTeX.convert(written).trim();
  } catch {
    return "";
  }
}

/** How the address of a picture, a film or a sound leads to its bytes; null: it is not in the file. */
export type FileOf = (source: string) => Uint8Array | null;

/** What is in the page itself, as text. */
const inlineFile: FileOf = (source) => {
  const found = /^data:(?:image|audio|video)\/[\w.+-]{1,40};base64,/.exec(source);
  return found ? Uint8Array.from(Buffer.from(source.slice(found[0].length), "base64")) : null;
};

/** What lies beside a page in a package, from the page's own place. */
export const fileBeside =
  (files: Files, page: string): FileOf =>
  (source) => {
    const address = URL.parse(source, `book:/${page}`);
    if (!address || address.protocol !== "book:") return inlineFile(source);
    try {
      return files.get(decodeURIComponent(address.pathname.replace(/^\//, ""))) ?? null;
    } catch {
      return null; // Signs that say nothing, as "%E0%A4%A".
    }
  };

/** Pages whose pictures, films and sounds come after those of others. */
export const afterOthers = (pages: readonly BroughtPage[], before: number): BroughtPage[] =>
  pages.map((page) => ({
    ...page,
    blocks: page.blocks.map((block) => ("picture" in block ? { ...block, picture: block.picture + before } : block)),
  }));

/** Reads the pages of HTML: each heading of the first two levels begins one. Scripts are never run, nothing is fetched. */
export function pagesOfHtml(
  html: string,
  title: string,
  fileOf: FileOf = inlineFile,
): Pick<Brought, "pages" | "pictures" | "title"> {
  const pictures: Brought["pictures"] = [];
  const pages: BroughtPage[] = [];
  const open = (name: string) => {
    if (pages.length < mostBrought.pages) pages.push({ title: name, blocks: [], notes: "", left: [] });
  };
  const page = (): BroughtPage => {
    if (pages.length === 0) open("");
    return pages.at(-1)!;
  };
  const write = (block: RichBlock) => {
    const last = page().blocks.at(-1);
    if (last?.kind === "text") last.content.push(block);
    else page().blocks.push({ kind: "text", content: [block] });
  };
  const put = (block: BroughtBlock) => void page().blocks.push(block);

  function picture(element: Element): void {
    const bytes = pictures.length < mostBrought.pictures ? fileOf(attribute(element, "src")) : null;
    const mime = bytes && mediaType("picture", bytes);
    if (!mime)
      return void page().left.push(
        "A picture that is not in the file, or of a kind browsers do not show. Add it again.",
      );
    const description = attribute(element, "alt").slice(0, 500);
    put({ kind: "picture", picture: pictures.push({ mime, bytes }) - 1, description });
  }

  /** A film or a sound: the first of its files that is there and that browsers play. */
  function player(element: Element, kind: "film" | "sound"): void {
    const inner = element.childNodes.filter(isElement);
    const sources = [element, ...inner.filter(({ tagName }) => tagName === "source")].map((one) =>
      attribute(one, "src"),
    );
    for (const source of pictures.length < mostBrought.pictures ? sources.filter(Boolean) : []) {
      const bytes = fileOf(source);
      const mime = bytes && mediaType(kind, bytes);
      if (!mime) continue;
      if (bytes.length > largest[kind]) return void page().left.push(`A ${kind}. ${tooLarge(kind)}`);
      const name = (attribute(element, "title") || attribute(element, "aria-label")).slice(0, 200);
      put({ kind, picture: pictures.push({ mime, bytes }) - 1, name });
      if (inner.some(({ tagName }) => tagName === "track"))
        page().left.push(`The captions of a ${kind}. Add the file of captions to it.`);
      return;
    }
    page().left.push(`A ${kind} that is not in the file, or of a kind that browsers do not play. Add it again.`);
  }

  function inline(nodes: readonly Node[], marks: readonly Mark[], depth: number, beside: Element[]): RichInline[] {
    if (depth > DEEPEST) return [];
    return nodes.flatMap((node): RichInline[] => {
      if (node.nodeName === "#text") {
        const text = (node as DefaultTreeAdapterTypes.TextNode).value.replace(/[\s\u00a0]+/g, " ").slice(0, MOST_TEXT);
        return text === "" ? [] : [{ type: "text", text, ...(marks.length > 0 && { marks: [...marks] }) }];
      }
      if (!isElement(node) || silent.has(node.tagName)) return [];
      if (node.tagName === "br") return [{ type: "hardBreak" }];
      if (node.tagName === "math") {
        const { tex, words } = formulaIn(node);
        if (isTex(tex)) return [{ type: "maths", attrs: { tex, spoken: words || tex } }];
        page().left.push(`A formula, which came as text: “${words.slice(0, 80)}”. Write it again where it matters.`);
        return words === "" ? [] : [{ type: "text", text: words }];
      }
      if (node.tagName === "img" || played.has(node.tagName) || withoutCounterpart.has(node.tagName)) {
        beside.push(node);
        return [];
      }
      const href = node.tagName === "a" ? attribute(node, "href") : "";
      const mark: Mark | undefined =
        href && mayLinkTo(href) ? { type: "link", attrs: { href } } : marksBy.get(node.tagName);
      const next = mark && !marks.some(({ type }) => type === mark.type) ? [...marks, mark] : marks;
      return inline(node.childNodes, next, depth + 1, beside);
    });
  }
  const trimmed = (parts: RichInline[]): RichInline[] => {
    const first = parts.findIndex((part) => part.type !== "text" || part.text.trim() !== "");
    const last = parts.findLastIndex((part) => part.type !== "text" || part.text.trim() !== "");
    return first < 0 ? [] : parts.slice(first, last + 1);
  };
  const paragraph = (nodes: readonly Node[], depth: number): RichBlock | null => {
    const beside: Element[] = [];
    const content = trimmed(inline(nodes, [], depth, beside));
    const made: RichBlock | null = content.length > 0 ? { type: "paragraph", content } : null;
    if (made) write(made);
    for (const element of beside) block(element, depth + 1);
    return made;
  };

  function list(element: Element, depth: number): RichBlock | null {
    if (depth > DEEPEST) return null;
    const items = element.childNodes.flatMap((node): RichListItem[] => {
      if (!isElement(node) || node.tagName !== "li") return [];
      const beside: Element[] = [];
      const own = node.childNodes.filter((child) => !(isElement(child) && ["ul", "ol"].includes(child.tagName)));
      const inner = node.childNodes.flatMap((child) =>
        isElement(child) && ["ul", "ol"].includes(child.tagName) ? (list(child, depth + 1) ?? []) : [],
      );
      const content = trimmed(inline(own, [], depth, beside));
      for (const one of beside) block(one, depth + 1);
      const said: RichBlock[] = content.length > 0 ? [{ type: "paragraph", content }] : [];
      return said.length + inner.length > 0 ? [{ type: "listItem", content: [...said, ...inner] }] : [];
    });
    return items.length === 0
      ? null
      : { type: element.tagName === "ol" ? "orderedList" : "bulletList", content: items };
  }

  const plain = (node: Node) => wordsIn(node).replace(/\s+/g, " ").trim();

  function rowsOf(element: Element, depth = 0): Element[] {
    return depth > 4
      ? []
      : element.childNodes.flatMap((node) =>
          !isElement(node) ? [] : node.tagName === "tr" ? [node] : rowsOf(node, depth + 1),
        );
  }

  function block(node: Node, depth: number): void {
    if (depth > DEEPEST) return;
    if (!isElement(node)) {
      if (node.nodeName === "#text" && plain(node) !== "") paragraph([node], depth);
      return;
    }
    const { tagName } = node;
    if (silent.has(tagName)) return;
    const why = withoutCounterpart.get(tagName);
    const kind = played.get(tagName);
    if (why) page().left.push(why);
    else if (tagName === "img") picture(node);
    else if (kind) player(node, kind);
    else if (tagName === "h1" || tagName === "h2") open(plain(node).slice(0, 200));
    else if (/^h[3-6]$/.test(tagName)) {
      const content = trimmed(inline(node.childNodes, [], depth, []));
      if (content.length > 0) write({ type: "heading", attrs: { level: 3 }, content });
    } else if (tagName === "ul" || tagName === "ol") {
      const made = list(node, depth);
      if (made) write(made);
    } else if (tagName === "table") {
      const rows = rowsOf(node).map((row) => row.childNodes.filter(isElement));
      const cells = rows.map((row) => row.map(plain)).filter((row) => row.length > 0);
      if (cells.length > 0)
        put({ kind: "table", rows: cells, headerRow: rows[0]!.every(({ tagName: name }) => name === "th") });
    } else if (
      containers.has(tagName) &&
      node.childNodes.some(
        (child) =>
          isElement(child) &&
          !marksBy.has(child.tagName) &&
          child.tagName !== "br" &&
          child.tagName !== "math" &&
          child.tagName !== "a" &&
          child.tagName !== "span",
      )
    )
      for (const child of node.childNodes) block(child, depth + 1);
    else paragraph(node.childNodes, depth);
  }

  const tree = parse(html);
  for (const node of tree.childNodes) block(node, 0);
  const named = pages.find((one) => one.title !== "")?.title;
  return {
    title: title || named || "Brought in",
    pages: pages.filter(({ title: name, blocks, left }) => name !== "" || blocks.length > 0 || left.length > 0),
    pictures,
  };
}
