import { questionFrom } from "@/core/brought/questions";
import { inLanguage } from "@/core/content/language";
import { plainText, richText } from "@/core/content/rich-text";
import { formatAnswer } from "@/core/question/format";
import type { Question, QuestionType } from "@/core/question/question";
import { Question as QuestionSchema } from "@/core/question/schema";
import { writeMarkup } from "../markup";
import { qtiVersions, type QtiVersion } from "../qti/versions";
import { itemOf } from "../qti/write-qti";
import { everyQuestion } from "../testing/outgoing";
import { questionsInXml } from "./from-qti";
import { readXml } from "./xml";

const style = { languages: ["en"], forTeacher: false, place: () => null };
const read = (xml: string) => questionsInXml(readXml(new TextEncoder().encode(xml), "x"));
const newId = (() => {
  let made = 0;
  return () => `n${(made += 1)}`;
})();
/** A question of ours as an item, read again and made a question of ours. */
function again(question: Question, version: QtiVersion): Question {
  const item = itemOf(question, { identifier: "i", title: "A title" }, style, version);
  const [asked] = read(writeMarkup(item)).questions;
  return questionFrom(asked!, "en", newId);
}
const of = (type: QuestionType) => everyQuestion().find((question) => question.type === type)!;

describe.each(qtiVersions)("a question goes out as QTI %s and comes in again", (version) => {
  test.each<QuestionType>(["choice", "choices", "order", "match", "groups", "line", "gaps", "highlight"])(
    "%s: of the same type, with the same right answer, marks and feedback",
    (type) => {
      const question = {
        ...of(type),
        feedback: { general: { en: richText("The moon pulls the water.") } },
      } as Question;
      const made = again(question, version);
      expect(QuestionSchema.safeParse(made).success).toBe(true);
      expect(made.type).toBe(type);
      expect(formatAnswer(made, ["en"])).toBe(formatAnswer(question, ["en"]));
      expect(made.marks).toBe(4);
      expect(plainText(inLanguage(made.prompt, ["en"]))).toContain("& why?");
      expect(plainText(inLanguage(made.feedback?.general, ["en"]))).toBe("The moon pulls the water.");
    },
  );

  test("a short answer keeps every answer that earns all its marks", () => {
    const question = {
      ...of("shortText"),
      accepted: [
        { text: "high water", share: 1 },
        { text: "high tide", share: 1 },
        { text: "high", share: 0.5 },
      ],
    } as Question;
    expect(again(question, version)).toMatchObject({ accepted: [{ text: "high water" }, { text: "high tide" }] });
  });

  test("what is photographed or spoken comes in as something that is sent, to be read by a person", () => {
    for (const type of ["photo", "sketch"] as const) expect(again(of(type), version).type).toBe("photo");
  });

  test("labels become pairs, several numbers gaps; what a person reads stays a text", () => {
    expect(again(of("labels"), version).type).toBe("match");
    expect(again(of("bars"), version)).toMatchObject({
      type: "gaps",
      gaps: [{ accepted: ["3"] }, { accepted: ["5"] }],
    });
    expect(again(of("longText"), version).type).toBe("longText");
  });
});

