import { strFromU8, unzipSync } from "fflate";
import { mark } from "@/core/question/mark";
import type { Question, ResponseValue } from "@/core/question/question";
import { questionsInXml } from "../brought/from-qti";
import { all, attribute, first, inside, nameOf, readXml, textIn, type Xml } from "../brought/xml";
import { writeMarkup } from "../markup";
import { allOf, bytesOf, everyQuestion, outgoingLesson } from "../testing/outgoing";
import { qtiVersions } from "./versions";
import { itemOf, writeQti } from "./write-qti";

const style = { languages: ["en"], forTeacher: false, place: () => "media/p.png" };
const treeOf = (question: Question, version: "2.1" | "3.0" = "2.1") =>
  readXml(
    new TextEncoder().encode(writeMarkup(itemOf(question, { identifier: "i", title: "t" }, style, version))),
    "i",
  );

type Values = Readonly<Record<string, readonly string[]>>;

/** What an item earns: response processing as the standard describes it (QTI 2.1, "Response Processing"), for what our items use. */
function scoreOf(tree: readonly Xml[], responses: Values): number {
  const declared = new Map(all(tree, "responseDeclaration").map((one) => [attribute(one, "identifier"), one]));
  const id = (element: Xml) => attribute(element, "identifier");
  const value = (element: Xml): readonly string[] => {
    switch (nameOf(element)) {
      case "variable":
        return responses[id(element)] ?? [];
      case "correct":
        return all(all(inside(declared.get(id(element))!), "correctResponse"), "value").map(textIn);
      case "index":
        return [value(inside(element)[0]!)[Number(attribute(element, "n")) - 1] ?? ""];
      default:
        return [textIn(element)];
    }
  };
  const holds = (element: Xml): boolean => {
    const parts = inside(element);
    const [one, other] = parts;
    switch (nameOf(element)) {
      case "match": {
        const isOrdered = attribute(declared.get(id(one!)) ?? {}, "cardinality") !== "multiple";
        const sorted = (list: readonly string[]) => (isOrdered ? list : list.toSorted());
        return value(one!).length > 0 && sorted(value(one!)).join("|") === sorted(value(other!)).join("|");
      }
      case "stringMatch": {
        const cased = (text = "") => (attribute(element, "caseSensitive") === "true" ? text : text.toLowerCase());
        return cased(value(one!)[0]) === cased(value(other!)[0]);
      }
      case "equal":
        return (
          value(one!).length > 0 &&
          Math.abs(Number(value(one!)[0]) - Number(value(other!)[0])) <=
            Number(attribute(element, "tolerance").split(" ")[0]) + 1e-9
        );
      case "isNull":
        return value(one!).length === 0;
      case "not":
        return !holds(one!);
      case "and":
        return parts.every(holds);
      case "or":
        return parts.some(holds);
      default:
        throw new Error(nameOf(element));
    }
  };
  const mapped = (identifier: string): number => {
    const mapping = first(declared.get(identifier)!, "mapping")!;
    const entries = all(inside(mapping), "mapEntry");
    const worth = (text: string) => {
      const entry = entries.find((one) =>
        attribute(one, "caseSensitive") === "false"
          ? attribute(one, "mapKey").toLowerCase() === text.toLowerCase()
          : attribute(one, "mapKey") === text,
      );
      return Number(attribute(entry ?? mapping, entry ? "mappedValue" : "defaultValue"));
    };
    const sum = [...new Set(responses[identifier])].reduce((total, one) => total + worth(one), 0);
    return Math.min(Number(attribute(mapping, "upperBound")), Math.max(Number(attribute(mapping, "lowerBound")), sum));
  };
  let score = 0;
  for (const condition of all(tree, "responseIf")) {
    const [test, set] = inside(condition);
    if (!holds(test!)) continue;
    const [, earned] = inside(first(set!, "sum")!);
    score += nameOf(earned!) === "mapResponse" ? mapped(id(earned!)) : Number(textIn(earned!));
  }
  return Math.round(score * 100) / 100;
}

const questions = new Map(everyQuestion().map((question) => [question.type, question]));
const of = <Type extends Question["type"]>(type: Type) => questions.get(type) as Extract<Question, { type: Type }>;
const x = (id: string) => `x${id}`;

