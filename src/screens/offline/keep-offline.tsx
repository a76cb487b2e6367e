"use client";
import { HardDrive } from "lucide-react";
import { useEffect, useState } from "react";
import { useTranslations } from "use-intl";
import { FILES, HERE, PAGES, SEEN, type KeepAsked, type KeepSaid } from "./names";

/** A class opens its pages at the same time: what is kept is read some seconds later, not all in the same one. */
const SOON_MS = 1_500;
const SPREAD_MS = 15_000;
/** The rest of a school day needs about this much: pages, pictures, sounds, and what a child records. Bytes. */
const ENOUGH = 30_000_000;

/**
 * The worker, from the first moment on: without it a lost network is the browser's own page. Null: this browser has none.
 * It is there for all pages, because a child who has just signed in is still on the page of that; it answers for students' only.
 */
async function register(): Promise<ServiceWorker | null> {
  if (!("serviceWorker" in navigator)) return null;
  const { active, waiting, installing } = await navigator.serviceWorker.register("/student-worker.js");
  return active ?? waiting ?? installing;
}

/** Says to the worker that these pages are to be on the device. Resolves with what came of it; null: this browser keeps nothing. */
async function ask(asked: KeepAsked): Promise<KeepSaid["kept"] | null> {
  const worker = await register();
  if (!worker) return null;
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data }: MessageEvent<KeepSaid>) => resolve(data.kept);
    // One that is still being installed hears it when it has begun.
    worker.postMessage(asked, [port2]);
  });
}

/**
 * Keeps today's work on this device, so that it opens without a network. Tells in time when there is no room for it. On a student's
 * first page, and on each piece of work.
 */
export function KeepOffline({ student, pages }: { student: number; pages: readonly string[] }) {
  const t = useTranslations("offline");
  const [full, setFull] = useState(false);
  const addresses = pages.join(" ");
  useEffect(() => {
    if (!navigator.onLine) return;
    // Ends with the browser, as being signed in does: the worker shows kept pages only while it is there.
    document.cookie = `${HERE}=${student}; path=/; samesite=strict`;
    void register().catch(() => null);
    let left = false;
    const keep = async () => {
      const estimate = await navigator.storage?.estimate?.().catch(() => null);
      const room = estimate?.quota ? estimate.quota - (estimate.usage ?? 0) : Infinity;
      const kept = await ask({ keep: true, student, pages: addresses.split(" ") }).catch(() => null);
      if (!left) setFull(kept === "full" || room < ENOUGH);
    };
    const timer = setTimeout(() => void keep(), SOON_MS + Math.random() * SPREAD_MS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [student, addresses]);
  if (!full) return null;
  return (
    <p role="status" className="mt-3 flex items-center gap-2 rounded-card bg-shade px-4 py-3">
      <HardDrive size={18} aria-hidden className="shrink-0" /> {t("full")}
    </p>
  );
}

/** Nothing of hers is left on this device but what was not sent yet. */
export async function forgetKeptPages(): Promise<void> {
  document.cookie = `${HERE}=; path=/; max-age=0`;
  try {
    for (const name of Object.keys(localStorage)) if (name.startsWith(SEEN)) localStorage.removeItem(name);
  } catch {
    // A device without storage has kept nothing.
  }
  if ("caches" in window) await Promise.all([caches.delete(PAGES), caches.delete(FILES)]).catch(() => undefined);
}
