import type { Db } from "@/data/engine/db";
import type { OtherCourse, OtherSystem } from "@/data/lti/systems";
import { all, attribute, inside, nameOf, readXml, textIn, type Xml } from "@/formats/brought/xml";
import { NoAnswer } from "../web/ask-elsewhere";
import { lineItemsOf, manifestThere, pageThere, type LineItem } from "./services";

interface Course {
  system: OtherSystem;
  course: OtherCourse;
}

export interface There {
  lineItems: Map<string, LineItem>;
  /** By the resource's id; null: it does not say. */
  manifest: ManifestThere | null;
  /** Hashes of the pages that were asked for, by the resource's id. */
  pages: ReadonlyMap<string, string | null>;
}

interface ManifestThere {
  titles: Map<string, string>;
  /** Where the file of each page is. */
  files: Map<string, string>;
}

/** What is in a course, by what we call it, out of the manifest the other system gives; null: it gives none. @throws NoAnswer when it is none */
async function manifestOf(db: Db, { system, course }: Course): Promise<ManifestThere | null> {
  const said = await manifestThere(db, system, course);
  if (said === null) return null;
  try {
    return readManifest(said);
  } catch {
    throw new NoAnswer("The other system answered with something that cannot be read.");
  }
}

function readManifest(manifest: string): ManifestThere {
  const titles = new Map<string, string>();
  const visit = (item: Xml) => {
    const found = /^(?:page|link)-(.+)$/.exec(attribute(item, "identifierref"));
    const [title] = inside(item).filter((part) => nameOf(part) === "title");
    if (found && title) titles.set(found[1]!, textIn(title));
    inside(item)
      .filter((part) => nameOf(part) === "item")
      .forEach(visit);
  };
  const read = readXml(new TextEncoder().encode(manifest), "the manifest");
  if (all(read, "manifest").length === 0) throw new Error("It is no manifest.");
  for (const organization of all(read, "organization"))
    inside(organization)
      .filter((part) => nameOf(part) === "item")
      .forEach(visit);
  const files = new Map<string, string>();
  for (const resource of all(read, "resource")) {
    const found = /^page-(.+)$/.exec(attribute(resource, "identifier"));
    if (found && attribute(resource, "href")) files.set(found[1]!, attribute(resource, "href"));
  }
  return { titles, files };
}

/** How many pages are asked for at once, and after how long no more of them are: she is waiting. */
const AT_ONCE = 6;
const PAGES_MS = 5_000;

/** Hashes of these pages as they are there now; of those that were asked for in time. */
async function pagesThere(
  db: Db,
  { system, course }: Course,
  manifest: ManifestThere,
  items: readonly string[],
): Promise<Map<string, string | null>> {
  const found = new Map<string, string | null>();
  const left = items.filter((item) => manifest.files.has(item));
  const until = Date.now() + PAGES_MS;
  const next = async () => {
    for (let item = left.pop(); item !== undefined && Date.now() < until; item = left.pop())
      found.set(item, await pageThere(db, system, course, manifest.files.get(item)!));
  };
  await Promise.all(Array.from({ length: AT_ONCE }, next));
  return found;
}

/** `pages`: the items whose pages are looked at as well. */
export async function lookThere(db: Db, of: Course, pages: readonly string[]): Promise<There> {
  const [columns, manifest] = await Promise.all([
    of.course.lineItemsUrl ? lineItemsOf(db, of.system, of.course) : [],
    manifestOf(db, of),
  ]);
  return {
    manifest,
    pages: manifest ? await pagesThere(db, of, manifest, pages) : new Map(),
    lineItems: new Map(columns.flatMap((column) => (column.resourceId ? [[column.resourceId, column] as const] : []))),
  };
}

const momentOf = (text: string | null | undefined): string | null => text ?? null;

/** What is known of an item there; null: it is not there, undefined: the course site does not say. */
export function thereOf(there: There | null, id: string, isMaterial: boolean) {
  if (!there) return undefined;
  const column = there.lineItems.get(id);
  const page = there.pages.get(id) ?? null;
  if (!isMaterial && column)
    return { title: column.label, opens: momentOf(column.startDateTime), due: momentOf(column.endDateTime), page };
  if (!there.manifest) return isMaterial ? undefined : null;
  const title = there.manifest.titles.get(id);
  return title === undefined ? null : { title, page };
}

/** Hashes of the pages it has just taken; none where it does not say, and then changes of a page are not seen. */
export async function pagesOfSent(
  db: Db,
  of: Course,
  items: readonly string[],
): Promise<ReadonlyMap<string, string | null>> {
  try {
    const manifest = await manifestOf(db, of);
    return manifest ? await pagesThere(db, of, manifest, items) : new Map();
  } catch (error) {
    if (error instanceof NoAnswer) return new Map();
    throw error;
  }
}
