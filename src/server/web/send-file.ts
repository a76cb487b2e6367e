import { mediaByHash } from "@/data/engine/media";
import type { Db } from "@/data/engine/db";
import { readKept, readPart } from "../files/files";
import { refuse } from "./refuse";

/** The part of a file a player asks for (RFC 9110, section 14): one range, from or up to its end; null for anything else. */
function rangeOf(asked: string | null, length: number): { from: number; to: number } | null | "outside" {
  const found = /^bytes=(\d*)-(\d*)$/.exec(asked ?? "");
  if (!found || (!found[1] && !found[2])) return null;
  const from = found[1] ? Number(found[1]) : Math.max(0, length - Number(found[2]));
  const to = found[1] && found[2] ? Math.min(Number(found[2]), length - 1) : length - 1;
  return from > to || from >= length ? "outside" : { from, to };
}

/** Answers with a stored file, or the part of it that is asked for; 404 where there is none. */
export async function sendFile(db: Db, sha256: string, request: Request): Promise<Response> {
  const media = /^[0-9a-f]{64}$/.test(sha256) ? await mediaByHash(db, sha256) : undefined;
  if (!media) return refuse(404, "nothingHere");
  const headers = {
    "content-type": media.mime,
    "cache-control": "private, max-age=31536000, immutable",
    "accept-ranges": "bytes",
  };
  const range = rangeOf(request.headers.get("range"), media.bytes);
  if (range === "outside")
    return new Response(null, { status: 416, headers: { "content-range": `bytes */${media.bytes}` } });
  if (!range) return new Response(await readKept(media.sha256), { headers });
  return new Response(await readPart(media.sha256, range.from, range.to), {
    status: 206,
    headers: { ...headers, "content-range": `bytes ${range.from}-${range.to}/${media.bytes}` },
  });
}
