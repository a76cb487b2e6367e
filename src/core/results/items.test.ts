import fc from "fast-check";
import { explainFinding, formatAlpha, formatSeconds, formatTellsApart, nameFinding } from "./format-item";
import { analyse, type Finding } from "./items";
import { secondsOn, type ResultTable } from "./table";
import { classOf } from "./testing/answered";

/** Twelve children from the strongest to the weakest over five good questions; the sixth is what is asked about. */
const good = [
  "BBBBB",
  "BBBBB",
  "BBBBB",
  "BBBBA",
  "BBBAA",
  "BBBAA",
  "BBAAA",
  "BBAAC",
  "BAACA",
  "AABCA",
  "ACAAA",
  "CAAAA",
];
const withSixth = (sixth: string) => classOf(good.map((row, at) => row + sixth[at]!));
const found = (table: ResultTable, nth = 5): Finding[] => analyse(table).items[nth]!.findings;

test("a question the strong get right and the weak do not is good", () => {
  const item = analyse(withSixth("BBBBBBAAAAAA")).items[5]!;
  expect(item.findings.filter(({ kind }) => kind !== "nobody chose")).toEqual([]);
  expect(item.tellsApart).toBeGreaterThan(0.6);
  expect(item.groups).toEqual({ stronger: 1, weaker: 0 });
  expect([item.right, item.asked, item.difficulty]).toEqual([6, 12, 0.5]);
});

test("the key is wrong where the strongest chose another answer", () => {
  expect(found(withSixth("CCCAABBBAABA"))[0]).toEqual({ kind: "best chose another", said: "C", stronger: 3, of: 3 });
});

test("two answers may be right where a third of the strongest and none of the weakest chose the other", () => {
  const sixth = "BBBBBBBAABAA";
  const table = classOf([...good, "BBBBB", "BBBBB"].map((row, at) => row + (at > 11 ? "C" : sixth[at]!)));
  expect(found(table)[0]).toEqual({
    ...{ kind: "two may be right", said: "C", stronger: 2, of: 6 },
    ...{ weaker: 0, ofWeaker: 5 },
  });
});

test("easy, hard, blank and slow questions are told apart", () => {
  expect(found(withSixth("BBBBBBBBBBBB")).map(({ kind }) => kind)).toEqual(["nearly all right"]);
  expect(found(withSixth("AAAAAAAAAAAA")).map(({ kind }) => kind)).toContain("nearly all wrong");
  expect(found(withSixth("BBBB........")).map(({ kind }) => kind)).toEqual(["most left it blank"]);
  const slow = classOf(
    good.map((row, at) => `${row}${"BBBBBBAAAAAA"[at]!}`),
    (nth) => (nth === 5 ? 90 : 30),
  );
  expect(found(slow)).toContainEqual({ kind: "took long", times: 3 });
});

test("an answer nobody of twenty chose is named; of twelve nothing is said", () => {
  const rows = [...good, ...good].map((row, at) => row + (at % 2 === 0 ? "B" : "A"));
  expect(found(classOf(rows))).toContainEqual({ kind: "nobody chose", said: ["C", "D"] });
  expect(found(withSixth("BABABABABABA")).map(({ kind }) => kind)).not.toContain("nobody chose");
});

test("of four children nothing is computed, of those who have not handed in nothing counts", () => {
  const few = analyse(classOf(good.slice(0, 4)));
  expect(few.test).toBeNull();
  expect(few.items.map(({ difficulty, tellsApart, findings }) => [difficulty, tellsApart, findings.length])).toEqual(
    Array.from({ length: 5 }, () => [null, null, 0]),
  );
  const table = classOf(good);
  table.rows[0]!.state = "working";
  expect(analyse(table).students).toBe(11);
});

test("who gave which answer is named, options nobody chose as well, and all of them are everybody", () => {
  const { answers, asked } = analyse(withSixth("BBBBBBAAAA..")).items[5]!;
  expect(answers.map(({ said, right, students }) => [said, right, students.length])).toEqual([
    ["A", false, 4],
    ["B", true, 6],
    ["C", false, 0],
    ["D", false, 0],
    ["", false, 2],
  ]);
  expect(answers.reduce((sum, { students }) => sum + students.length, 0)).toBe(asked);
});

