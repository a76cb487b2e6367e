/** A piece of XML that is written: text, an element, or a piece that another program has written already. */
export type Markup = string | Element | { written: string };
export interface Element {
  name: string;
  attributes: Readonly<Record<string, string | number | undefined>>;
  children: readonly Markup[];
}

/** XML 1.0 has no place for these, not even by number. */
const FORBIDDEN = /[\0-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g;

const clean = (text: string): string =>
  text.toWellFormed().replace(FORBIDDEN, "").replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");
/** As it stands between the quotation marks of an attribute. */
export const inQuotes = (text: string): string =>
  clean(text).replaceAll('"', "&quot;").replaceAll("\n", "&#10;").replaceAll("\t", "&#9;");

/** An element; attributes without a value are left out, and so are children that are not there. */
export const element = (
  name: string,
  attributes: Element["attributes"] = {},
  ...children: readonly (Markup | null | undefined | false)[]
): Element => ({
  ...{ name, attributes },
  children: children.filter((child) => child !== null && child !== undefined && child !== false),
});

/** As XML. What has no children closes itself, but for those `open`, which HTML would leave open for ever. */
export function writeMarkup(markup: Markup, open: ReadonlySet<string> = new Set()): string {
  if (typeof markup === "string") return clean(markup);
  if ("written" in markup) return markup.written;
  const { name, attributes, children } = markup;
  const said = Object.entries(attributes)
    .flatMap(([key, value]) => (value === undefined ? [] : [` ${key}="${inQuotes(String(value))}"`]))
    .join("");
  if (children.length === 0 && !open.has(name)) return `<${name}${said}/>`;
  return `<${name}${said}>${children.map((child) => writeMarkup(child, open)).join("")}</${name}>`;
}

/** Elements that HTML reads as never closed when they are written short. */
export const openInHtml: ReadonlySet<string> = new Set(
  "p div span a li ul ol h1 h2 h3 h4 td th table section article header figure figcaption video audio script style title textarea select option label button strong em u blockquote details summary main nav output".split(
    " ",
  ),
);

/** A whole XML file. */
export const xmlFile = (root: Element): string => `<?xml version="1.0" encoding="UTF-8"?>\n${writeMarkup(root)}\n`;
