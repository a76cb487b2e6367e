import { everyQuestion, everythingLesson, pictureHash } from "@/formats/testing/outgoing";
import type { Block } from "../resource/block";
import { documentReport } from "./document-report";
import { bringsItsOwn, type ReportBlock } from "./report";

const of = (more: object = {}) => ({
  author: "Ines Halloran",
  forTeacher: false,
  pictures: new Map<string, Uint8Array>(),
  ...more,
});
const document = everythingLesson();
const withBlocks = (...blocks: object[]) => ({
  ...document,
  steps: [{ ...document.steps[0]!, blocks: blocks.map((block, at) => ({ id: `b${at}`, ...block })) as Block[] }],
});
const blocksOf = (...blocks: object[]): readonly ReportBlock[] =>
  documentReport(withBlocks(...blocks), of()).sections[1]!.blocks.slice(1);

test("the first section says what it is and whose, each step is one below it", () => {
  const { title, sections } = documentReport(document, of());
  expect(title).toBe("Reading a tide table");
  expect(sections.map((section) => [section.title, section.goesOn ?? false])).toEqual([
    ["Reading a tide table", false],
    ["Look", true],
    ["Answer", true],
  ]);
  expect(sections[0]!.blocks).toEqual([
    { kind: "text", text: "About high water." },
    { kind: "text", soft: true, text: "By Ines Halloran, CC-BY-4.0." },
    { kind: "text", soft: true, text: "Made from “Tides” by Teodor Brandt (CC-BY-4.0)." },
  ]);
});

test("text keeps headings and lists; lines of an ordered list bring their numbers", () => {
  const item = (text: string) => ({
    type: "listItem",
    content: [{ type: "paragraph", content: [{ type: "text", text }] }],
  });
  const rich = {
    type: "doc",
    content: [
      { type: "heading", attrs: { level: 2 }, content: [{ type: "text", text: "Tides" }] },
      { type: "orderedList", attrs: { start: 3 }, content: [item("ebb"), item("flood")] },
      { type: "blockquote", content: [{ type: "paragraph", content: [{ type: "text", text: "Wait." }] }] },
    ],
  };
  expect(blocksOf({ type: "text", text: { en: rich } })).toEqual([
    { kind: "heading", text: "Tides" },
    { kind: "list", lines: ["3. ebb", "4. flood"] },
    { kind: "text", text: "Wait." },
  ]);
});

test("a picture is there with its description, or its description stands for it", () => {
  const picture = {
    type: "picture",
    media: pictureHash,
    decorative: false,
    description: { en: "A boat" },
    caption: { en: "Afloat" },
  };
  const bytes = Uint8Array.from([1]);
  const shown = documentReport(withBlocks(picture), of({ pictures: new Map([[pictureHash, bytes]]) }));
  expect(shown.sections[1]!.blocks.slice(1)).toEqual([
    { kind: "picture", bytes, text: "A boat" },
    { kind: "text", text: "Afloat" },
  ]);
  expect(blocksOf(picture)).toEqual([
    { kind: "text", text: "A boat" },
    { kind: "text", text: "Afloat" },
  ]);
});

test("what paper cannot play or try out is named, and a link has its address", () => {
  expect(
    blocksOf(
      { type: "film", media: "film:tide", title: { en: "The tide" }, captions: {}, stops: [] },
      { type: "sound", media: "sound:bell" },
      { type: "link", href: "https://harbour.example", label: { en: "The office" } },
      { type: "manipulative", tool: { tool: "clock", from: 0, to: 60 } },
    ),
  ).toEqual(
    ["Film: The tide", "A recording, to listen to on a device.", "The office: https://harbour.example"].map((text) => ({
      ...{ kind: "text", text },
    })),
  );
});

test("a formula is there in TeX for what can show it, within its sentence too, and in words for the rest", () => {
  const sentence = {
    type: "paragraph" as const,
    content: [
      { type: "text" as const, text: "Half is " },
      { type: "maths" as const, attrs: { tex: "\\frac12", spoken: "one half" } },
    ],
  };
  expect(
    blocksOf(
      { type: "maths", tex: "x^2", spoken: { en: "x squared" } },
      { type: "text", text: { en: { type: "doc", content: [sentence] } } },
    ),
  ).toEqual([
    { kind: "text", text: "x squared", parts: [{ tex: "x^2", text: "x squared" }] },
    {
      ...{ kind: "text", text: "Half is one half" },
      parts: [{ text: "Half is " }, { tex: "\\frac12", text: "one half" }],
    },
  ]);
});

describe("a question", () => {
  const asked = (forTeacher: boolean) =>
    documentReport(document, of({ forTeacher })).sections[2]!.blocks.filter(({ kind }) => kind !== "picture");

  test("has choices with letters, numbers against letters where things are paired, and room to write where there are none", () => {
    const lists = asked(false).flatMap((block) => (block.kind === "list" ? [block.lines] : []));
    expect(lists).toContainEqual(["a) high", "b) low", "c) ebb"]);
    expect(lists).toContainEqual(["1. high", "2. low"]);
    expect(lists.flat().every(bringsItsOwn)).toBe(true);
    const lines = asked(false).flatMap((block) => (block.kind === "lines" ? [block.count] : []));
    expect(Math.min(...lines)).toBeGreaterThan(0);
    expect(JSON.stringify(asked(false))).not.toMatch(/\[\[\w+\]\]/);
    expect(asked(false)).toContainEqual({ kind: "text", text: "The __________ is __________ (high / low) now." });
  });

  test("says what is right on the key only, for every type", () => {
    const answers = asked(true).filter((block) => block.kind === "text" && block.text.startsWith("Answer: "));
    expect(answers).toHaveLength(everyQuestion().length);
    expect(asked(true).some(({ kind }) => kind === "lines")).toBe(false);
    expect(JSON.stringify(asked(false))).not.toContain("Answer: ");
  });
});
