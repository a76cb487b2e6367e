import { canonical } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import { DocumentError, parseDocument } from "@/core/resource/schema/document";
import { pastPlace, type Past } from "./kept-past";

/** The past of a document, if what was kept is that of this very document. */
export function readPast(resource: number, now: Document): Past | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(pastPlace(resource)) ?? "null") as (Past & { now: string }) | null;
    if (!kept || kept.now !== canonical(now)) return null;
    return { past: kept.past.map(parseDocument), future: kept.future.map(parseDocument) };
  } catch (error) {
    if (error instanceof DocumentError || error instanceof SyntaxError || error instanceof DOMException) return null;
    throw error;
  }
}
