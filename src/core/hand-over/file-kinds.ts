/** What a resource, a pocket or a plan can be saved as. */
export interface FileKind {
  /** In addresses. */
  id: string;
  name: string;
  /** What it is for, as a sentence. */
  use: string;
  ending: string;
  mime: string;
  /** With right answers and the teacher's notes. */
  forTeacher: boolean;
  /** One file holds everything; otherwise each resource is a file of its own, and several come as a zip. */
  holdsAll: boolean;
}

const openXml = "application/vnd.openxmlformats-officedocument";
const kind = (
  ...[id, name, ending, mime, use, more]: [string, string, string, string, string, Partial<FileKind>?]
): FileKind => ({ id, name, ending, mime, use, forTeacher: false, holdsAll: false, ...more });
const all = { holdsAll: true };
const teacher = { forTeacher: true };

/** In the order they are offered, by what they are for. */
export const fileKinds: readonly { title: string; kinds: readonly FileKind[] }[] = [
  {
    title: "To print or change",
    kinds: [
      kind("pdf", "PDF for students", "pdf", "application/pdf", "To print or send. Looks the same everywhere.", all),
      kind("pdf-key", "PDF with answers", "pdf", "application/pdf", "For you or a substitute, with your notes.", {
        ...all,
        ...teacher,
      }),
      kind("docx", "Document (DOCX)", "docx", `${openXml}.wordprocessingml.document`, "To change in a word processor."),
      kind(
        "docx-key",
        "Document with answers (DOCX)",
        "docx",
        `${openXml}.wordprocessingml.document`,
        "The same with answers and your notes.",
        teacher,
      ),
      kind(
        "pptx",
        "Slides (PPTX)",
        "pptx",
        `${openXml}.presentationml.presentation`,
        "A slide or more for each step. Your notes are the speaker’s notes.",
        teacher,
      ),
    ],
  },
  {
    title: "To use without this site",
    kinds: [
      kind(
        "page",
        "One web page (HTML)",
        "html",
        "text/html",
        "Opens in any browser and checks answers without a network. The answers are in the file.",
      ),
      kind("epub", "Book (EPUB)", "epub", "application/epub+zip", "For readers and tablets."),
    ],
  },
  {
    title: "For another system",
    kinds: [
      kind(
        "cartridge-1.3",
        "Common Cartridge 1.3",
        "imscc",
        "application/zip",
        "Most course sites import it: pages, files, questions and their order.",
        all,
      ),
      kind(
        "cartridge-1.1",
        "Common Cartridge 1.1",
        "imscc",
        "application/zip",
        "The same for older course sites.",
        all,
      ),
      kind(
        "cartridge-thin",
        "Thin Common Cartridge",
        "imscc",
        "application/zip",
        "Only links to here, in order. Students do the work here.",
        all,
      ),
      kind(
        "qti-3.0",
        "Questions (QTI 3.0)",
        "zip",
        "application/zip",
        "Questions with their marking, for newer test systems.",
        all,
      ),
      kind("qti-2.1", "Questions (QTI 2.1)", "zip", "application/zip", "The same for most test systems.", all),
      kind(
        "lrmi",
        "Description (LRMI)",
        "jsonld",
        "application/ld+json",
        "Title, grades, standards and licence, for catalogues.",
        all,
      ),
    ],
  },
];

/** `fileKindOf("no such kind")` gives `undefined`. */
export const fileKindOf = (id: string | null): FileKind | undefined =>
  fileKinds.flatMap(({ kinds }) => kinds).find((one) => one.id === id);

/** A file's name from a title: letters, digits and single dashes. `savedName("Ferry fares & times!")` gives `"Ferry-fares-times"`. */
export const savedName = (title: string): string =>
  title
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .slice(0, 60)
    .replace(/^-|-$/g, "") || "lesson";
