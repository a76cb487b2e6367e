import { strFromU8, unzipSync } from "fflate";
import { readBrought } from "../brought/read-brought";
import { allOf, bytesOf, everythingLesson, outgoingLesson } from "../testing/outgoing";
import { writeEpub } from "./write-epub";

const outgoing = outgoingLesson();
const [, lesson] = outgoing.topics[0]!.resources;
const book = () => allOf(writeEpub(lesson!, outgoing.files, bytesOf));

test("a book begins with what it is, unpacked, and has a chapter for each step", async () => {
  const bytes = await book();
  // As readers find it without unpacking: the name after 30 bytes of head, then what it says.
  expect(strFromU8(bytes.subarray(30, 58), true)).toBe("mimetypeapplication/epub+zip");
  const files = unzipSync(bytes);
  const nav = strFromU8(files["book/nav.xhtml"]!);
  expect([...nav.matchAll(/href="(step-\d+\.xhtml)">([^<]+)</g)].map(([, href, title]) => [href, title])).toEqual([
    ["step-1.xhtml", "Look"],
    ["step-2.xhtml", "Answer"],
  ]);
  expect(strFromU8(files["book/package.opf"]!)).toContain('properties="mathml"');
  expect(Buffer.compare(await book(), bytes)).toBe(0);
});

test("nobody's answers and notes are in it, and it comes in again", async () => {
  const files = unzipSync(await book());
  const all = Object.entries(files)
    .filter(([name]) => name.endsWith(".xhtml"))
    .map(([, bytes]) => strFromU8(bytes))
    .join("");
  expect(all).not.toMatch(/Only for me|Answer:/);
  const brought = await readBrought(await book(), "book.epub");
  expect(brought.kind).toBe("a book");
  expect(brought.pages.map(({ title }) => title)).toContain("Answer");
  expect(brought.pictures.length).toBeGreaterThan(0);
  expect(everythingLesson().title.en).toBe(brought.title);
});
