import { postFile, type OnShare } from "./post-file";
import { keepFile } from "../offline/kept-files";
import { largest, tooLarge, type MediaKind } from "@/core/media/sniff";

/** `offline`: there was no network; the file itself is all right and can be sent again. */
export type Sent = { media: string } | { problem: string; offline?: true };

/**
 * Stores a file and returns its reference, or what was wrong with it. `to`: where a student's answers go; else the teacher's own.
 * Without a network a student's file waits on the device and is sent before the answer that names it.
 */
export async function sendFile(file: Blob, kind: MediaKind, to = "/media", onShare?: OnShare): Promise<Sent> {
  if (file.size > largest[kind]) return { problem: tooLarge(kind) };
  try {
    return await postFile<Sent>(`${to}?kind=${kind}`, file, onShare);
  } catch {
    const kept = to.startsWith("/student/") ? await keepFile(file, kind, to) : null;
    if (kept) return { media: kept };
    return { problem: "No connection: the file was not sent. Nothing was changed.", offline: true };
  }
}

const RETRY_MS = 10_000;

/** When the network may be back: the browser says so, or some seconds have passed. */
const networkMayBeBack = () =>
  new Promise<void>((again) => {
    const timer = setTimeout(done, RETRY_MS);
    function done() {
      clearTimeout(timer);
      window.removeEventListener("online", done);
      again();
    }
    window.addEventListener("online", done);
  });

/** The same for what cannot be made again, a voice: tried until it is sent or refused. `waiting` is told of each failure. */
export async function sendUntilThere(
  file: Blob,
  kind: MediaKind,
  to: string | undefined,
  waiting: () => void,
): Promise<Sent> {
  for (;;) {
    const sent = await sendFile(file, kind, to);
    if (!("offline" in sent)) return sent;
    waiting();
    await networkMayBeBack();
  }
}
