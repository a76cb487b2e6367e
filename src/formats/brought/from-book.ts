import { mostBrought, type Brought } from "@/core/brought/brought";
import { decodeText } from "../decode-text";
import { BroughtError } from "./brought-error";
import { afterOthers, fileBeside, pagesOfHtml } from "./from-html";
import { all, attribute, readXml, textIn } from "./xml";
import type { Files } from "./open-zip";

/** Where an address in a chapter leads, from the chapter's own place. */
const resolve = (from: string, to: string): string =>
  decodeURIComponent(new URL(to, `book:/${from}`).pathname.replace(/^\//, ""));

/** A book (EPUB 2 and 3): its chapters in the order they are read, each with its pictures, films and sounds. */
export function fromBook(files: Files): Brought {
  const container = files.get("META-INF/container.xml");
  const root =
    container && attribute(all(readXml(container, "META-INF/container.xml"), "rootfile")[0] ?? {}, "full-path");
  const bytes = root ? files.get(root) : undefined;
  if (!root || !bytes) throw new BroughtError("This book does not say where its chapters are.");
  const tree = readXml(bytes, root);
  const manifest = new Map(
    all(tree, "item").map((item) => [attribute(item, "id"), resolve(root, attribute(item, "href"))]),
  );
  const chapters = all(tree, "itemref").flatMap((item) => manifest.get(attribute(item, "idref")) ?? []);
  const brought: Brought = { kind: "a book", title: "", pages: [], pictures: [] };
  let beyond = 0;
  for (const chapter of chapters) {
    const html = files.get(chapter);
    if (!html) continue;
    if (brought.pages.length >= mostBrought.pages) {
      beyond += 1;
      continue;
    }
    const { pages, pictures } = pagesOfHtml(decodeText(html), "", fileBeside(files, chapter));
    brought.pages.push(...afterOthers(pages, brought.pictures.length));
    brought.pictures.push(...pictures);
  }
  beyond += Math.max(0, brought.pages.length - mostBrought.pages);
  if (beyond > 0)
    brought.pages[mostBrought.pages - 1]!.left.push(`${beyond} more chapters: the first ${mostBrought.pages} come in.`);
  const [title] = all(tree, "dc:title");
  const named = title && textIn(title);
  return {
    ...brought,
    title: String(named ?? brought.pages.find((page) => page.title !== "")?.title ?? "A book"),
    pages: brought.pages.slice(0, mostBrought.pages),
  };
}
