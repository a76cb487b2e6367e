"use client";
import { mediaType, type MediaKind } from "@/core/media/sniff";
import { postFile } from "../media/post-file";
import { FILES } from "./names";

/** A photograph or a recording that was made without a network and waits on the device. */
interface KeptFile {
  media: string;
  kind: MediaKind;
  /** Where it goes. */
  to: string;
}

const LIST = "satchel-files-waiting";
const CACHE = `${FILES}-own`;

function waiting(): KeptFile[] {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(LIST) ?? "[]");
    return Array.isArray(stored) ? (stored as KeptFile[]) : [];
  } catch {
    return [];
  }
}
const write = (files: readonly KeptFile[]) =>
  files.length > 0 ? localStorage.setItem(LIST, JSON.stringify(files)) : localStorage.removeItem(LIST);

/**
 * Keeps a student's file on the device under the name the server will give it, its SHA-256, so that the answer can name it already.
 * Null: this browser cannot, it is no such file, or there is no room.
 */
export async function keepFile(file: Blob, kind: MediaKind, to: string): Promise<string | null> {
  if (!("caches" in window) || !crypto.subtle) return null;
  try {
    const bytes = await file.arrayBuffer();
    // What the server would refuse is refused here: later there is nobody to be told.
    if (mediaType(kind, new Uint8Array(bytes)) === null) return null;
    const hash = new Uint8Array(await crypto.subtle.digest("SHA-256", bytes));
    const media = [...hash].map((byte) => byte.toString(16).padStart(2, "0")).join("");
    const cache = await caches.open(CACHE);
    await cache.put(`/media/${media}`, new Response(file, { headers: { "content-type": file.type } }));
    write([...waiting().filter((one) => one.media !== media || one.to !== to), { media, kind, to }]);
    return media;
  } catch {
    return null;
  }
}

let sending: Promise<boolean> | null = null;

async function sendAll(): Promise<boolean> {
  for (const one of waiting()) {
    const cache = await caches.open(CACHE);
    const kept = await cache.match(`/media/${one.media}`);
    if (kept) {
      try {
        // What the server refuses is refused again next time: it is not kept for ever.
        await postFile(`${one.to}?kind=${one.kind}`, await kept.blob());
      } catch {
        return false;
      }
    }
    const left = waiting().filter(({ media, to }) => media !== one.media || to !== one.to);
    write(left);
    if (!left.some(({ media }) => media === one.media)) await cache.delete(`/media/${one.media}`);
  }
  return true;
}

/** Sends the files that wait, one after another, before the answers that name them. False: there is still no network. */
export function sendKeptFiles(): Promise<boolean> {
  if (typeof window === "undefined" || waiting().length === 0) return Promise.resolve(true);
  sending ??= sendAll().finally(() => (sending = null));
  return sending;
}