test("the order of the children changes nothing", () => {
  const whole = withSixth("CCBBBBAABA.D");
  const plain = analyse(whole);
  fc.assert(
    fc.property(fc.shuffledSubarray(whole.rows, { minLength: 12 }), (rows) => {
      const other = analyse({ ...whole, rows });
      const near = (value: unknown): unknown => (typeof value === "number" ? Number(value.toFixed(9)) : value);
      expect(JSON.parse(JSON.stringify(other, (_, value) => near(value) as never))).toEqual(
        JSON.parse(JSON.stringify(plain, (_, value) => near(value) as never)),
      );
    }),
    { numRuns: 30 },
  );
});

test("time on a question runs from the answer before it, gone back to it adds up, and pauses count as nothing", () => {
  const at = (seconds: number) => new Date(seconds * 1000);
  const response = (question: string, seconds: number) => ({
    ...{ step: "s1", question, value: "b", checked: false, late: false },
    at: at(seconds),
  });
  const responses = [response("q1", 20), response("q2", 50), response("q1", 60), response("q3", 60 + 301)];
  expect([...secondsOn({ startedAt: at(0), responses })]).toEqual([
    ["q1", 30],
    ["q2", 30],
  ]);
});

test("figures and findings are said in plain words, with their reason", () => {
  expect([0.71, 0.32, 0.25, 0.1, -0.2].map(formatTellsApart)).toEqual([
    "very well",
    "well",
    "a little",
    "hardly",
    "the wrong way",
  ]);
  expect([0.75, 0.55, 0.3].map(formatAlpha)).toEqual([
    "hold together well",
    "hold together fairly well",
    "hold together loosely",
  ]);
  expect([24, 100, 59.6].map(formatSeconds)).toEqual(["0:24", "1:40", "1:00"]);
  const finding: Finding = { kind: "two may be right", said: "C", stronger: 3, of: 7, weaker: 0, ofWeaker: 7 };
  expect(nameFinding(finding)).toBe("two may be right");
  expect(explainFinding(finding, { asked: 22, right: 12 })).toBe(
    "Of the 7 strongest, 3 answered “C”; of the 7 weakest, nobody did. It may be right as well.",
  );
});

test("what the strong and the weak get right about equally often tells little, and only that is said of it", () => {
  const item = analyse(withSixth("BABABABABABA")).items[5]!;
  expect(item.tellsApart).toBeGreaterThanOrEqual(0);
  expect(item.tellsApart).toBeLessThan(0.2);
  expect(item.findings).toEqual([{ kind: "tells little" }]);
  // Where something else is odd that is said instead; of one question by itself there is nothing to compare with.
  expect(found(withSixth("A.B......B.A"))).toEqual([{ kind: "most left it blank", blank: 8 }]);
  expect(found(withSixth("ACBBBAABABBB"))).toEqual([{ kind: "the wrong way" }]);
  expect(found(classOf([..."BABABABABABA"]), 0)).toEqual([]);
});

test("of five children figures are computed, and all findings have words", () => {
  const five = analyse(classOf(good.slice(5, 10)));
  expect(five.test).not.toBeNull();
  expect(five.items.every(({ difficulty, between, seconds }) => difficulty !== null && between && seconds)).toBe(true);
  const said = (finding: Finding) => [nameFinding(finding), explainFinding(finding, { asked: 22, right: 20 })];
  expect(said({ kind: "nearly all right" })).toEqual([
    "nearly everyone right",
    "20 of 22 have it right. It shows that they can do it, and nothing about who needs more.",
  ]);
  expect(said({ kind: "nobody chose", said: ["C", "D"] })).toEqual([
    "2 answers nobody chose",
    "Nobody chose “C” or “D”. A wrong answer that nobody believes makes guessing easier.",
  ]);
  expect(said({ kind: "took long", times: 3 })[0]).toBe("took three times as long");
  expect(said({ kind: "took long", times: 4 })).toEqual([
    "took 4 times as long",
    "It took 4 times as long as a typical question here. You may have meant it to, or it is hard to read.",
  ]);
  expect(said({ kind: "most left it blank", blank: 12 })).toEqual([
    "most left it blank",
    "12 of 22 left it blank. Perhaps there was no time left, or it was not clear what to do.",
  ]);
  expect(said({ kind: "tells little" })[0]).toBe("tells you little");
  expect(said({ kind: "the wrong way" })[0]).toBe("the weaker did better");
});
