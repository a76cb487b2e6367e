import { createHash } from "node:crypto";
import { possibleTypes } from "@/core/media/sniff";
import { DocumentError, parseDocument, type Document } from "@/core/resource/schema/document";
import { decodeText } from "../decode-text";
import { readZip, ZipError } from "../read-zip";
import {
  draftFile,
  mediaFile,
  PACKAGE_FORMAT,
  PACKAGE_VERSION,
  PackageIndex,
  revisionFile,
  type SatchelPackage,
} from "./package";

/** Why a file is no package: which file in it, and what is wrong there. */
export class PackageError extends Error {
  constructor(message: string) {
    super(message);
    this.name = "PackageError";
  }
}

export interface ReadPackage extends SatchelPackage {
  /** By SHA-256. */
  media: ReadonlyMap<string, Uint8Array>;
}

const limits = { files: 20_000, bytes: 400_000_000, name: "package" };

function readJson(files: ReadonlyMap<string, Uint8Array>, name: string): unknown {
  const bytes = files.get(name);
  if (!bytes) throw new PackageError(`${name} is missing in this package.`);
  try {
    return JSON.parse(decodeText(bytes));
  } catch {
    throw new PackageError(`${name} in this package cannot be read.`);
  }
}

function documentIn(files: ReadonlyMap<string, Uint8Array>, name: string): Document {
  try {
    return parseDocument(readJson(files, name));
  } catch (error) {
    if (!(error instanceof DocumentError)) throw error;
    throw new PackageError(`${name}: ${error.message}.`);
  }
}

/** @throws PackageError naming the file that is wrong; nothing of a package is used when part of it is */
export function readPackage(bytes: Uint8Array): ReadPackage {
  let files;
  try {
    files = readZip(bytes, limits, (name) => /^(?:satchel\.json|resources\/.*\.json|media\/[0-9a-f]{64})$/.test(name));
  } catch (error) {
    if (error instanceof ZipError) throw new PackageError(error.message);
    throw error;
  }
  if (!files.has("satchel.json"))
    throw new PackageError("This zip is no package of Golden Satchel: it has no satchel.json.");
  const said = readJson(files, "satchel.json");
  const { format, version } = (said ?? {}) as { format?: unknown; version?: unknown };
  if (format !== PACKAGE_FORMAT) throw new PackageError("This zip is no package of Golden Satchel.");
  if (typeof version === "number" && version > PACKAGE_VERSION)
    throw new PackageError(`This package was made by a newer version of Golden Satchel (${version}).`);
  const read = PackageIndex.safeParse(said);
  if (!read.success)
    throw new PackageError(`satchel.json: ${read.error.issues[0]?.path.join(".")}: ${read.error.issues[0]?.message}.`);
  const index = read.data;
  const documents = new Map<number, Document>();
  const drafts = new Map<number, Document>();
  for (const { id, revisions, draft } of index.resources) {
    for (const revision of revisions) documents.set(revision.id, documentIn(files, revisionFile(id, revision.number)));
    if (draft) drafts.set(id, documentIn(files, draftFile(id)));
    if (revisions.length === 0 && !draft) throw new PackageError(`satchel.json: resource ${id} has nothing in it.`);
  }
  const known = new Set(index.resources.map(({ id }) => id));
  for (const pocket of index.pockets)
    if (pocket.resources.some((id) => !known.has(id)))
      throw new PackageError(`satchel.json: the pocket “${pocket.name}” holds something that is not in the package.`);
  const media = new Map<string, Uint8Array>();
  for (const { sha256, mime } of index.media) {
    const file = files.get(mediaFile(sha256));
    if (!file) throw new PackageError(`${mediaFile(sha256).slice(0, 20)}… is missing in this package.`);
    if (createHash("sha256").update(file).digest("hex") !== sha256)
      throw new PackageError(`${mediaFile(sha256).slice(0, 20)}… in this package was changed or damaged.`);
    // What it is called is not believed: a page that calls itself a picture would be shown as a page.
    if (!possibleTypes(file).includes(mime))
      throw new PackageError(`${mediaFile(sha256).slice(0, 20)}… in this package is no picture, sound or film.`);
    media.set(sha256, file);
  }
  return { index, documents, drafts, media };
}
