import { largest, mediaType, notOfKind, tooLarge, type MediaKind } from "@/core/media/sniff";
import type { Queryable } from "@/data/engine/db";
import { addMedia, bytesBy } from "@/data/engine/media";
import { keepFile } from "../files/files";
import { refuse } from "./refuse";
import { readFile, UnreadableFile } from "./read-file";
import type { Visitor } from "./session";

/** What one person's files may take together, in bytes: nobody fills the school's disk alone. */
export const quota = { adult: 2_000_000_000, student: 200_000_000 } as const;

const kinds = Object.keys(largest) as MediaKind[];

/** The kind of file an address asks to keep (`?kind=sound`); a picture when it does not say. */
export function kindAsked(request: Request): MediaKind | null {
  const kind = new URL(request.url).searchParams.get("kind") ?? "picture";
  return kinds.find((one) => one === kind) ?? null;
}

/** Keeps the one file a request's body is, if it is what it is said to be. Answers with its SHA-256, or what is wrong. */
export async function keepUpload(
  db: Queryable,
  request: Request,
  of: { kind: MediaKind | null; by: Pick<Visitor, "id" | "kind">; now: Date },
): Promise<Response> {
  const { kind } = of;
  if (kind === null) return refuse(400, "noSuchKind");
  if (Number(request.headers.get("content-length") ?? 0) > largest[kind])
    return refuse(413, { problem: tooLarge(kind) });
  const bytes = new Uint8Array(await request.arrayBuffer());
  if (bytes.length > largest[kind]) return refuse(413, { problem: tooLarge(kind) });
  const mime = mediaType(kind, bytes);
  if (!mime) return refuse(415, { problem: notOfKind(kind) });
  if (kind === "captions") {
    try {
      await readFile("captions", new TextDecoder("utf-8", { fatal: true }).decode(bytes));
    } catch (error) {
      const why = error instanceof UnreadableFile ? error.message : "It is not UTF-8 text.";
      return refuse(422, "captionsUnusable", { why });
    }
  }
  const room = quota[of.by.kind];
  if ((await bytesBy(db, of.by.id)) + bytes.length > room)
    return refuse(507, "quotaFull", { megabytes: Math.round(room / 1_000_000) });
  const sha256 = await keepFile(bytes);
  await addMedia(db, { sha256, mime, bytes: bytes.length, by: of.by.id, at: of.now });
  return Response.json({ media: sha256 });
}
