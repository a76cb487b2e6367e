import type { RichText } from "@/core/content/schema/rich-text";
import type { Block } from "@/core/resource/block";
import { writeMarkup } from "../markup";
import { everyQuestion, everythingLesson } from "../testing/outgoing";
import { blockMarkup, questionMarkup, type PageStyle } from "./block-markup";
import { creditMarkup, htmlPage, stepMarkup } from "./page-markup";
import { mathMarkup, richMarkup } from "./rich-markup";

const style: PageStyle = { languages: ["en"], forTeacher: false, place: (reference) => `media/${reference}` };
const nowhere: PageStyle = { ...style, place: () => null };
const html = (markup: ReturnType<typeof richMarkup>) => markup.map((one) => writeMarkup(one)).join("");
const block = (more: object, how = style) => html(blockMarkup({ id: "b", ...more } as Block, how));

describe("rich text", () => {
  const rich = (...content: object[]): RichText => ({ type: "doc", content: content as never });
  const paragraph = (...content: object[]) => ({ type: "paragraph", content });

  test("keeps headings, lists, quotes, bold, italic, underlined and links", () => {
    const text = (words: string, ...marks: object[]) => ({ type: "text", text: words, marks });
    expect(
      html(
        richMarkup(
          rich(
            { type: "heading", attrs: { level: 3 }, content: [text("Tides")] },
            paragraph(text("a", { type: "bold" }, { type: "italic" }), text("b", { type: "underline" })),
            paragraph(text("c", { type: "link", attrs: { href: "https://a.example/?x=1&y=2" } }), {
              type: "hardBreak",
            }),
            {
              type: "orderedList",
              attrs: { start: 3 },
              content: [{ type: "listItem", content: [paragraph(text("d"))] }],
            },
            { type: "blockquote", content: [paragraph(text("e"))] },
          ),
        ),
      ),
    ).toBe(
      '<h3>Tides</h3><p><em><strong>a</strong></em><span class="underlined">b</span></p><p><a href="https://a.example/?x=1&amp;y=2">c</a><br/></p><ol start="3"><li><p>d</p></li></ol><blockquote><p>e</p></blockquote>',
    );
  });

  test("formulas are MathML, and what cannot be set is read as it is spoken", () => {
    expect(writeMarkup(mathMarkup("\\frac{1}{2}", "one half"))).toMatch(/^<math .*<mfrac>.*<\/math>$/);
    expect(writeMarkup(mathMarkup("\\frac{1", "one half"))).toBe("one half");
  });

  test("what a child presses is nothing on a page", () => {
    expect(html(richMarkup(rich(paragraph({ type: "cue", attrs: { cue: "draw" } }))))).toBe("<p/>");
  });
});

describe("a thing of a step", () => {
  test("a picture has its description and what stands below it; one that does not come along is told", () => {
    const picture = {
      type: "picture",
      media: "m",
      decorative: false,
      description: { en: "A boat" },
      caption: { en: "Afloat" },
    };
    expect(block(picture)).toBe('<figure><img src="media/m" alt="A boat"/><figcaption>Afloat</figcaption></figure>');
    expect(block(picture, nowhere)).toBe("<p>A boat</p>");
    expect(block({ ...picture, decorative: true })).toContain('alt=""');
  });

  test("a table has its head, and its first column where it is one", () => {
    const table = {
      type: "table",
      rows: {
        en: [
          ["", "High"],
          ["Mon", "4:12"],
        ],
      },
      headerRow: true,
      headerColumn: true,
    };
    expect(block(table)).toBe(
      "<table><thead><tr><th></th><th>High</th></tr></thead><tbody><tr><th>Mon</th><td>4:12</td></tr></tbody></table>",
    );
    expect(block({ ...table, headerRow: false, headerColumn: false })).not.toContain("th");
  });

  test("sounds and films can be played, and are told where they do not come along", () => {
    const sound = { type: "sound", media: "s", transcript: { en: "The bell rings." } };
    expect(block(sound)).toBe('<p><audio src="media/s" controls="controls"/></p><p>The bell rings.</p>');
    expect(block(sound, nowhere)).toBe("<p>The bell rings.</p>");
    const [question] = everyQuestion();
    const film = { type: "film", media: "f", captions: {}, stops: [{ id: "x", at: 3, question, maySkip: false }] };
    expect(block(film)).toContain("<video");
    expect(block(film)).toContain("Which is it");
  });

  test("links, files, drawings and things to try out are named", () => {
    expect(block({ type: "link", href: "https://a.example", label: {} })).toBe(
      '<p><a href="https://a.example">https://a.example</a></p>',
    );
    expect(block({ type: "file", media: "m", label: { en: "The plan" } })).toBe(
      '<p><a href="media/m">The plan</a></p>',
    );
    expect(block({ type: "file", media: "m", label: {} }, nowhere)).toBe("<p>A file</p>");
    const words = { id: "w", type: "words", ink: "black", x: 0, y: 0, size: 20, turn: 0, text: { en: "quay" } };
    expect(block({ type: "drawing", drawing: { height: 100, description: { en: "A map" }, items: [words] } })).toBe(
      "<p>A map: quay</p>",
    );
    expect(block({ type: "manipulative", tool: { tool: "clock", from: 0, to: 60 } })).toContain("clock");
  });
});

describe("a question on a page", () => {
  test("says what there is to choose from, and what is right only to the teacher", () => {
    for (const question of everyQuestion()) {
      const student = writeMarkup(questionMarkup(question, style));
      expect([question.type, student.includes("Answer:")]).toEqual([question.type, false]);
      expect(student).toContain("&amp; why?");
      expect(writeMarkup(questionMarkup(question, { ...style, forTeacher: true }))).toContain("Answer: ");
    }
  });

  test("gaps are lines to fill, never the names of gaps", () => {
    const gaps = everyQuestion().filter(({ type }) => type === "gaps" || type === "cells");
    const written = gaps.map((question) => writeMarkup(questionMarkup(question, style))).join("");
    expect(written).toContain("The __________ is __________ (high / low) now.");
    expect(written).not.toContain("[[");
  });
});

test("a page has its language, its title and the credits; the teacher's has her notes", () => {
  const document = everythingLesson();
  const [step] = document.steps;
  const page = (forTeacher: boolean) =>
    htmlPage({ title: "Tides & ships", language: "en" }, [
      ...stepMarkup(step!, { ...style, forTeacher }),
      ...creditMarkup(document, "Ines Halloran"),
    ]);
  expect(page(false)).toContain('lang="en" xml:lang="en"');
  expect(page(false)).toContain("<title>Tides &amp; ships</title>");
  expect(page(false)).toContain("Made from “Tides” by Teodor Brandt (CC-BY-4.0).");
  expect(page(false)).not.toContain("Only for me");
  expect(page(true)).toContain("For the teacher");
  expect(page(true)).toContain("Only for me.");
});
