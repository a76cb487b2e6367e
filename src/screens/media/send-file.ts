import { largest, tooLarge, type MediaKind } from "@/core/media/sniff";

export type Sent = { media: string } | { problem: string };

/** Stores a file and returns its reference, or what was wrong with it. `to`: where a student's answers go; else the teacher's own. */
export async function sendFile(file: Blob, kind: MediaKind, to = "/media"): Promise<Sent> {
  if (file.size > largest[kind]) return { problem: tooLarge(kind) };
  try {
    const response = await fetch(`${to}?kind=${kind}`, { method: "POST", body: file });
    return (await response.json()) as Sent;
  } catch {
    return { problem: "No connection: the file was not sent. Nothing was changed." };
  }
}
