import { XMLParser } from "fast-xml-parser";
import { strFromU8, unzipSync } from "fflate";
import type { Course, Entry } from "./state";

interface Item {
  identifier: string;
  identifierref?: string;
  title?: string;
  item?: Item[];
}
interface Resource {
  identifier: string;
  type: string;
  href?: string;
  file?: { href: string }[];
}

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: "",
  isArray: (name) => ["item", "resource", "file", "lticm:property"].includes(name),
});

/** What a thing is called without what kind of thing it is: "page-work-7" and "link-work-7" belong together. */
const bare = (identifier: string) => identifier.replace(/^(?:page|link|q)-/, "");

/** Reads a Common Cartridge into a course. What has an identifier that is there already takes its place; each file is kept once. */
export function importCartridge(course: Course, bytes: Uint8Array): { entries: number } {
  const files = unzipSync(bytes);
  const { manifest } = parser.parse(strFromU8(files["imsmanifest.xml"]!)) as {
    manifest: { organizations: { organization: { item: Item[] } }; resources: { resource: Resource[] } };
  };
  const resources = new Map(manifest.resources.resource.map((one) => [one.identifier, one]));
  for (const [name, file] of Object.entries(files))
    if (/^(?:pages|media)\//.test(name)) course.files[name] = Buffer.from(file).toString("base64");
  let entries = 0;
  const entryOf = (item: Item): Entry | null => {
    const leaves = item.item ?? [item];
    const refs = leaves.flatMap(({ identifierref }) => (identifierref ? [identifierref] : []));
    if (!refs[0]) return null;
    const entry: Entry = { id: bare(refs[0]), title: String(item.title ?? ""), page: null, launch: null };
    for (const ref of refs) {
      const resource = resources.get(ref);
      if (resource?.type === "webcontent") entry.page = resource.href ?? null;
      if (resource?.type.startsWith("imsbasiclti")) {
        const link = parser.parse(strFromU8(files[resource.file![0]!.href]!)) as {
          cartridge_basiclti_link: {
            "blti:launch_url": string;
            "blti:custom"?: { "lticm:property": { name: string; "#text": string | number }[] };
          };
        };
        const said = link.cartridge_basiclti_link;
        entry.launch = {
          url: said["blti:launch_url"],
          custom: Object.fromEntries(
            (said["blti:custom"]?.["lticm:property"] ?? []).map((one) => [one.name, String(one["#text"])]),
          ),
        };
      }
    }
    return entry;
  };
  const [root] = manifest.organizations.organization.item;
  for (const topic of root?.item ?? []) {
    const title = String(topic.title ?? "");
    let kept = course.topics.find((one) => one.title === title);
    if (!kept) course.topics.push((kept = { id: `t${course.topics.length + 1}`, title, entries: [] }));
    for (const item of topic.item ?? []) {
      const entry = entryOf(item);
      if (!entry) continue;
      course.entries[entry.id] = entry;
      if (!course.topics.some((one) => one.entries.includes(entry.id))) kept.entries.push(entry.id);
      entries += 1;
    }
  }
  return { entries };
}

const escaped = (text: string) =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;").replaceAll('"', "&quot;");

/** What is in a course, as a cartridge's manifest would say it. */
export function manifestOf(course: Course): string {
  const items = (ids: readonly string[]) =>
    ids
      .flatMap((id) => course.entries[id] ?? [])
      .map(
        ({ id, title, launch }) =>
          `<item identifier="i-${escaped(id)}" identifierref="${launch ? "link" : "page"}-${escaped(id)}"><title>${escaped(title)}</title></item>`,
      )
      .join("");
  const topics = course.topics
    .map(
      ({ id, title, entries }) => `<item identifier="${id}"><title>${escaped(title)}</title>${items(entries)}</item>`,
    )
    .join("");
  const resources = Object.values(course.entries)
    .flatMap(({ id, page }) => (page === null ? [] : [[`page-${escaped(id)}`, escaped(page)]]))
    .map(
      ([id, page]) => `<resource identifier="${id}" type="webcontent" href="${page}"><file href="${page}"/></resource>`,
    )
    .join("");
  return `<?xml version="1.0" encoding="UTF-8"?><manifest identifier="${escaped(course.id)}"><organizations><organization identifier="o" structure="rooted-hierarchy"><item identifier="root">${topics}</item></organization></organizations><resources>${resources}</resources></manifest>`;
}
