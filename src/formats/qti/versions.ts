import { element, type Element, type Markup } from "../markup";

/** 1EdTech QTI 2.1 and 3.0. Items are made with the names of 2.1; 3.0 writes the same names in another way (from memory of the bindings). */
export const qtiVersions = ["2.1", "3.0"] as const;
export type QtiVersion = (typeof qtiVersions)[number];

export const qtiNamespace: Readonly<Record<QtiVersion, string>> = {
  "2.1": "http://www.imsglobal.org/xsd/imsqti_v2p1",
  "3.0": "http://www.imsglobal.org/xsd/imsqtiasi_v3p0",
};

/** Elements that are HTML's, not QTI's: their names stay. */
const html: ReadonlySet<string> = new Set(
  "p h2 h3 h4 ul ol li blockquote strong em span a br img table caption thead tbody tr th td div object figure figcaption video audio".split(
    " ",
  ),
);
const kebab = (name: string) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
/** They are written in capitals' camel in 2.1 too, but mean HTML's own. */
const sameAttributes: ReadonlySet<string> = new Set(["xmlns", "schemaLocation"]);

/** The same element with the names of a version. */
export function inVersion(markup: Markup, version: QtiVersion): Markup {
  if (version === "2.1" || typeof markup === "string" || "written" in markup) return markup;
  const isHtml = html.has(markup.name);
  const attributes = Object.fromEntries(
    Object.entries(markup.attributes).map(([name, value]) => [
      isHtml || sameAttributes.has(name) ? name : kebab(name),
      value,
    ]),
  );
  return element(
    isHtml ? markup.name : `qti-${kebab(markup.name)}`,
    attributes,
    ...markup.children.map((child) => inVersion(child, version)),
  );
}

export const rootInVersion = (root: Element, version: QtiVersion): Element => inVersion(root, version) as Element;
