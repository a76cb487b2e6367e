import mammoth from "mammoth";
import { marked } from "marked";
import { readSheet } from "read-excel-file/node";
import type { Brought } from "@/core/brought/brought";
import { withoutRoom } from "@/core/brought/room";
import { readCaptions } from "@/core/media/captions";
import { mediaType } from "@/core/media/sniff";
import { readTable } from "../csv";
import { decodeText } from "../decode-text";
import { BroughtError } from "./brought-error";
import { formulasInHtml, withFormulasAsText } from "./document-formulas";
import { fromBook } from "./from-book";
import { fromCartridge, fromQuestionFile } from "./from-cartridge";
import { pagesOfHtml } from "./from-html";
import { fromOdt } from "./from-odt";
import { fromPdf } from "./from-pdf";
import { fromSlides } from "./from-slides";
import { fromTable } from "./from-table";
import { openZip } from "./open-zip";

const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;
const nameWithout = (name: string) => name.replace(/\.[A-Za-z0-9]{1,8}$/, "").slice(0, 200);

/**
 * What is in a file of hers, page by page: slides (PPTX), a document (DOCX, ODT, PDF), a book (EPUB), a web page, Markdown or
 * plain text, a picture, captions (WebVTT), a table of questions (CSV, XLSX), questions (QTI) or a Common Cartridge. What it is
 * is seen by what is in it, not by its name.
 *
 * @throws BroughtError saying what is wrong, and where
 */
export async function readBrought(bytes: Uint8Array, name: string): Promise<Brought> {
  const brought = await read(bytes, name);
  if (brought.pages.length === 0) throw new BroughtError("There is nothing to read in this file.");
  // Nothing is left out in silence.
  const pages = brought.pages.map((page) => ({ ...page, left: [...page.left, ...withoutRoom(page)] }));
  return { ...brought, pages, title: brought.title || nameWithout(name) || "Brought in" };
}

async function read(bytes: Uint8Array, name: string): Promise<Brought> {
  if (isZip(bytes)) return fromZip(bytes, name);
  if (head(bytes).slice(0, 1024).includes("%PDF-")) return fromPdf(bytes);
  const mime = mediaType("picture", bytes);
  if (mime) return fromPicture(bytes, mime, name);
  return fromText(decodeText(bytes), name);
}

/** A picture is a page of its own. */
const fromPicture = (bytes: Uint8Array, mime: string, name: string): Brought => ({
  ...{ kind: "a picture", title: nameWithout(name), pictures: [{ mime, bytes }] },
  pages: [
    {
      ...{ title: nameWithout(name), notes: "", left: [] },
      blocks: [{ kind: "picture", picture: 0, description: "" }],
    },
  ],
});

/** Captions are what is said in a film: a paragraph for each. */
const fromCaptions = (text: string, name: string): Brought => ({
  ...{ kind: "notes", title: nameWithout(name), pictures: [] },
  pages: [
    {
      ...{
        title: nameWithout(name),
        notes: "",
        left: ["The times of the captions. Add the file to its film to keep them."],
      },
      blocks: [
        {
          kind: "text",
          content: readCaptions(text).map((cue) => ({
            type: "paragraph",
            content: [{ type: "text", text: cue.text }],
          })),
        },
      ],
    },
  ],
});

async function fromZip(bytes: Uint8Array, name: string): Promise<Brought> {
  const files = openZip(bytes);
  if (files.has("ppt/presentation.xml")) return fromSlides(files);
  if (files.has("imsmanifest.xml")) return fromCartridge(files);
  if (files.has("META-INF/container.xml")) return fromBook(files);
  if (files.has("content.xml") && files.has("META-INF/manifest.xml")) return { kind: "a document", ...fromOdt(files) };
  if (files.has("xl/workbook.xml")) return questionsIn(await sheetOf(bytes), name);
  if (!files.has("word/document.xml"))
    throw new BroughtError(
      "These are no slides (.pptx), no document (.docx, .odt), no table (.xlsx), no book (.epub) and no package with a manifest.",
    );
  if ([...files].some(([file, part]) => /\.(?:xml|rels)$/.test(file) && /<!(?:DOCTYPE|ENTITY)/i.test(head(part))))
    throw new BroughtError("This document declares entities of its own. It was not read.");
  const whole = withFormulasAsText(files) ?? bytes;
  const { value, messages } = await mammoth.convertToHtml({ buffer: Buffer.from(whole) }).catch(() => {
    throw new BroughtError("This document is damaged or cut off.");
  });
  const read = pagesOfHtml(formulasInHtml(value), "");
  const unread = messages.filter(({ type }) => type === "error").map(({ message }) => message);
  const [page] = read.pages;
  if (unread.length > 0) page?.left.push(...unread);
  const charts = new TextDecoder().decode(files.get("word/document.xml")).match(CHART)?.length ?? 0;
  if (charts > 0)
    page?.left.push(
      charts === 1
        ? "A chart or a diagram. Save it as a picture and add it."
        : `${charts} charts or diagrams. Save them as pictures and add them.`,
    );
  return { kind: "a document", ...read };
}

/** What draws a chart, or a diagram of shapes, in a document. */
const CHART = /uri="[^"]{0,120}\/(?:chart|chartex|diagram)"/g;

/** The first sheet of a workbook, every cell as it is read. */
async function sheetOf(bytes: Uint8Array): Promise<string[][]> {
  try {
    const rows = await readSheet(Buffer.from(bytes));
    return rows.map((row) =>
      row.map((cell) => (cell === null ? "" : cell instanceof Date ? cell.toISOString() : String(cell))),
    );
  } catch {
    throw new BroughtError("This table cannot be read.");
  }
}

function questionsIn(rows: readonly (readonly string[])[], name: string): Brought {
  const brought = fromTable(rows, nameWithout(name));
  if (!brought)
    throw new BroughtError(
      "This table has no columns of questions: the first row should say “question”, “A”, “B” … and “answer”.",
    );
  return brought;
}

/** Declarations stand at the beginning. */
const head = (part: Uint8Array): string => Buffer.from(part.subarray(0, 4096)).toString("latin1");

function fromText(text: string, name: string): Brought {
  if (/^\uFEFF?WEBVTT\b/.test(text)) return fromCaptions(text, name);
  const table = /\.(?:csv|tsv)$/i.test(name) ? questionsIn(readTable(text), name) : null;
  if (table) return table;
  if (
    /^\s*(?:<\?xml|<!DOCTYPE\s+(?!html)|<(?:qti-)?assessment|<questestinterop)/i.test(text) &&
    !/<html[\s>]/i.test(text.slice(0, 2000))
  )
    return fromQuestionFile(new TextEncoder().encode(text), nameWithout(name));
  const isHtml = /<(?:html|body|p|h[1-6]|div|!doctype)[\s>]/i.test(text.slice(0, 4000));
  const html = isHtml ? text : (marked.parse(text, { async: false }) as string);
  return { kind: isHtml ? "a web page" : "notes", ...pagesOfHtml(html, isHtml ? titleOf(text) : nameWithout(name)) };
}

const titleOf = (html: string): string => /<title>([^<]{1,200})<\/title>/i.exec(html)?.[1]?.trim() ?? "";
