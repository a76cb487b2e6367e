import { z } from "zod";
import { Document } from "@/core/resource/schema/document";

/**
 * Everything a teacher has made, as one zip: our own format, open and described by a JSON Schema that is in every package.
 *
 *     satchel.json                     what is in it, PackageIndex
 *     resources/1/revision-1.json      a document, as the schema says
 *     resources/1/draft.json           what is not published yet
 *     resources/1/about.jsonld         what it is, for other programs (LRMI)
 *     media/<sha256>                   pictures, sounds, films, each once
 *     schema/document.schema.json      JSON Schema, draft 2020-12
 */
export const PACKAGE_FORMAT = "golden-satchel-package";
export const PACKAGE_VERSION = 1;

const Moment = z.iso.datetime();
const Key = z.number().int().positive();

export const PackageIndex = z.object({
  format: z.literal(PACKAGE_FORMAT),
  version: z.number().int(),
  /** Who made it, and by which number she is known in its documents. */
  by: z.object({ id: z.number().int(), name: z.string().max(200) }),
  resources: z
    .array(
      z.object({
        /** Its number in the documents and in the names of files here. */
        id: Key,
        archived: z.boolean(),
        /** The revision it was adapted from, where that is in the package or was somebody else's. */
        source: z.object({ revision: Key, title: z.string().max(300), author: z.string().max(200) }).nullable(),
        revisions: z.array(z.object({ id: Key, number: z.number().int().positive(), created: Moment })).max(2000),
        draft: z.object({ saved: Moment }).nullable(),
      }),
    )
    .max(5000),
  pockets: z
    .array(
      z.object({
        id: Key,
        name: z.string().max(120),
        /** The pocket it is in. */
        within: Key.nullable(),
        resources: z.array(Key).max(5000),
      }),
    )
    .max(2000),
  media: z
    .array(
      z.object({
        sha256: z.string().regex(/^[0-9a-f]{64}$/),
        mime: z.string().max(100),
        bytes: z.number().int().min(0),
      }),
    )
    .max(20_000),
});
export type PackageIndex = z.infer<typeof PackageIndex>;

/** A package as it is read and written; the bytes of its media go beside it. */
export interface SatchelPackage {
  index: PackageIndex;
  /** By the id of the revision. */
  documents: ReadonlyMap<number, Document>;
  /** By the id of the resource. */
  drafts: ReadonlyMap<number, Document>;
}

/** `revisionFile(7, 2)` gives `"resources/7/revision-2.json"`. */
export const revisionFile = (resource: number, number: number): string =>
  `resources/${resource}/revision-${number}.json`;
/** `draftFile(7)` gives `"resources/7/draft.json"`. */
export const draftFile = (resource: number): string => `resources/${resource}/draft.json`;
/** `aboutFile(7)` gives `"resources/7/about.jsonld"`. */
export const aboutFile = (resource: number): string => `resources/${resource}/about.jsonld`;
/** `mediaFile("ab12")` gives `"media/ab12"`. */
export const mediaFile = (sha256: string): string => `media/${sha256}`;

/** What a document is, for other programs: JSON Schema of what is stored. */
export const documentSchema = (): object => z.toJSONSchema(Document, { io: "input", unrepresentable: "any" });
