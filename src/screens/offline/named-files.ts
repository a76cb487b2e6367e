import { mediaAddress } from "../step/media";

const BUILT = /\/_next\/static\/[\w./~%()[\]-]+\.(?:js|css|woff2?)/g;
const CHUNK = /static\/chunks\/[\w.~-]+\.(?:js|css)/g;
const STORED = /\b[0-9a-f]{64}\b/g;
const SHIPPED = /\b(?:drawing|film|sound|captions):[\w-]+/g;

/** The addresses of everything a page needs beside itself: scripts, styles, and the pictures, sounds and films it names. */
export function filesNamed(page: string): string[] {
  const all = [
    ...(page.match(BUILT) ?? []),
    ...(page.match(CHUNK) ?? []).map((chunk) => `/_next/${chunk}`),
    ...(page.match(STORED) ?? []).map(mediaAddress),
    ...(page.match(SHIPPED) ?? []).map(mediaAddress),
  ];
  return [...new Set(all)];
}
