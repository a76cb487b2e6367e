import type { Document } from "@/core/resource/document";

/** A file that goes along: under its reference in documents, what it is called in a package, and what it is. */
export interface OutgoingFile {
  reference: string;
  name: string;
  mime: string;
}

/** One resource on its way out. */
export interface OutgoingResource {
  /** The same each time it goes out, so that what it goes to knows it again. */
  id: string;
  /** As it goes to students: see core/resource/paper.ts. */
  document: Document;
  author: string;
  /** Where it is done here; null: it goes without a link. */
  address: string | null;
  /** It is opened by a launch from there (LTI) and done here: its questions do not go along. */
  launch?: { address: string; work: number };
  /** Its author keeps all rights: it is linked to, and nothing of it goes along. */
  isLinkOnly?: boolean;
  /** Whether it only explains; without, it is handed in. */
  isMaterial: boolean;
}

/** Something to hand over: topics in order, each with its resources in order. */
export interface Outgoing {
  id: string;
  title: string;
  language: string;
  topics: readonly { id: string; title: string; resources: readonly OutgoingResource[] }[];
  files: ReadonlyMap<string, OutgoingFile>;
}

/** How the bytes of a file are read when it is its turn. */
export type BytesOf = (reference: string) => Promise<Uint8Array>;

const endings: Readonly<Record<string, string>> = {
  "image/png": "png",
  "image/jpeg": "jpg",
  "image/gif": "gif",
  "image/webp": "webp",
  "image/svg+xml": "svg",
  "audio/ogg": "ogg",
  "audio/mpeg": "mp3",
  "audio/mp4": "m4a",
  "audio/wav": "wav",
  "audio/webm": "weba",
  "video/webm": "webm",
  "video/mp4": "mp4",
  "text/vtt": "vtt",
  "application/pdf": "pdf",
};

/** What a file is called in a package: short, without letters that any system stumbles over, and never twice the same. */
export const fileName = (reference: string, mime: string): string =>
  `${reference.replace(/[^a-z0-9-]+/g, "-").slice(0, 40)}.${endings[mime] ?? "bin"}`;
