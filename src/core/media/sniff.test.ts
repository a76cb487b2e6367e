import { pictureType } from "./sniff";

const bytes = (...values: (number | string)[]) =>
  Uint8Array.from(
    values.flatMap((value) => (typeof value === "string" ? [...value].map((letter) => letter.charCodeAt(0)) : [value])),
  );

describe("what a picture file is, by its first bytes", () => {
  test.each([
    ["image/png", bytes(0x89, "PNG", 0x0d, 0x0a, 0x1a, 0x0a, 0)],
    ["image/jpeg", bytes(0xff, 0xd8, 0xff, 0xe0)],
    ["image/gif", bytes("GIF89a")],
    ["image/webp", bytes("RIFF", 0, 0, 0, 0, "WEBPVP8 ")],
  ])("%s", (type, file) => {
    expect(pictureType(file)).toBe(type);
  });

  test.each([
    ["a text", bytes("Just a text named .png")],
    ["an SVG, which could carry script", bytes('<svg xmlns="http://www.w3.org/2000/svg">')],
    ["a page", bytes("<!doctype html>")],
    ["a PNG cut short", bytes(0x89, "PNG")],
    ["nothing", bytes()],
  ])("%s is not taken", (_what, file) => {
    expect(pictureType(file)).toBeNull();
  });
});
