import { allQuestions, titleOf } from "@/core/resource/document";
import { lrmi } from "../lrmi";
import { element, xmlFile, type Element } from "../markup";
import type { BytesOf, Outgoing, OutgoingResource } from "../outgoing";
import { writeZip, type ZipEntry } from "../write-zip";
import type { PageStyle } from "../xhtml/block-markup";
import { creditMarkup, htmlPage, stepMarkup } from "../xhtml/page-markup";
import { oldAssessment } from "./old-qti";

/** 1EdTech Common Cartridge 1.1 and 1.3; "thin": 1.3 with links to here and nothing else (shapes from memory, and CHECKS.md). */
export const cartridgeVersions = ["1.1", "1.3", "thin"] as const;
export type CartridgeVersion = (typeof cartridgeVersions)[number];

interface Shape {
  schemaVersion: string;
  manifest: string;
  lom: string;
  link: { type: string; namespace: string };
  assessment: string;
}
const newer: Shape = {
  schemaVersion: "1.3.0",
  manifest: "http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1",
  lom: "http://ltsc.ieee.org/xsd/imsccv1p3/LOM/manifest",
  link: { type: "imswl_xmlv1p3", namespace: "http://www.imsglobal.org/xsd/imsccv1p3/imswl_v1p3" },
  assessment: "imsqti_xmlv1p2/imscc_xmlv1p3/assessment",
};
const shapes: Readonly<Record<CartridgeVersion, Shape>> = {
  "1.1": {
    schemaVersion: "1.1.0",
    manifest: "http://www.imsglobal.org/xsd/imsccv1p1/imscp_v1p1",
    lom: "http://ltsc.ieee.org/xsd/imsccv1p1/LOM/manifest",
    link: { type: "imswl_xmlv1p1", namespace: "http://www.imsglobal.org/xsd/imsccv1p1/imswl_v1p1" },
    assessment: "imsqti_xmlv1p2/imscc_xmlv1p1/assessment",
  },
  "1.3": newer,
  thin: newer,
};

const file = (href: string) => element("file", { href });
const item = (identifier: string, title: string, ...inside: readonly Element[]): Element =>
  element("item", { identifier }, element("title", {}, title), ...inside);
const pointing = (identifier: string, to: string, title: string): Element =>
  element("item", { identifier, identifierref: to }, element("title", {}, title));

/** A link that is opened by a launch (Common Cartridge 1.3, "LTI link"; names from memory). */
const launchLink = (title: string, { address, work }: { address: string; work: number }): Element =>
  element(
    "cartridge_basiclti_link",
    {
      xmlns: "http://www.imsglobal.org/xsd/imslticc_v1p3",
      "xmlns:blti": "http://www.imsglobal.org/xsd/imsbasiclti_v1p0",
      "xmlns:lticm": "http://www.imsglobal.org/xsd/imslticm_v1p0",
      "xmlns:lticp": "http://www.imsglobal.org/xsd/imslticp_v1p0",
    },
    element("blti:title", {}, title),
    element("blti:custom", {}, element("lticm:property", { name: "work" }, String(work))),
    element("blti:launch_url", {}, address),
    element(
      "blti:vendor",
      {},
      element("lticp:code", {}, "golden-satchel"),
      element("lticp:name", {}, "Golden Satchel"),
    ),
  );