describe("a question as an item of QTI earns what it earns here", () => {
  const choices = of("choices");
  const order = of("order");
  const match = of("match");
  const groups = of("groups");
  const [a, b, c] = choices.options.map(({ id }) => id) as [string, string, string];
  const [up, down] = match.pairs;
  const single = (...list: string[]): Values => ({ RESPONSE: list });
  const cases: [string, Question, ResponseValue, Values][] = [
    ["one choice, right", of("choice"), of("choice").right!, single(x(of("choice").right!))],
    ["one choice, wrong", of("choice"), of("choice").options[0]!.id, single(x(of("choice").options[0]!.id))],
    ["several choices, all", choices, [a, c], single(x(a), x(c))],
    ["several choices, one of two", choices, [a], single(x(a))],
    ["several choices, one right and one wrong", choices, [a, b], single(x(a), x(b))],
    ["several choices, everything marked", choices, [a, b, c], single(x(a), x(b), x(c))],
    ["a short answer", of("shortText"), "high WATER", single("high WATER")],
    ["a short answer that earns a part", of("shortText"), "high", single("high")],
    ["a short answer that is wrong", of("shortText"), "low", single("low")],
    ["a number within its margin", of("number"), { p: { number: "4.3" } }, single("4.3")],
    ["a number outside it", of("number"), { p: { number: "4.4" } }, single("4.4")],
    ["an order", order, order.right, single(...order.right.map(x))],
    [
      "an order of which one is in its place",
      order,
      [order.right[0]!, order.right[2]!, order.right[1]!],
      single(...[order.right[0]!, order.right[2]!, order.right[1]!].map(x)),
    ],
    ["pairs, all", match, match.pairs, single(...match.pairs.map(([one, other]) => `${x(one)} ${x(other)}`))],
    [
      "pairs, one of two",
      match,
      [up!, [down![0], up![1]]],
      single(`${x(up![0])} ${x(up![1])}`, `${x(down![0])} ${x(up![1])}`),
    ],
    ["groups", groups, groups.right, single(...groups.right.map(([one, other]) => `${x(one)} ${x(other)}`))],
    ["words to mark, one of two", of("highlight"), [1], single("w1")],
    ["words to mark, one too many", of("highlight"), [1, 2, 3], single("w1", "w2", "w3")],
    ["gaps, both", of("gaps"), { a: "Sea", b: "high" }, { RESPONSE: ["Sea"], RESPONSE2: ["o0"] }],
    ["gaps, one", of("gaps"), { a: "moon", b: "high" }, { RESPONSE: ["moon"], RESPONSE2: ["o0"] }],
    ["cells", of("cells"), { c: "4:12" }, single("4:12")],
    ["a place on a line", of("line"), 7, single("7")],
    ["bars, one of two", of("bars"), { b1: 3, b2: 4 }, { RESPONSE: ["3"], RESPONSE2: ["4"] }],
  ];

  test.each(cases)("%s", (_name, question, response, values) => {
    expect(scoreOf(treeOf(question), values)).toBe(mark(question, response).marks);
  });

  test.each(cases)("all or nothing: %s", (_name, question, response, values) => {
    const whole = { ...question, partial: "all" as const };
    // A short answer says itself how much it earns.
    if (question.type === "shortText") return;
    expect(scoreOf(treeOf(whole), values)).toBe(mark(whole, response).marks);
  });
});

test("every type of question is an item that is read again, and says whether a person has to mark it", () => {
  for (const question of everyQuestion())
    for (const version of qtiVersions) {
      const tree = treeOf(question, version);
      const body = writeMarkup(itemOf(question, { identifier: "i", title: "t" }, style, version));
      expect([question.type, /nteraction/.test(body)]).toEqual([question.type, true]);
      expect(
        all(tree, version === "3.0" ? "qti-item-body" : "itemBody")
          .map(textIn)
          .join(" "),
      ).toContain("& why?");
      if (version === "3.0")
        expect(body).not.toMatch(
          /<(?!\/?(?:qti-|p\b|img\b|table\b|tbody\b|tr\b|td\b|strong\b|em\b|math|mrow|mi|mn|semantics|annotation))\w/,
        );
    }
});

test("what is sent as a file comes in again as a photograph, a recording or a film", () => {
  for (const version of qtiVersions)
    for (const type of ["photo", "speech", "clip"] as const)
      expect(questionsInXml(treeOf(of(type), version)).questions[0]!.more).toEqual({ kind: "file", of: type });
});

test("what is written comes in again as the same questions", () => {
  const read = everyQuestion()
    .filter(({ type }) => ["choice", "choices", "shortText", "longText"].includes(type))
    .flatMap((question) => questionsInXml(treeOf(question, "3.0")).questions);
  expect(read.map(({ options, right }) => ({ options, right }))).toEqual([
    { options: ["high", "low", "ebb"], right: ["low"] },
    { options: ["high", "low", "ebb"], right: ["high", "ebb"] },
    { options: [], right: ["High water"] },
    { options: [], right: [] },
  ]);
});

test.each(qtiVersions)(
  "a package of QTI %s names every file that is in it, and is the same bytes each time",
  async (version) => {
    const bytes = await allOf(writeQti(outgoingLesson(), version, bytesOf));
    const files = unzipSync(bytes);
    const manifest = readXml(files["imsmanifest.xml"]!, "imsmanifest.xml");
    const named = new Set(all(manifest, "file").map((one) => attribute(one, "href")));
    expect(new Set(Object.keys(files).filter((name) => name !== "imsmanifest.xml"))).toEqual(named);
    const ids = new Set(all(manifest, "resource").map((one) => attribute(one, "identifier")));
    for (const dependency of all(manifest, "dependency")) expect(ids).toContain(attribute(dependency, "identifierref"));
    expect(strFromU8(files["tests/resource-2.xml"]!)).toContain(`../items/resource-2-`);
    expect(Buffer.compare(await allOf(writeQti(outgoingLesson(), version, bytesOf)), bytes)).toBe(0);
  },
);
