/**
 * A text file's bytes as text. UTF-8 and UTF-16 are known by their mark or by being well formed; what is neither is taken for
 * Windows-1252, in which spreadsheets on Windows keep their tables. Never gives replacement signs ("J\uFFFDrg").
 */
export function decodeText(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  const unmarked = looksLikeUtf16(bytes);
  if (unmarked) return new TextDecoder(unmarked).decode(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}

/** Every second byte of plain letters in UTF-16 is nought; no text in another encoding has one. */
function looksLikeUtf16(bytes: Uint8Array): "utf-16le" | "utf-16be" | null {
  const first = bytes.subarray(0, 400);
  if (first.length < 4 || first.length % 2 === 1) return null;
  const noughts = (from: 0 | 1) =>
    first.filter((byte, at) => at % 2 === from && byte === 0).length / (first.length / 2);
  if (noughts(1) > 0.7 && noughts(0) === 0) return "utf-16le";
  return noughts(0) > 0.7 && noughts(1) === 0 ? "utf-16be" : null;
}
