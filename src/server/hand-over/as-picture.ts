import sharp from "sharp";
import type { OutgoingFile } from "@/formats/outgoing";
import { bytesOf } from "./gather";

/** Sharp enough on paper, and no more. */
const WIDEST = 1200;

/** Pictures as PNG or JPEG, by reference: what goes into documents, slides and PDFs, which know no other kinds. */
export async function asPictures(files: Iterable<OutgoingFile>): Promise<Map<string, Uint8Array>> {
  const pictures = new Map<string, Uint8Array>();
  for (const { reference, mime } of files) {
    if (!mime.startsWith("image/")) continue;
    try {
      const picture = sharp(await bytesOf(reference), { limitInputPixels: 50_000_000 }).rotate();
      const smaller = picture.resize({ width: WIDEST, withoutEnlargement: true });
      pictures.set(
        reference,
        new Uint8Array(await (mime === "image/jpeg" ? smaller.jpeg() : smaller.png()).toBuffer()),
      );
    } catch {
      // It is told in words instead.
    }
  }
  return pictures;
}
