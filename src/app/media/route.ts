import { LARGEST_PICTURE, pictureType } from "@/core/media/sniff";
import { addMedia } from "@/data/media";
import { keepFile } from "@/server/files";
import { route } from "@/server/route";

/** Takes one picture as the body of the request. */
export const POST = route(
  "add a picture",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const said = Number(request.headers.get("content-length") ?? 0);
    const tooLarge = () =>
      Response.json(
        { problem: "This picture is larger than 8 MB. Nothing was changed; try a smaller one." },
        { status: 413 },
      );
    if (said > LARGEST_PICTURE) return tooLarge();
    const bytes = new Uint8Array(await request.arrayBuffer());
    if (bytes.length > LARGEST_PICTURE) return tooLarge();
    const mime = pictureType(bytes);
    if (!mime)
      return Response.json(
        { problem: "This is not a PNG, JPEG, GIF or WebP picture, whatever its name says. Nothing was changed." },
        { status: 415 },
      );
    const sha256 = await keepFile(bytes);
    await addMedia(db, { sha256, mime, bytes: bytes.length, by: visitor.id, at: now });
    return Response.json({ media: sha256 });
  },
);
