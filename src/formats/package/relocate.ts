import type { Document } from "@/core/resource/document";

/** What numbers of a package are here; undefined: it is not here. */
export interface Here {
  /** Who made the package, there and here. */
  maker: { there: number; here: number };
  resource: (there: number) => number | undefined;
  revision: (there: number) => number | undefined;
}

/** Nobody of this school: a voice whose owner is not here. */
const NOBODY = 0;

/**
 * A document of a package with the numbers of this installation: her own voice stays hers, where a step came from leads to what is here,
 * and what leads nowhere is left out. Who is named in credits stays.
 */
export function relocate(document: Document, here: Here): Document {
  const walk = (value: unknown, key: string): unknown => {
    if (Array.isArray(value)) return value.map((part) => walk(part, key));
    if (typeof value !== "object" || value === null) return value;
    const entries = Object.entries(value).flatMap(([name, inner]): [string, unknown][] => {
      if (name === "origin") {
        const { resource, revision, ...rest } = inner as { resource: number; revision: number };
        const to = { resource: here.resource(resource), revision: here.revision(revision) };
        return to.resource === undefined || to.revision === undefined ? [] : [[name, { ...rest, ...to }]];
      }
      if (key === "recording" && name === "by") return [[name, inner === here.maker.there ? here.maker.here : NOBODY]];
      return [[name, walk(inner, name)]];
    });
    return Object.fromEntries(entries);
  };
  const walked = walk(document, "") as Document;
  const credits = walked.credits.map(({ resource, ...credit }) => {
    const to = resource === undefined ? undefined : here.resource(resource);
    return to === undefined ? credit : { ...credit, resource: to };
  });
  return { ...walked, credits };
}