describe("an item of another program", () => {
  const item = (declarations: string, body: string, more = "") =>
    `<assessmentItem identifier="i" title="Tides">${declarations}<itemBody>${body}</itemBody>${more}</assessmentItem>`;

  test("with gaps in a text: what stands around them is the passage, what stands before is what is asked", () => {
    const gap = (id: string, right: string) =>
      `<responseDeclaration identifier="${id}" cardinality="single" baseType="string"><correctResponse><value>${right}</value></correctResponse></responseDeclaration>`;
    const [asked] = read(
      item(
        gap("A", "moon") + gap("B", "twice"),
        `<p>Fill in.</p><p>The <b>sea</b> follows the <textEntryInteraction responseIdentifier="A"/> and rises <textEntryInteraction responseIdentifier="B"/> a day.</p>`,
      ),
    ).questions;
    expect(asked!.ask).toBe("Fill in.");
    const made = questionFrom(asked!, "en", newId) as Extract<Question, { type: "gaps" }>;
    const [one, two] = made.gaps.map(({ id }) => id);
    expect(made.passage.en!.trim()).toBe(`The sea follows the [[${one}]] and rises [[${two}]] a day.`);
  });

  test("in which whole phrases are marked: their words are right, and the rest is the passage", () => {
    const right = `<responseDeclaration identifier="R" cardinality="multiple" baseType="identifier"><correctResponse><value>b</value></correctResponse></responseDeclaration>`;
    const hot = `<hottextInteraction responseIdentifier="R"><prompt>Mark what pulls the sea.</prompt><p>At <hottext identifier="a">full moon</hottext> <hottext identifier="b">the sun and the moon</hottext> pull together.</p></hottextInteraction>`;
    const [asked] = read(item(right, hot)).questions;
    expect(asked!.ask).toBe("Mark what pulls the sea.");
    const made = questionFrom(asked!, "en", newId) as Extract<Question, { type: "highlight" }>;
    expect(made.passage.en!.trim()).toBe("At full moon the sun and the moon pull together.");
    expect(made.right.en).toEqual([3, 4, 5, 6, 7]);
    // Where nothing is said to be right, somebody reads it, with all of the passage.
    const open = questionFrom(read(item("", hot)).questions[0]!, "en", newId);
    expect(open.type).toBe("longText");
    expect(plainText(inLanguage(open.prompt, ["en"]))).toContain("the sun and the moon");
  });

  test("that is sent as a sound is spoken", () => {
    const upload = `<p>Read it aloud.</p><uploadInteraction responseIdentifier="R" type="audio/mpeg"/>`;
    expect(questionFrom(read(item("", upload)).questions[0]!, "en", newId)).toMatchObject({ type: "speech" });
  });

  test("which says nothing of what is right, or something that is not there, becomes a text and loses nothing of what it asks", () => {
    const order = `<orderInteraction responseIdentifier="R"><prompt>Put them in order.</prompt><simpleChoice identifier="a">ebb</simpleChoice></orderInteraction>`;
    const [asked] = read(item("", order)).questions;
    const made = questionFrom(asked!, "en", newId);
    expect(made.type).toBe("longText");
    expect(plainText(inLanguage(made.prompt, ["en"]))).toBe("Put them in order.\nebb");
    const pairs = `<responseDeclaration identifier="R" cardinality="multiple" baseType="directedPair"><correctResponse><value>a z</value></correctResponse></responseDeclaration>`;
    const match = `<matchInteraction responseIdentifier="R"><simpleMatchSet><simpleAssociableChoice identifier="a">A</simpleAssociableChoice></simpleMatchSet><simpleMatchSet><simpleAssociableChoice identifier="b">B</simpleAssociableChoice></simpleMatchSet></matchInteraction>`;
    const [broken] = read(item(pairs, match)).questions;
    expect(questionFrom(broken!, "en", newId).type).toBe("longText");
  });

  test("with a line that goes nowhere is no line", () => {
    const right = `<responseDeclaration identifier="R" cardinality="single" baseType="float"><correctResponse><value>3</value></correctResponse></responseDeclaration>`;
    const slider = (bounds: string) =>
      read(item(right, `<p>Where?</p><sliderInteraction responseIdentifier="R" ${bounds}/>`)).questions[0]!;
    expect(questionFrom(slider('lowerBound="0" upperBound="10" step="1"'), "en", newId)).toMatchObject({
      type: "line",
      right: 3,
    });
    for (const bounds of [
      'lowerBound="5" upperBound="5"',
      'lowerBound="0" upperBound="9999999" step="1"',
      'lowerBound="x"',
    ])
      expect(questionFrom(slider(bounds), "en", newId).type).toBe("longText");
  });

  test("worth more than a question here can be says nothing of marks", () => {
    const score = (most: string) =>
      `<outcomeDeclaration identifier="SCORE" cardinality="single" baseType="float" normalMaximum="${most}"/>`;
    const marks = (most: string) =>
      read(item(score(most), "<p>Why?</p><extendedTextInteraction responseIdentifier='R'/>")).questions[0]!.marks;
    expect([marks("5"), marks("500"), marks("-1"), marks("many")]).toEqual([5, null, null, null]);
  });
});
