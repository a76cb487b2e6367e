import { allQuestions, titleOf } from "./document";
import { parseDocument, DocumentError } from "./schema/document";
import { activityOf, mainActivity } from "./activity";
import { inLanguage } from "../content/language";
import { newStep } from "./edit";
import { newQuestion } from "../question/new-question";
import { isBlank, plainText, richText } from "../content/rich-text";
import { RichText } from "../content/schema/rich-text";
import { passageParts } from "../question/passage";

const counter = () => {
  let n = 0;
  return () => `id${(n += 1)}`;
};

const small = (more: object = {}) => ({
  schema: 1,
  languages: ["en"],
  title: { en: "Knots" },
  kind: "lesson",
  grades: { from: 3, to: 6 },
  subjects: ["writing"],
  licence: "CC-BY-4.0",
  steps: [],
  ...more,
});

describe("the document of a revision", () => {
  test("fills in what was not said", () => {
    expect(parseDocument(small())).toMatchObject({
      summary: {},
      topics: [],
      credits: [],
      devices: ["any"],
      standards: [],
    });
  });

  test("comes back from JSON as it went in", () => {
    const newId = counter();
    const step = newStep("en", "Tie it", newId, [
      { id: newId(), type: "question", question: newQuestion("match", "en", newId) },
    ]);
    const document = parseDocument(small({ steps: [step] }));
    expect(parseDocument(JSON.parse(JSON.stringify(document)))).toEqual(document);
  });

  test.each([
    ["a newer schema", small({ schema: 99 }), "newer version"],
    ["no schema", { ...small(), schema: undefined }, "schema"],
    ["grades the wrong way round", small({ grades: { from: 6, to: 3 } }), "lower grade comes first"],
    ["a grade past 12", small({ grades: { from: 3, to: 13 } }), "grades"],
    ["no subject", small({ subjects: [] }), "subjects"],
    ["an unknown licence", small({ licence: "mine" }), "licence"],
    ["a language that is no tag", small({ languages: ["English!"] }), "language tag"],
    ["nothing", null, "document"],
    ["a list", [], "document"],
  ])("%s is refused, and says why", (_what, value, why) => {
    expect(() => parseDocument(value)).toThrow(DocumentError);
    expect(() => parseDocument(value)).toThrow(new RegExp(why));
  });

  test("an id may not be used twice: answers would be gathered together", () => {
    const newId = counter();
    const step = newStep("en", "One", newId);
    expect(() => parseDocument(small({ steps: [step, step] }))).toThrow(/used twice/);
  });

  test("a picture is a stored file or one of our drawings, never an address", () => {
    const picture = (media: string) =>
      small({
        steps: [
          newStep("en", "x", counter(), [
            { id: "p", type: "picture", media, description: { en: "x" }, decorative: false },
          ]),
        ],
      });
    expect(() => parseDocument(picture("https://elsewhere.example/x.png"))).toThrow(/Not a stored file/);
    expect(() => parseDocument(picture("../../etc/passwd"))).toThrow(/Not a stored file/);
    expect(parseDocument(picture("drawing:tide-harbour")).steps).toHaveLength(1);
    expect(parseDocument(picture("a".repeat(64))).steps).toHaveLength(1);
  });

  test("the title is said in the first language that has one", () => {
    expect(titleOf({ languages: ["es", "en"], title: { en: "Tides", es: "Mareas" } })).toBe("Mareas");
    expect(titleOf({ languages: ["fo"], title: { en: "Tides" } })).toBe("Tides");
    expect(titleOf({ languages: ["en"], title: {} })).toBe("Untitled");
    expect(inLanguage(undefined, ["en"])).toBeUndefined();
  });

  test("questions in a teacher's step are not for students", () => {
    const newId = counter();
    const asking = () =>
      newStep("en", "x", newId, [{ id: newId(), type: "question", question: newQuestion("choice", "en", newId) }]);
    const document = parseDocument(small({ steps: [asking(), { ...asking(), audience: "teacher" }] }));
    expect(allQuestions(document)).toHaveLength(1);
  });
});

describe("rich text", () => {
  test("plain paragraphs become rich text and come back", () => {
    const rich = richText("Look at *Tuesday*.\n\nHow long\nis it?");
    expect(RichText.parse(rich)).toEqual(rich);
    expect(plainText(rich)).toBe("Look at Tuesday.\nHow long is it?");
    expect(rich.content[0]).toMatchObject({
      content: [{ text: "Look at " }, { text: "Tuesday", marks: [{ type: "bold" }] }, { text: "." }],
    });
  });

  test("a script has nothing to hide in", () => {
    const withLink = (href: string) => ({
      type: "doc",
      content: [
        { type: "paragraph", content: [{ type: "text", text: "x", marks: [{ type: "link", attrs: { href } }] }] },
      ],
    });
    for (const href of [
      "javascript:alert(1)",
      "data:text/html,x",
      " javascript:alert(1)",
      "//elsewhere.example",
      "vbscript:x",
    ]) {
      expect(RichText.safeParse(withLink(href)).success).toBe(false);
    }
    expect(RichText.safeParse(withLink("https://skerry.example/tides")).success).toBe(true);
    expect(RichText.safeParse(withLink("/help")).success).toBe(true);
    for (const type of ["html", "script", "iframe", "image"]) {
      expect(RichText.safeParse({ type: "doc", content: [{ type, attrs: {} }] }).success).toBe(false);
    }
  });

  test("attributes nobody knows are dropped", () => {
    const parsed = RichText.parse({
      type: "doc",
      content: [{ type: "paragraph", attrs: { style: "x" }, onclick: "x", content: [] }],
    });
    expect(JSON.stringify(parsed)).not.toContain("onclick");
  });

  test("nothing but spaces is blank", () => {
    expect(isBlank(richText("  \n "))).toBe(true);
    expect(isBlank(undefined)).toBe(true);
    expect(isBlank(richText("x"))).toBe(false);
  });
});

describe("what students do", () => {
  const newId = counter();
  test("a step is about its first thing to do, else about what there is to take in", () => {
    const text = { id: "t", type: "text" as const, text: { en: richText("x") } };
    const asked = { id: "q", type: "question" as const, question: newQuestion("order", "en", newId) };
    expect(mainActivity({ blocks: [text, asked] })).toBe("order");
    expect(mainActivity({ blocks: [text] })).toBe("read");
    expect(mainActivity({ blocks: [] })).toBe("read");
    expect(activityOf({ id: "s", type: "question", question: newQuestion("speech", "en", () => "q") })).toBe("record");
  });
});

test("a passage falls into text and gaps, in order", () => {
  expect(passageParts("The tide is [[g1]] now, [[g2]].")).toEqual([
    { text: "The tide is " },
    { gap: "g1" },
    { text: " now, " },
    { gap: "g2" },
    { text: "." },
  ]);
  expect(passageParts("[not a gap]")).toEqual([{ text: "[not a gap]" }]);
});
