import { inLanguage } from "@/core/content/language";
import { titleOf } from "@/core/resource/document";
import { element, writeMarkup, xmlFile, type Element } from "../markup";
import type { BytesOf, Outgoing, OutgoingResource } from "../outgoing";
import { writeZip, type ZipEntry } from "../write-zip";
import type { PageStyle } from "../xhtml/block-markup";
import { creditMarkup, stepMarkup } from "../xhtml/page-markup";

const XHTML = "http://www.w3.org/1999/xhtml";
const OPS = "http://www.idpf.org/2007/ops";
/** W3C EPUB 3.3: what every reader shows; anything else needs a fallback, so it stays out. */
const CORE = /^(?:image\/(?:png|jpeg|gif|webp|svg\+xml)|audio\/(?:mpeg|mp4|ogg)|video\/)/;
/** It says when it was changed; the same book is the same bytes, so this is always said. */
const MODIFIED = "2020-01-01T12:00:00Z";
const LOOK =
  "body{line-height:1.5}img{max-width:100%}table{border-collapse:collapse}th,td{border:1px solid;padding:.2em .5em}.underlined{text-decoration:underline}.credit{font-size:.85em}";

const page = (title: string, language: string, body: readonly Element[], more: Element["attributes"] = {}): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE html>\n${writeMarkup(
    element(
      "html",
      { xmlns: XHTML, "xmlns:epub": OPS, lang: language, "xml:lang": language },
      element(
        "head",
        {},
        element("title", {}, title),
        element("link", { rel: "stylesheet", type: "text/css", href: "look.css" }),
      ),
      element("body", more, ...body),
    ),
    new Set(["p", "td", "th", "span", "video", "audio", "div", "a"]),
  )}\n`;

async function* entriesOf(
  resource: OutgoingResource,
  files: Outgoing["files"],
  bytesOf: BytesOf,
): AsyncGenerator<ZipEntry> {
  const { document, author, id } = resource;
  const language = document.languages[0]!;
  const title = titleOf(document);
  const kept = [...files.values()].filter(({ mime }) => CORE.test(mime));
  const names = new Map(kept.map(({ reference, name }) => [reference, `media/${name}`]));
  const style: PageStyle = {
    ...{ languages: document.languages, forTeacher: false },
    place: (reference) => names.get(reference) ?? null,
  };
  // The one file every reader looks at first, and reads without unpacking.
  yield { name: "mimetype", bytes: "application/epub+zip", packed: false };
  yield {
    name: "META-INF/container.xml",
    bytes: xmlFile(
      element(
        "container",
        { version: "1.0", xmlns: "urn:oasis:names:tc:opendocument:xmlns:container" },
        element(
          "rootfiles",
          {},
          element("rootfile", { "full-path": "book/package.opf", "media-type": "application/oebps-package+xml" }),
        ),
      ),
    ),
  };
  yield { name: "book/look.css", bytes: LOOK };
  const chapters = document.steps.map((step, at) => {
    const name = inLanguage(step.title, document.languages) || `${at + 1}`;
    return {
      ...{ name, href: `step-${at + 1}.xhtml`, id: `step-${at + 1}` },
      bytes: page(name, language, [
        ...(at === 0 ? [element("h1", {}, title)] : []),
        ...stepMarkup(step, style),
        ...(at === document.steps.length - 1 ? creditMarkup(document, author) : []),
      ]),
    };
  });
  for (const { href, bytes } of chapters) yield { name: `book/${href}`, bytes };
  yield {
    name: "book/nav.xhtml",
    bytes: page(title, language, [
      element(
        "nav",
        { "epub:type": "toc" },
        element("h1", {}, title),
        element("ol", {}, ...chapters.map(({ name, href }) => element("li", {}, element("a", { href }, name)))),
      ),
    ]),
  };
  for (const { reference, name } of kept)
    yield { name: `book/media/${name}`, bytes: await bytesOf(reference), packed: false };
  const uses = (bytes: string, what: string) => bytes.includes(what);
  const item = (itemId: string, href: string, type: string, properties?: string) =>
    element("item", { id: itemId, href, "media-type": type, properties });
  yield {
    name: "book/package.opf",
    bytes: xmlFile(
      element(
        "package",
        { xmlns: "http://www.idpf.org/2007/opf", version: "3.0", "unique-identifier": "id", "xml:lang": language },
        element(
          "metadata",
          { "xmlns:dc": "http://purl.org/dc/elements/1.1/" },
          element("dc:identifier", { id: "id" }, `urn:golden-satchel:${id}`),
          element("dc:title", {}, title),
          ...document.languages.map((one) => element("dc:language", {}, one)),
          element("dc:creator", {}, author),
          element("dc:rights", {}, document.licence),
          element("meta", { property: "dcterms:modified" }, MODIFIED),
          element("meta", { property: "schema:accessMode" }, "textual"),
          element("meta", { property: "schema:accessibilityFeature" }, "structuralNavigation"),
          element("meta", { property: "schema:accessibilityHazard" }, "unknown"),
          element("meta", { property: "schema:accessibilitySummary" }, "Text with headings; pictures are described."),
        ),
        element(
          "manifest",
          {},
          item("nav", "nav.xhtml", "application/xhtml+xml", "nav"),
          item("look", "look.css", "text/css"),
          ...chapters.map(({ id: step, href, bytes }) =>
            item(step, href, "application/xhtml+xml", uses(bytes, "<math") ? "mathml" : undefined),
          ),
          ...kept.map(({ name, mime }, at) => item(`m${at + 1}`, `media/${name}`, mime)),
        ),
        element("spine", {}, ...chapters.map(({ id: step }) => element("itemref", { idref: step }))),
      ),
    ),
  };
}

/** A reading as a book for any reader: EPUB 3, a chapter for each step. */
export const writeEpub = (
  resource: OutgoingResource,
  files: Outgoing["files"],
  bytesOf: BytesOf,
): AsyncGenerator<Uint8Array> => writeZip(entriesOf(resource, files, bytesOf));
