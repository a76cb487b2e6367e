import { mostBrought, type Brought, type BroughtPage } from "@/core/brought/brought";
import { decodeText } from "../decode-text";
import { BroughtError } from "./brought-error";
import { afterOthers, fileBeside, pagesOfHtml } from "./from-html";
import { questionsInXml, type FoundQuestions } from "./from-qti";
import type { Files } from "./open-zip";
import { all, attribute, first, inside, readXml, textIn, type Xml } from "./xml";

const A_PAGE = 20;

/** Questions as pages, twenty on each. */
function asPages({ title, questions, left }: FoundQuestions, named: string): BroughtPage[] {
  const pages: BroughtPage[] = [];
  for (let at = 0; at < questions.length; at += A_PAGE)
    pages.push({
      ...{ title: title || named, notes: "", left: [] },
      blocks: questions.slice(at, at + A_PAGE).map((asked) => ({ kind: "question", asked })),
    });
  if (left.length > 0 && pages.length === 0) pages.push({ title: title || named, blocks: [], notes: "", left: [] });
  pages[0]?.left.push(...left);
  return pages;
}

/** A file of questions by itself: QTI 1.2, 2.1 or 3.0. */
export function fromQuestionFile(bytes: Uint8Array, name: string): Brought {
  const pages = asPages(questionsInXml(readXml(bytes, name)), name);
  if (pages.length === 0)
    throw new BroughtError("There are no questions in this file that we can read (QTI 1.2, 2.1, 3.0).");
  return { kind: "questions", title: pages[0]!.title || name, pages, pictures: [] };
}

/** As many pages as can be looked at; the last says how many more there are. */
function cutPages(pages: readonly BroughtPage[]): BroughtPage[] {
  const kept = pages.slice(0, mostBrought.pages);
  if (pages.length > kept.length)
    kept.at(-1)!.left.push(`${pages.length - kept.length} more pages: the first ${kept.length} come in.`);
  return kept;
}

/** Something of a package that does not come in, named so that nobody looks for it. */
const withoutUse = (title: string, place: string, type: string): BroughtPage => ({
  ...{ title: title.slice(0, 200), blocks: [], notes: "" },
  left: [`“${place.split("/").pop()}” (${type || "a file"}) does not come in from here. Add it as a file of yours.`],
});

/** What a class is asked to talk about: its text may be HTML. */
function topicPage(topic: Xml, named: string): BroughtPage {
  const said = (name: string) => textIn(first(topic, name) ?? {});
  const text = said("text");
  return {
    ...{ title: (said("title") || named).slice(0, 200), notes: "", left: [] },
    blocks: text
      ? [{ kind: "text", content: [{ type: "paragraph", content: [{ type: "text", text: text.slice(0, 20_000) }] }] }]
      : [],
  };
}

/**
 * A package with a manifest: a Common Cartridge (1.1 to 1.3) or a package of QTI. Pages, links and questions in the order the manifest gives,
 * then what it does not name.
 */
export function fromCartridge(files: Files): Brought {
  const manifest = readXml(files.get("imsmanifest.xml")!, "imsmanifest.xml");
  const resources = new Map(all(manifest, "resource").map((one) => [attribute(one, "identifier"), one]));
  const titles = new Map<string, string>();
  const order: string[] = [];
  const visit = (item: Xml) => {
    const to = attribute(item, "identifierref");
    const [title] = inside(item).filter((part) => "title" in part);
    if (to) {
      order.push(to);
      if (title) titles.set(to, textIn(title));
    }
    for (const inner of inside(item).filter((part) => "item" in part)) visit(inner);
  };
  for (const organization of all(manifest, "organization"))
    inside(organization)
      .filter((part) => "item" in part)
      .forEach(visit);
  const brought: Brought = { kind: "a package", title: "", pages: [], pictures: [] };
  const read = new Set<string>();
  const add = (pages: readonly BroughtPage[]) => brought.pages.push(...pages);
  for (const id of new Set([...order, ...resources.keys()])) {
    const resource = resources.get(id);
    if (!resource) continue;
    const named = titles.get(id) ?? "";
    const href = attribute(resource, "href") || attribute(first(resource, "file") ?? {}, "href");
    const place = decodeURIComponent(href.split("?")[0]!);
    const bytes = files.get(place);
    if (!bytes || read.has(place)) continue;
    read.add(place);
    const type = attribute(resource, "type");
    if (/\.html?$/i.test(place)) {
      const page = pagesOfHtml(decodeText(bytes), "", fileBeside(files, place));
      const pages = afterOthers(page.pages, brought.pictures.length);
      add(pages.map((one, nth) => ({ ...one, title: one.title || (nth === 0 ? named : "") })));
      brought.pictures.push(...page.pictures);
    } else if (/\.xml$/i.test(place)) {
      const tree = readXml(bytes, place);
      const [link] = all(tree, "webLink");
      if (link) {
        const target = attribute(first(link, "url") ?? {}, "href");
        const said = textIn(first(link, "title") ?? {}) || named || target;
        add([
          {
            ...{ title: said.slice(0, 200), notes: "", left: [] },
            blocks: [
              {
                kind: "text",
                content: [
                  { type: "paragraph", content: [{ type: "text", text: `${said}: ${target}`.slice(0, 2000) }] },
                ],
              },
            ],
          },
        ]);
      } else {
        const [topic] = all(tree, "topic");
        const pages = topic ? [topicPage(topic, named)] : asPages(questionsInXml(tree), named || "Questions");
        add(pages.length > 0 ? pages : [withoutUse(named || place, place, type)]);
      }
    } else if (named) add([withoutUse(named, place, type)]);
  }
  const [title] = all(manifest, "lomimscc:title").concat(all(manifest, "lomm:title"), all(manifest, "imsmd:title"));
  return {
    ...brought,
    title: (title && textIn(title)) || brought.pages.find((page) => page.title !== "")?.title || "A package",
    pages: cutPages(brought.pages),
  };
}
