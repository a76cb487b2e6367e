import { XMLParser } from "fast-xml-parser";
import { decodeText } from "../decode-text";
import { BroughtError } from "./brought-error";

/** An element as the parser leaves it: its children under its name, its attributes under ":@". */
export type Xml = Record<string, unknown>;

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: "",
  preserveOrder: true,
  trimValues: false,
  // "&#8217;" is a letter like any other, and other programs write it so.
  htmlEntities: true,
});

/** Entities are how a small file becomes a large one; slides have none of their own. */
export function readXml(bytes: Uint8Array, name: string): Xml[] {
  const text = decodeText(bytes);
  if (/<!(?:DOCTYPE|ENTITY)/i.test(text))
    throw new BroughtError(`${name} declares entities of its own. It was not read.`);
  try {
    return parser.parse(text) as Xml[];
  } catch {
    throw new BroughtError(`${name} in this file cannot be read.`);
  }
}

export const nameOf = (element: Xml): string => Object.keys(element).find((key) => key !== ":@") ?? "";
export const inside = (element: Xml): Xml[] => {
  const children = element[nameOf(element)];
  return Array.isArray(children) ? (children as Xml[]) : [];
};
export const attribute = (element: Xml, name: string): string => {
  const attributes = element[":@"] as Record<string, string> | undefined;
  return attributes?.[name] ?? "";
};

/** Every element of a name, in the order they stand; none inside another of the same name. */
export function all(tree: readonly Xml[], name: string, found: Xml[] = []): Xml[] {
  for (const element of tree) {
    if (nameOf(element) === name) found.push(element);
    else all(inside(element), name, found);
  }
  return found;
}
export const first = (element: Xml, name: string): Xml | undefined => all(inside(element), name)[0];

/** All the text in an element, as it is read: tags of HTML in it are left out, spaces are single. */
export function textIn(element: Xml): string {
  const said = (one: Xml): string =>
    nameOf(one) === "#text"
      ? String(one["#text"])
      : nameOf(one) === "annotation"
        ? ""
        : inside(one)
            .map(said)
            .join(/^(?:p|div|br|li)$/.test(nameOf(one)) ? " " : "");
  return said(element)
    .replace(/<[^>]{0,500}>/g, " ")
    .replace(/\s+/g, " ")
    .trim();
}
