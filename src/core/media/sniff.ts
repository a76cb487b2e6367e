/**
 * What a file is, by its first bytes: names and declared types are not believed. SVG is not taken: it can carry script.
 * Signatures: PNG (ISO/IEC 15948), JPEG (ITU-T T.81), GIF89a, RIFF with WEBP (RFC 9649) or WAVE, Ogg (RFC 3533), FLAC
 * (RFC 9639), MPEG audio (ISO/IEC 11172-3, and the ID3 tag before it), Matroska and WebM (RFC 8794), ISO base media
 * (ISO/IEC 14496-12).
 */
export type MediaKind = "picture" | "sound" | "film" | "captions";

const starts = (bytes: Uint8Array, at: number, signature: readonly number[]) =>
  signature.every((byte, nth) => bytes[at + nth] === byte);
const ascii = (text: string) => [...text].map((letter) => letter.charCodeAt(0));
const says = (bytes: Uint8Array, at: number, text: string) => starts(bytes, at, ascii(text));

function pictureType(bytes: Uint8Array): string | null {
  if (starts(bytes, 0, [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) return "image/png";
  if (starts(bytes, 0, [0xff, 0xd8, 0xff])) return "image/jpeg";
  if (says(bytes, 0, "GIF87a") || says(bytes, 0, "GIF89a")) return "image/gif";
  if (says(bytes, 0, "RIFF") && says(bytes, 8, "WEBP")) return "image/webp";
  return null;
}

const isMatroska = (bytes: Uint8Array) => starts(bytes, 0, [0x1a, 0x45, 0xdf, 0xa3]);
const isIsoMedia = (bytes: Uint8Array) => says(bytes, 4, "ftyp");

function soundType(bytes: Uint8Array): string | null {
  if (says(bytes, 0, "RIFF") && says(bytes, 8, "WAVE")) return "audio/wav";
  if (says(bytes, 0, "OggS")) return "audio/ogg";
  if (says(bytes, 0, "fLaC")) return "audio/flac";
  // The first eleven bits of an MPEG audio frame are set.
  if (says(bytes, 0, "ID3") || (bytes[0] === 0xff && bytes.length > 1 && (bytes[1]! & 0xe0) === 0xe0))
    return "audio/mpeg";
  if (isMatroska(bytes)) return "audio/webm";
  if (isIsoMedia(bytes)) return "audio/mp4";
  return null;
}

function filmType(bytes: Uint8Array): string | null {
  if (isMatroska(bytes)) return "video/webm";
  if (isIsoMedia(bytes)) return "video/mp4";
  if (says(bytes, 0, "OggS")) return "video/ogg";
  return null;
}

const types: Record<MediaKind, (bytes: Uint8Array) => string | null> = {
  picture: pictureType,
  sound: soundType,
  film: filmType,
  // Only the first word: a captions file is read whole before it is kept.
  captions: (bytes) => {
    const from = starts(bytes, 0, [0xef, 0xbb, 0xbf]) ? 3 : 0;
    return says(bytes, from, "WEBVTT") ? "text/vtt" : null;
  },
};

/**
 * The media type of a file said to be of a kind, or null when its first bytes say otherwise.
 * `mediaType("picture", new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))` gives `"image/png"`.
 */
export const mediaType = (kind: MediaKind, bytes: Uint8Array): string | null => types[kind](bytes);

/**
 * What a file may be by its first bytes, whatever it is used for; none: nothing we show or play.
 * `possibleTypes(new Uint8Array([1, 2, 3]))` gives `[]`.
 */
export const possibleTypes = (bytes: Uint8Array): string[] =>
  (Object.keys(types) as MediaKind[]).flatMap((kind) => types[kind](bytes) ?? []);

const MEGABYTE = 1024 * 1024;
/** The largest file of a kind, in bytes. */
export const largest: Record<MediaKind, number> = {
  picture: 8 * MEGABYTE,
  sound: 20 * MEGABYTE,
  film: 32 * MEGABYTE,
  captions: MEGABYTE / 4,
};

const named: Record<MediaKind, { a: string; forms: string }> = {
  picture: { a: "picture", forms: "a PNG, JPEG, GIF or WebP picture" },
  sound: { a: "sound file", forms: "a WAV, Ogg, MP3, FLAC, WebM or MP4 sound file" },
  film: { a: "film", forms: "a WebM, MP4 or Ogg film" },
  captions: { a: "captions file", forms: "a captions file (WebVTT)" },
};

/**
 * What is said of a file that is too large, with how large it may be.
 * `tooLarge("sound")` gives `"This sound file is larger than 20 MB. Nothing was changed; try a smaller one."`.
 */
export const tooLarge = (kind: MediaKind): string => {
  const most = largest[kind] >= MEGABYTE ? `${largest[kind] / MEGABYTE} MB` : `${largest[kind] / 1024} KB`;
  return `This ${named[kind].a} is larger than ${most}. Nothing was changed; try a smaller one.`;
};
/**
 * What is said of a file whose bytes are something else than its name says.
 * `notOfKind("sound")` gives `"This is not a WAV, Ogg, MP3, FLAC, WebM or MP4 sound file, whatever its name says. Nothing was changed."`.
 */
export const notOfKind = (kind: MediaKind): string =>
  `This is not ${named[kind].forms}, whatever its name says. Nothing was changed.`;
