import { newQuestion } from "../../new-question";
import { fieldsOf, headingAt, headingsOf } from "./fields";
import { noteTemplates } from "../../../content/vocabulary";
import type { QuestionOf } from "../../question";
import { isBlankResponse } from "../../mark";
import { markStored as mark } from "../../testing/stored";
import { formatResponse } from "../../format";

let n = 0;
const page = (more: Partial<QuestionOf<"notePage">> = {}): QuestionOf<"notePage"> => ({
  ...(newQuestion("notePage", "en", () => `n${(n += 1)}`) as QuestionOf<"notePage">),
  ...more,
});

describe("a page for notes", () => {
  test("every field of every page has an id and a name of its own", () => {
    for (const template of noteTemplates) {
      const fields = fieldsOf(page({ template }), ["en"]);
      expect(fields.length).toBeGreaterThan(0);
      expect(new Set(fields.map(({ id }) => id)).size).toBe(fields.length);
      expect(new Set(fields.map(({ name }) => name)).size).toBe(fields.length);
    }
  });

  test.each<[(typeof noteTemplates)[number], number]>([
    ["blank", 1],
    ["two columns", 2 * 3 + 1],
    ["compare", 3],
    ["sequence", 3],
    ["word map", 1 + 3],
    ["data table", 3 * 3],
  ])("%s of three has %i fields", (template, count) => {
    expect(fieldsOf(page({ template, count: 3 }), ["en"])).toHaveLength(count);
  });

  test("headings are hers, in the language that is read, or the page's own", () => {
    const own = page({ template: "compare", headings: [{ en: "Gull", es: "Gaviota" }] });
    expect(headingAt(own, 0, ["es", "en"])).toBe("Gaviota");
    expect(headingAt(own, 1, ["es", "en"])).toBe("Both");
    expect(fieldsOf(own, ["en"]).map(({ name }) => name)).toEqual(["Gull", "Both", "Only the second"]);
  });

  test("a table has as many columns as it has headings, three when she writes none", () => {
    expect(headingsOf(page({ template: "data table" }))).toBe(3);
    expect(headingsOf(page({ template: "data table", headings: [{}, {}, {}, {}] }))).toBe(4);
    expect(headingsOf(page({ template: "data table", headings: [{}] }))).toBe(2);
  });

  test("answers keep their places when a heading is rewritten", () => {
    const ids = (question: QuestionOf<"notePage">) => fieldsOf(question, ["en"]).map(({ id }) => id);
    expect(ids(page({ headings: [{ en: "Seen" }] }))).toEqual(ids(page({ headings: [{ en: "Heard" }] })));
  });

  test("what was noted is said with its heading; empty pages are blank, full ones a person reads", () => {
    const notes = page({ template: "compare" });
    expect(formatResponse(notes, { first: "dives", both: " ", second: "glides" }, ["en"])).toBe(
      "Only the first: dives · Only the second: glides",
    );
    expect(isBlankResponse("notePage", { first: " ", both: "" })).toBe(true);
    expect(mark(notes, { first: " " }).verdict).toBe("blank");
    expect(mark(notes, { first: "dives" })).toMatchObject({ verdict: "to read", marks: null });
  });
});

describe("what is photographed, spoken or voted", () => {
  const of = <Type extends "photo" | "speech" | "poll">(type: Type) =>
    newQuestion(type, "en", () => `n${(n += 1)}`) as QuestionOf<Type>;
  const file = "a".repeat(64);

  test("is read by a person, or by nobody, and never marked", () => {
    expect(mark(of("photo"), [file])).toMatchObject({ verdict: "to read", marks: null });
    expect(mark(of("speech"), { media: file, seconds: 4 })).toMatchObject({ verdict: "to read", marks: null });
    const poll = of("poll");
    expect(mark(poll, poll.options[0]!.id)).toMatchObject({ verdict: "to read", marks: null });
  });

  test("is blank when there is nothing, or nothing any more", () => {
    expect(mark(of("photo"), []).verdict).toBe("blank");
    expect(mark(of("speech"), { media: "", seconds: 0 }).verdict).toBe("blank");
    expect(mark(of("poll"), undefined).verdict).toBe("blank");
  });

  test("is said in words for lists and for those who do not see it", () => {
    expect(formatResponse(of("photo"), [file], ["en"])).toBe("a photograph");
    expect(formatResponse(of("photo"), [file, file], ["en"])).toBe("2 photographs");
    expect(formatResponse(of("speech"), { media: file, seconds: 64.4 }, ["en"])).toBe("a recording of 1:04");
    const poll = { ...of("poll"), options: [{ id: "y", text: { en: "Yes", es: "Sí" } }] };
    expect(formatResponse(poll, "y", ["es", "en"])).toBe("Sí");
  });

  test.each([
    ["photo", ["../../etc/passwd"]],
    ["photo", ["drawing:boat-plan"]],
    ["photo", Array(7).fill(file)],
    ["speech", { media: file, seconds: 9999 }],
    ["speech", { media: "https://skerry.example/a.wav", seconds: 3 }],
    ["poll", 3],
  ] as const)("%s: %j is no answer", (type, value) => {
    expect(mark(of(type), value).verdict).toBe("blank");
  });
});
