import { largest, mediaType, notOfKind, tooLarge, type MediaKind } from "./sniff";

const bytes = (...values: (number | string)[]) =>
  Uint8Array.from(
    values.flatMap((value) => (typeof value === "string" ? [...value].map((letter) => letter.charCodeAt(0)) : [value])),
  );
const wave = bytes("RIFF", 0, 0, 0, 0, "WAVEfmt ");
const matroska = bytes(0x1a, 0x45, 0xdf, 0xa3, 0x93);
const isoMedia = bytes(0, 0, 0, 24, "ftypisom");

describe("what a file is, by its first bytes", () => {
  test.each<[MediaKind, string, Uint8Array]>([
    ["picture", "image/png", bytes(0x89, "PNG", 0x0d, 0x0a, 0x1a, 0x0a, 0)],
    ["picture", "image/jpeg", bytes(0xff, 0xd8, 0xff, 0xe0)],
    ["picture", "image/gif", bytes("GIF89a")],
    ["picture", "image/webp", bytes("RIFF", 0, 0, 0, 0, "WEBPVP8 ")],
    ["sound", "audio/wav", wave],
    ["sound", "audio/ogg", bytes("OggS", 0)],
    ["sound", "audio/flac", bytes("fLaC", 0)],
    ["sound", "audio/mpeg", bytes("ID3", 4)],
    ["sound", "audio/mpeg", bytes(0xff, 0xfb, 0x90)],
    ["sound", "audio/webm", matroska],
    ["sound", "audio/mp4", isoMedia],
    ["film", "video/webm", matroska],
    ["film", "video/mp4", isoMedia],
    ["captions", "text/vtt", bytes("WEBVTT\n")],
    ["captions", "text/vtt", bytes(0xef, 0xbb, 0xbf, "WEBVTT\n")],
  ])("a %s: %s", (kind, type, file) => {
    expect(mediaType(kind, file)).toBe(type);
  });

  test.each<[string, MediaKind, Uint8Array]>([
    ["a text named .png", "picture", bytes("Just a text named .png")],
    ["an SVG, which could carry script", "picture", bytes('<svg xmlns="http://www.w3.org/2000/svg">')],
    ["a page", "film", bytes("<!doctype html>")],
    ["a PNG cut short", "picture", bytes(0x89, "PNG")],
    ["a sound as a picture", "picture", wave],
    ["a picture as a sound", "sound", bytes("RIFF", 0, 0, 0, 0, "WEBPVP8 ")],
    ["captions of another form", "captions", bytes("1\n00:00:01,000 --> 00:00:02,000")],
    ["nothing", "sound", bytes()],
  ])("%s is not taken", (_what, kind, file) => {
    expect(mediaType(kind, file)).toBeNull();
  });

  test("what is refused says why, and that nothing was changed", () => {
    for (const kind of Object.keys(largest) as MediaKind[])
      for (const said of [tooLarge(kind), notOfKind(kind)]) expect(said).toMatch(/^This .*Nothing was changed/);
    expect(tooLarge("film")).toContain("32 MB");
    expect(tooLarge("captions")).toContain("256 KB");
  });
});
