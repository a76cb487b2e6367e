import { strFromU8, unzipSync } from "fflate";
import { inPaperOrder } from "@/core/resource/paper";
import { documentReport } from "@/core/report/document-report";
import { readBrought } from "./brought/read-brought";
import { writeDocx } from "./docx/write-docx";
import { writePptx } from "./pptx/write-pptx";
import { bytesOf, everythingLesson, pictureHash } from "./testing/outgoing";

const report = async (forTeacher: boolean) =>
  documentReport(inPaperOrder(everythingLesson()), {
    ...{ author: "Ines Halloran", forTeacher },
    pictures: new Map([[pictureHash, await bytesOf(pictureHash)]]),
  });
const textOf = (bytes: Uint8Array, name: RegExp) =>
  Object.entries(unzipSync(bytes))
    .filter(([file]) => name.test(file))
    .map(([, part]) => strFromU8(part).replace(/<[^>]+>/g, " "))
    .join(" ");

test("the students' paper has what is asked, what there is to choose from and lines to write on; no answer, no note", async () => {
  const text = JSON.stringify((await report(false)).sections);
  for (const there of ["Look closely.", "a) ", '"lines"', "High water at 4 < 5.", "Made from “Tides” by Teodor Brandt"])
    expect(text).toContain(there);
  for (const away of ["Answer:", "Only for me"]) expect(text).not.toContain(away);
  const key = JSON.stringify((await report(true)).sections);
  for (const answer of ["High water or high (in part)", "low", "ebb → high → low"])
    expect(key).toContain(`Answer: ${answer}`);
  expect(key).toContain("For you: Only for me.");
});

test("as a document it has headings, tables and pictures with their descriptions, is the same bytes each time, and comes in again", async () => {
  const bytes = await writeDocx(await report(false));
  expect(Buffer.compare(await writeDocx(await report(false)), bytes)).toBe(0);
  const document = strFromU8(unzipSync(bytes)["word/document.xml"]!);
  expect(document).toContain('w:val="Heading2"');
  expect(document).toContain('descr="A boat “afloat”"');
  const brought = await readBrought(bytes, "lesson.docx");
  expect(brought.kind).toBe("a document");
  expect(brought.pages.flatMap(({ blocks }) => blocks.filter(({ kind }) => kind === "table"))).not.toEqual([]);
});

test("as slides each step is one or more, her notes are the speaker's, and it comes in again", async () => {
  const bytes = await writePptx(await report(true));
  expect(Buffer.compare(await writePptx(await report(true)), bytes)).toBe(0);
  expect(textOf(bytes, /notesSlides\/notesSlide\d+\.xml$/)).toContain("Only for me.");
  const brought = await readBrought(bytes, "lesson.pptx");
  expect(brought.pages.map(({ title }) => title)).toEqual(expect.arrayContaining(["Reading a tide table", "Look"]));
  expect(brought.pages.some(({ notes }) => notes.includes("Only for me."))).toBe(true);
  expect(brought.pictures.length).toBeGreaterThan(0);
});
