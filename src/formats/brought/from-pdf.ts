import { getDocument, OPS, type PDFPageProxy } from "pdfjs-dist/legacy/build/pdf.mjs";
import type { TextItem } from "pdfjs-dist/types/src/display/api";
import sharp from "sharp";
import { mostBrought, type Brought, type BroughtBlock, type BroughtPage } from "@/core/brought/brought";
import { mayLinkTo } from "@/core/content/vocabulary";
import type { RichBlock, RichInline } from "@/core/content/schema/rich-text";
import { BroughtError } from "./brought-error";

/** A line of a page, in points from the lower left corner. */
interface Line {
  x: number;
  y: number;
  size: number;
  parts: { text: string; href: string | null }[];
}

/** Below this a picture is an ornament: a rule, a bullet, a corner. */
const SMALLEST = 48;
/** A scanned page is one picture; a page with more than these is a drawing made of tiles. */
const MOST_ON_A_PAGE = 12;

const isText = (item: object): item is TextItem => "str" in item;
const textOf = (line: Line): string =>
  line.parts
    .map(({ text }) => text)
    .join("")
    .replace(/\s+/g, " ")
    .trim();

/** The lines of a page in the order they are read: as they stand in the file, joined where they stand beside each other. */
function linesOf(items: readonly TextItem[], links: readonly { url: string; rect: readonly number[] }[]): Line[] {
  const lines: Line[] = [];
  for (const { str, transform, width, height, hasEOL } of items) {
    const [, , , , x, y] = transform as [number, number, number, number, number, number];
    const size = height || Math.abs(Number(transform[3]));
    const middle = [x + width / 2, y + size / 2] as const;
    const link = links.find(
      ({ rect }) => middle[0] >= rect[0]! && middle[0] <= rect[2]! && middle[1] >= rect[1]! && middle[1] <= rect[3]!,
    );
    const part = { text: str, href: link && mayLinkTo(link.url) ? link.url : null };
    const last = lines.at(-1);
    if (last && Math.abs(last.y - y) < Math.max(2, size / 3) && x >= last.x) {
      last.parts.push(part);
      last.size = Math.max(last.size, str.trim() ? size : 0);
    } else if (str.trim() !== "") lines.push({ x, y, size, parts: [part] });
    if (hasEOL && lines.at(-1)) lines.at(-1)!.parts.push({ text: " ", href: null });
  }
  return lines.filter((line) => textOf(line) !== "");
}

/** What most of a file looks like: the size of its letters, and how far apart lines of one paragraph stand. */
interface Usual {
  size: number;
  gap: number;
}

/** The value with the most weight. */
function commonest(values: readonly (readonly [value: number, weight: number])[]): number | undefined {
  const counted = new Map<number, number>();
  for (const [value, weight] of values) counted.set(value, (counted.get(value) ?? 0) + weight);
  return [...counted].toSorted(([, one], [, other]) => other - one)[0]?.[0];
}

function usualOf(pages: readonly (readonly Line[])[]): Usual {
  const size = commonest(pages.flat().map((line) => [Math.round(line.size), textOf(line).length])) ?? 0;
  const gaps = pages.flatMap((lines) =>
    lines.slice(1).flatMap((line, at) => {
      const gap = Math.round(lines[at]!.y - line.y);
      // Only a line that is nearly full goes on in the next.
      return gap > 0 && gap < size * 2.5 && textOf(lines[at]!).length > 40 ? [[gap, 1] as const] : [];
    }),
  );
  return { size, gap: commonest(gaps) ?? size * 1.4 };
}

const PAGE_NUMBER = /^(?:page )?\d{1,4}(?: ?(?:\/|of) ?\d{1,4})?$/i;
/** Above and below this share of a page stand its number and what is on every page. */
const EDGE = 0.09;

