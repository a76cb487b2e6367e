/** What a picture file is, by its first bytes: names and declared types are not believed. SVG is not taken: it can carry script. */
export type PictureType = "image/png" | "image/jpeg" | "image/gif" | "image/webp";

const starts = (bytes: Uint8Array, at: number, signature: readonly number[]) =>
  signature.every((byte, nth) => bytes[at + nth] === byte);
const ascii = (text: string) => [...text].map((letter) => letter.charCodeAt(0));

/** Signatures: PNG (ISO/IEC 15948), JPEG (ITU-T T.81), GIF89a, WebP container (RFC 9649). Null: none of these. */
export function pictureType(bytes: Uint8Array): PictureType | null {
  if (starts(bytes, 0, [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) return "image/png";
  if (starts(bytes, 0, [0xff, 0xd8, 0xff])) return "image/jpeg";
  if (starts(bytes, 0, ascii("GIF87a")) || starts(bytes, 0, ascii("GIF89a"))) return "image/gif";
  if (starts(bytes, 0, ascii("RIFF")) && starts(bytes, 8, ascii("WEBP"))) return "image/webp";
  return null;
}

export const LARGEST_PICTURE = 8 * 1024 * 1024;
