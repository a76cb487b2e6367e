import { filesNamed } from "./named-files";

const hash = "ab".repeat(32);

test("a page names its scripts, styles and letters, and whatever the work shows", () => {
  const page = `<link href="/_next/static/chunks/0a-b_1.css"><script src="/_next/static/chunks/main~9.js"></script>
    <script>self.x.push([1,"[\\"static/chunks/later.js\\",\\"/_next/static/media/andika.woff2\\"]"])</script>
    {"picture":"${hash}","on":"drawing:kelp","film":{"media":"film:a-tide-in-a-minute"},"voice":"sound:gull"}`;
  expect(filesNamed(page).sort()).toEqual(
    [
      "/_next/static/chunks/0a-b_1.css",
      "/_next/static/chunks/later.js",
      "/_next/static/chunks/main~9.js",
      "/_next/static/media/andika.woff2",
      "/drawings/kelp.svg",
      "/films/a-tide-in-a-minute.webm",
      `/media/${hash}`,
      "/sounds/gull.ogg",
    ].sort(),
  );
});

test("each is named once, and nothing of another place is", () => {
  const page = `${hash} ${hash} https://elsewhere.example/picture.png "/student/12" ${"a".repeat(63)}`;
  expect(filesNamed(page)).toEqual([`/media/${hash}`]);
});