/** Without numbers of pages and what stands on most pages at the same edge. */
function withoutEdges(pages: readonly { lines: Line[]; height: number }[]): Line[][] {
  const isAtEdge = ({ y }: Line, height: number) => y < height * EDGE || y > height * (1 - EDGE);
  const counted = new Map<string, number>();
  for (const { lines, height } of pages)
    for (const text of new Set(lines.filter((line) => isAtEdge(line, height)).map(textOf)))
      counted.set(text, (counted.get(text) ?? 0) + 1);
  const isRepeated = (text: string) => (counted.get(text) ?? 0) >= Math.max(3, pages.length / 2);
  return pages.map(({ lines, height }) =>
    lines.filter((line) => {
      const text = textOf(line);
      return !(isAtEdge(line, height) && (PAGE_NUMBER.test(text) || isRepeated(text)));
    }),
  );
}

const BULLET = /^[•‣◦▪·–-]\s+/u;
const LETTERED = /^\*?\s?\(?[A-Ha-h][.)]\s/;

function inlinesOf(lines: readonly Line[]): RichInline[] {
  const made: RichInline[] = [];
  for (const { text, href } of lines.flatMap((line) => [...line.parts, { text: " ", href: null }])) {
    const clean = text.replace(/[\s\u00ad]+/g, " ");
    if (clean === "") continue;
    const last = made.at(-1);
    const sameLink =
      last?.type === "text" &&
      (last.marks?.[0] as { attrs?: { href: string } } | undefined)?.attrs?.href === (href ?? undefined);
    if (last?.type === "text" && sameLink) last.text += clean;
    else made.push({ type: "text", text: clean, ...(href && { marks: [{ type: "link", attrs: { href } }] }) });
  }
  for (const part of made) if (part.type === "text") part.text = part.text.replace(/ {2,}/g, " ");
  const [first, last] = [made[0], made.at(-1)];
  if (first?.type === "text") first.text = first.text.trimStart();
  if (last?.type === "text") last.text = last.text.trimEnd();
  return made.filter((part) => part.type !== "text" || part.text !== "");
}

/** Lines become paragraphs, points of a list and headings: by how far they stand apart, what they begin with, and how large they are. */
function blocksOf(lines: readonly Line[], usual: Usual): RichBlock[] {
  const blocks: RichBlock[] = [];
  let open: Line[] = [];
  const flush = () => {
    if (open.length === 0) return;
    const [first] = open;
    const text = textOf(first!);
    const inlines = inlinesOf(open);
    if (BULLET.test(text)) {
      const [head] = inlines;
      if (head?.type === "text") head.text = head.text.replace(BULLET, "");
      const item = { type: "listItem" as const, content: [{ type: "paragraph" as const, content: inlines }] };
      const before = blocks.at(-1);
      if (before?.type === "bulletList") before.content.push(item);
      else blocks.push({ type: "bulletList", content: [item] });
    } else if (first!.size > usual.size * 1.15 && text.length < 150)
      blocks.push({ type: "heading", attrs: { level: 3 }, content: inlines });
    else blocks.push({ type: "paragraph", content: inlines });
    open = [];
  };
  for (const line of lines) {
    const last = open.at(-1);
    const text = textOf(line);
    const begins =
      !last ||
      BULLET.test(text) ||
      LETTERED.test(text) ||
      Math.abs(line.size - last.size) > 1 ||
      line.y > last.y ||
      last.y - line.y > usual.gap * 1.2 * Math.max(1, line.size / usual.size);
    if (begins) flush();
    open.push(line);
  }
  flush();
  return blocks;
}

