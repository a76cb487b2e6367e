import { mediaByHash } from "@/data/media";
import { readKept } from "@/server/files";
import { route } from "@/server/route";

/** A stored file. Whoever knows its SHA-256 has seen a document that shows it. */
export const GET = route(
  "see a picture",
  () => ({}),
  async ({ db, params }) => {
    const media = /^[0-9a-f]{64}$/.test(params.sha256 ?? "") ? await mediaByHash(db, params.sha256!) : undefined;
    if (!media) return Response.json({ problem: "There is nothing here." }, { status: 404 });
    return new Response(await readKept(media.sha256), {
      headers: { "content-type": media.mime, "cache-control": "private, max-age=31536000, immutable" },
    });
  },
);