/** What a resource is in a cartridge: files, what the manifest says of them, and where it stands in the order. */
function* partsOf(
  resource: OutgoingResource,
  version: CartridgeVersion,
  outgoing: Outgoing,
): Generator<ZipEntry, { resources: Element[]; items: Element[] }> {
  const { id, document, author, address } = resource;
  const shape = shapes[version];
  const title = titleOf(document);
  const resources: Element[] = [];
  const items: Element[] = [];
  const style: PageStyle = {
    ...{ languages: document.languages, forTeacher: false },
    place: (reference) => (outgoing.files.has(reference) ? `../media/${outgoing.files.get(reference)!.name}` : null),
  };
  if (version !== "thin" && !resource.isLinkOnly) {
    const questions = resource.launch ? [] : allQuestions(document).map(({ question }) => question);
    const href = `pages/${id}.html`;
    const page = htmlPage({ title, language: document.languages[0]! }, [
      element("h1", {}, title),
      ...document.steps.flatMap((step) =>
        stepMarkup(
          step,
          style,
          step.blocks.filter(({ type }) => type !== "question"),
        ),
      ),
      ...creditMarkup(document, author),
    ]);
    yield { name: href, bytes: page };
    yield { name: `about/${id}.jsonld`, bytes: `${JSON.stringify(lrmi(document, { author }), null, 1)}\n` };
    const used = [...outgoing.files.values()].filter(({ name }) => page.includes(`../media/${name}`));
    resources.push(
      element(
        "resource",
        { identifier: `page-${id}`, type: "webcontent", href },
        ...[file(href), file(`about/${id}.jsonld`)],
        ...used.map(({ name }) => element("dependency", { identifierref: `file-${name.replace(/\W/g, "-")}` })),
      ),
    );
    items.push(pointing(`i-page-${id}`, `page-${id}`, title));
    if (questions.length > 0) {
      const questionFile = `questions/${id}.xml`;
      yield { name: questionFile, bytes: oldAssessment(questions, { identifier: `q-${id}`, title }, style) };
      resources.push(element("resource", { identifier: `q-${id}`, type: shape.assessment }, file(questionFile)));
      items.push(pointing(`i-q-${id}`, `q-${id}`, `${title}: questions`));
    }
  }
  if (resource.launch) {
    const href = `links/${id}.xml`;
    yield { name: href, bytes: xmlFile(launchLink(title, resource.launch)) };
    resources.push(element("resource", { identifier: `link-${id}`, type: "imsbasiclti_xmlv1p3" }, file(href)));
    items.push(pointing(`i-link-${id}`, `link-${id}`, title));
  } else if (address) {
    const href = `links/${id}.xml`;
    yield {
      name: href,
      bytes: xmlFile(
        element(
          "webLink",
          { xmlns: shape.link.namespace },
          element("title", {}, title),
          element("url", { href: address, target: "_blank" }),
        ),
      ),
    };
    resources.push(element("resource", { identifier: `link-${id}`, type: shape.link.type }, file(href)));
    items.push(pointing(`i-link-${id}`, `link-${id}`, version === "thin" ? title : `${title}: open it`));
  }
  return { resources, items: items.length > 1 ? [item(`i-${id}`, title, ...items)] : items };
}

async function* entriesOf(outgoing: Outgoing, version: CartridgeVersion, bytesOf: BytesOf): AsyncGenerator<ZipEntry> {
  const shape = shapes[version];
  const resources: Element[] = [];
  const topics: Element[] = [];
  for (const topic of outgoing.topics) {
    const inside: Element[] = [];
    for (const resource of topic.resources) {
      const parts = yield* partsOf(resource, version, outgoing);
      resources.push(...parts.resources);
      inside.push(...parts.items);
    }
    topics.push(item(topic.id, topic.title, ...inside));
  }
  const files = version === "thin" ? [] : [...outgoing.files.values()];
  for (const { reference, name } of files) {
    yield { name: `media/${name}`, bytes: await bytesOf(reference), packed: false };
    resources.push(
      element(
        "resource",
        { identifier: `file-${name.replace(/\W/g, "-")}`, type: "webcontent", href: `media/${name}` },
        file(`media/${name}`),
      ),
    );
  }
  const said = (name: string, text: string) =>
    element(`lomimscc:${name}`, {}, element("lomimscc:string", { language: outgoing.language }, text));
  yield {
    name: "imsmanifest.xml",
    bytes: xmlFile(
      element(
        "manifest",
        { identifier: outgoing.id, xmlns: shape.manifest, "xmlns:lomimscc": shape.lom },
        element(
          "metadata",
          {},
          element("schema", {}, version === "thin" ? "IMS Thin Common Cartridge" : "IMS Common Cartridge"),
          element("schemaversion", {}, shape.schemaVersion),
          element("lomimscc:lom", {}, element("lomimscc:general", {}, said("title", outgoing.title))),
        ),
        element(
          "organizations",
          {},
          element(
            "organization",
            { identifier: "o", structure: "rooted-hierarchy" },
            element("item", { identifier: "root" }, ...topics),
          ),
        ),
        element("resources", {}, ...resources),
      ),
    ),
  };
}

/** A Common Cartridge: each resource's page, its questions and a link, each file once, in the order of the topics. */
export const writeCartridge = (
  outgoing: Outgoing,
  version: CartridgeVersion,
  bytesOf: BytesOf,
): AsyncGenerator<Uint8Array> => writeZip(entriesOf(outgoing, version, bytesOf));