interface Raster {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

/** The pictures on a page as PNG, large enough to be looked at. */
async function picturesOf(page: PDFPageProxy): Promise<Uint8Array[]> {
  const { fnArray, argsArray } = await page.getOperatorList();
  const names = new Set<string>();
  fnArray.forEach((what, at) => {
    if (what === OPS.paintImageXObject) names.add(String((argsArray[at] as unknown[])[0]));
  });
  const pictures: Uint8Array[] = [];
  for (const name of [...names].slice(0, MOST_ON_A_PAGE)) {
    const image = (
      page.objs.has(name) ? page.objs.get(name) : page.commonObjs.has(name) ? page.commonObjs.get(name) : null
    ) as Partial<Raster> | null;
    const { width = 0, height = 0, data } = image ?? {};
    if (!data || width < SMALLEST || height < SMALLEST) continue;
    const channels = data.length / (width * height);
    if (channels !== 3 && channels !== 4) continue;
    const png = await sharp(data, { raw: { width, height, channels } }).png().toBuffer();
    pictures.push(new Uint8Array(png));
  }
  return pictures;
}

/**
 * A PDF (ISO 32000), page by page: its text as paragraphs, headings and lists, its links, its pictures. Scripts in it are never run, and
 * nothing is fetched.
 */
export async function fromPdf(bytes: Uint8Array): Promise<Brought> {
  // The reader takes the bytes over: it gets its own.
  const assigned = getDocument({
    ...{ data: Uint8Array.from(bytes), isEvalSupported: false, useSystemFonts: false, disableFontFace: true },
    ...{ verbosity: 0, enableXfa: false, stopAtErrors: false, maxImageSize: 50_000_000 },
    isOffscreenCanvasSupported: false,
  });
  try {
    const pdf = await assigned.promise;
    const pictures: Brought["pictures"] = [];
    const pages: BroughtPage[] = [];
    const read: { lines: Line[]; height: number; left: string[]; found: Uint8Array[] }[] = [];
    for (let nth = 1; nth <= Math.min(pdf.numPages, mostBrought.pages); nth += 1) {
      const page = await pdf.getPage(nth);
      const [{ items }, annotations] = await Promise.all([page.getTextContent(), page.getAnnotations()]);
      const links = (annotations as { subtype: string; url?: string; rect: number[] }[]).flatMap(
        ({ subtype, url, rect }) => (subtype === "Link" && url ? [{ url, rect }] : []),
      );
      const left = (annotations as { subtype: string }[]).some(({ subtype }) => subtype === "Widget")
        ? ["A form to fill in. Make questions of it."]
        : [];
      const room = mostBrought.pictures - read.reduce((sum, one) => sum + one.found.length, 0);
      read.push({
        lines: linesOf(items.filter(isText), links),
        height: page.view[3]!,
        left,
        found: (await picturesOf(page)).slice(0, room),
      });
      page.cleanup();
    }

    const inner = withoutEdges(read);
    const usual = usualOf(inner);
    for (const [at, { left, found }] of read.entries()) {
      const lines = inner[at]!;
      // The first line names the page where it is larger than the rest.
      const [first, ...rest] = lines;
      const isTitle = first !== undefined && first.size > usual.size * 1.15;
      const content = blocksOf(isTitle ? rest : lines, usual);
      const blocks: BroughtBlock[] = content.length > 0 ? [{ kind: "text", content }] : [];
      for (const picture of found)
        blocks.push({
          kind: "picture",
          picture: pictures.push({ mime: "image/png", bytes: picture }) - 1,
          description: "",
        });
      pages.push({ title: isTitle ? textOf(first).slice(0, 200) : "", blocks, notes: "", left });
    }
    if (pdf.numPages > pages.length)
      pages.at(-1)?.left.push(`${pdf.numPages - pages.length} more pages: the first ${pages.length} come in.`);
    const { info } = await pdf.getMetadata();
    const named = (info as { Title?: unknown }).Title;
    return {
      ...{ kind: "a document", pages, pictures },
      title: (typeof named === "string" && named.trim()) || pages.find(({ title }) => title)?.title || "",
    };
  } catch (error) {
    const { name } = error as Error;
    throw new BroughtError(
      name === "PasswordException"
        ? "This PDF is locked with a password. Save it without one."
        : "This PDF is damaged or cut off.",
    );
  } finally {
    await assigned.destroy();
  }
}
