import { mark } from "@/core/question/mark";
import type { Question, ResponseValue } from "@/core/question/question";
import en from "@/messages/en.json";
import { bytesOf, everyQuestion, outgoingLesson } from "../testing/outgoing";
import { questionForm } from "./question-form";
import { responseFrom } from "./read-form";
import { writeOnePage } from "./write-one-page";

const words = en.question;
const questions = new Map(everyQuestion().map((question) => [question.type, question]));
const of = <Type extends Question["type"]>(type: Type) => questions.get(type) as Extract<Question, { type: Type }>;
const outgoing = outgoingLesson();
const [, lesson] = outgoing.topics[0]!.resources;
const page = (largest = 1000, checker = "check()") =>
  writeOnePage(lesson!, outgoing.files, bytesOf, { words, checker, largest });

test("the page has everything in it and asks for nothing from anywhere", async () => {
  const html = await page();
  expect(html).toContain("default-src 'none'");
  expect(html).toContain('src="data:image/png;base64,');
  expect(html).not.toMatch(/(?:src|href)="(?!data:|https:\/\/harbour\.example)/);
  expect(html).not.toContain("Only for me");
  expect(html).toContain("<script>check()</script>");
});

test("a text that looks like the end of a script ends none", async () => {
  const resource = {
    ...lesson!,
    document: {
      ...lesson!.document,
      steps: lesson!.document.steps.map((step) => ({ ...step, title: { en: "</script><script>alert(1)" } })),
    },
  };
  const html = await writeOnePage(resource, outgoing.files, bytesOf, { words, checker: "", largest: 0 });
  expect(html).not.toContain("alert(1)</h2><script>");
  expect(html.match(/<script/g)).toHaveLength(2);
});

test("what is too large for one page is told in words instead", async () => {
  const html = await page(10);
  expect(html).not.toContain("data:image/png");
  expect(html).toContain("A boat “afloat”");
});

test("every question has controls or says that it is answered elsewhere", () => {
  const style = { languages: ["en"], forTeacher: false, place: () => "data:x" };
  const without = everyQuestion().filter((question) => questionForm(question, style, words) === null);
  expect(without.map(({ type }) => type).toSorted()).toEqual(["clip", "photo", "sketch", "speech"]);
});

describe("what stands in the controls is the answer the marking knows", () => {
  const order = of("order");
  const match = of("match");
  const place = (id: string, list: readonly string[]) => String(list.indexOf(id) + 1);
  const cases: [Question, Record<string, string | boolean>, ResponseValue][] = [
    [of("choice"), { [of("choice").options[0]!.id]: false, [of("choice").right!]: true }, of("choice").right!],
    [
      of("choices"),
      Object.fromEntries(of("choices").options.map(({ id }) => [id, of("choices").right.includes(id)])),
      of("choices").right,
    ],
    [of("shortText"), { answer: " High water " }, "High water"],
    [of("number"), { p: "4.2" }, { p: { number: "4.2" } }],
    [of("line"), { answer: "7" }, 7],
    [of("bars"), { b1: "3", b2: "5" }, { b1: 3, b2: 5 }],
    [of("gaps"), { a: "tide", b: "high" }, { a: "tide", b: "high" }],
    [of("cells"), { c: "4:12" }, { c: "4:12" }],
    [match, Object.fromEntries(match.pairs), match.pairs],
    [of("groups"), Object.fromEntries(of("groups").right), of("groups").right],
    [of("labels"), Object.fromEntries(of("labels").right), of("labels").right],
    [order, Object.fromEntries(order.items.map(({ id }) => [id, place(id, order.right)])), order.right],
    [of("highlight"), { "0": false, "1": true, "3": true }, [1, 3]],
    [
      of("points"),
      { answer: "(2, 3) (4 | 5)" },
      [
        [2, 3],
        [4, 5],
      ],
    ],
  ];

  test.each(cases.map(([question, values, response]) => [question.type, question, values, response] as const))(
    "%s",
    (_type, question, values, response) => {
      const read = responseFrom(question, new Map(Object.entries(values)));
      expect(read).toEqual(response);
      expect(mark(question, read).verdict).toBe("right");
    },
  );

  test("a square of the map is a place", () => {
    expect(mark(of("place"), responseFrom(of("place"), new Map([["place 0", "F5"]]))).verdict).not.toBe("blank");
  });

  test("empty controls are no answer", () => {
    for (const question of everyQuestion())
      expect([
        question.type,
        mark(
          question,
          responseFrom(
            question,
            new Map([
              ["answer", ""],
              ["p", " "],
            ]),
          ),
        ).verdict,
      ]).not.toEqual([question.type, "right"]);
  });
});
