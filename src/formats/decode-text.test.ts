import { decodeText } from "./decode-text";

const text = "Name,Grade\nJörg Åse,5\n";
const utf16 = (big: boolean, mark: boolean) => {
  const bytes = new Uint8Array((text.length + (mark ? 1 : 0)) * 2);
  const view = new DataView(bytes.buffer);
  [...(mark ? [0xfeff] : []), ...[...text].map((sign) => sign.charCodeAt(0))].forEach((unit, at) =>
    view.setUint16(at * 2, unit, !big),
  );
  return bytes;
};

test.each([
  ["UTF-8", new TextEncoder().encode(text)],
  ["UTF-8 with its mark", new TextEncoder().encode(`\uFEFF${text}`)],
  ["UTF-16 as Windows writes it", utf16(false, true)],
  ["UTF-16 the other way round", utf16(true, true)],
  ["UTF-16 without a mark", utf16(false, false)],
  ["Windows-1252", Uint8Array.from([...text].map((sign) => sign.charCodeAt(0)))],
])("names in %s are read as they are written", (_name, bytes) => {
  expect(decodeText(bytes).replace(/^\uFEFF/, "")).toBe(text);
});

test("whatever the bytes, no sign is replaced", () => {
  for (let seed = 0; seed < 200; seed += 1) {
    const bytes = Uint8Array.from({ length: seed }, (_, at) => (at * 73 + seed * 31) % 256);
    if (bytes[0] === 0xff || bytes[0] === 0xfe) continue;
    expect(decodeText(bytes)).not.toContain("\uFFFD");
  }
  expect(decodeText(new Uint8Array())).toBe("");
});
