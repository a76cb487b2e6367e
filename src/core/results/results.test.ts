import { newStep } from "../resource/edit";
import { newQuestion } from "../question/new-question";
import type { Document } from "../resource/document";
import { parseDocument } from "../resource/schema/document";
import { richText } from "../content/rich-text";
import { resultRows, withoutNames } from "./rows";
import { keptTry, lastResponses, minutesWorked, resultTable, type StudentWork, type Try } from "./table";

let n = 0;
const newId = () => `r${(n += 1)}`;
const choice = {
  ...newQuestion("choice", "en", () => "q1"),
  prompt: { en: richText("Where?") },
  marks: 2,
  options: ["a", "b"].map((id) => ({ id, text: { en: `option ${id}` } })),
  right: "a",
};
const writing = newQuestion("longText", "en", () => "q2");
const document: Document = parseDocument({
  schema: 1,
  languages: ["en"],
  title: { en: "Tides" },
  kind: "lesson",
  grades: { from: 4, to: 5 },
  subjects: ["science"],
  licence: "CC-BY-4.0",
  steps: [
    newStep("en", "First", newId, [{ id: newId(), type: "question", question: choice as never }]),
    newStep("en", "Second", newId, [{ id: newId(), type: "question", question: writing }]),
  ],
});

const at = (minutes: number) => new Date(Date.UTC(2026, 10, 24, 9, 0) + minutes * 60_000);
const response = (question: string, value: unknown, minutes: number, checked = false) => ({
  step: "s",
  question,
  value,
  at: at(minutes),
  checked,
  late: false,
});
const attempt = (number: number, responses: Try["responses"], handedIn: number | null): Try => ({
  number,
  startedAt: at(0),
  handedInAt: handedIn === null ? null : at(handedIn),
  responses,
});
const work = (name: string, tries: Try[]): StudentWork => ({ student: { id: name.length, name }, document, tries });

describe("students by questions", () => {
  test("what came when a question's time was over is shown, in the list for a spreadsheet too, and earns nothing", () => {
    const inTime = response("q1", "b", 1);
    const late = { ...response("q1", "a", 4), late: true };
    const table = resultTable([work("Mei", [attempt(1, [inTime, late], 5)])], "best");
    expect(table.rows[0]!.cells.q1).toMatchObject({ mark: { verdict: "wrong" }, said: "option b", late: "option a" });
    expect(resultRows(table)[1]).toContain("option b (when the time was over: option a)");
    const nothingElse = resultTable([work("Odd", [attempt(1, [late], 5)])], "best");
    expect(nothingElse.rows[0]!.cells.q1).toMatchObject({ mark: { verdict: "blank" }, said: "", late: "option a" });
    expect(resultRows(nothingElse)[1]).toContain("(when the time was over: option a)");
  });

  test("the last answer counts; earlier ones only show how often it was tried", () => {
    const table = resultTable(
      [work("Mei", [attempt(1, [response("q1", "b", 1, true), response("q1", "a", 2, true)], 3)])],
      "best",
    );
    expect(table.rows[0]!.cells.q1).toMatchObject({
      mark: { verdict: "right", marks: 2 },
      said: "option a",
      checks: 2,
    });
    expect(lastResponses([response("q1", "b", 1), response("q1", "a", 2)]).get("q1")!.value).toBe("a");
  });

  test("a drawing comes back as what was drawn; what is none is nothing", () => {
    const sketch = newQuestion("sketch", "en", () => "q3");
    const drawn: Document = {
      ...document,
      steps: [newStep("en", "Draw", newId, [{ id: newId(), type: "question", question: sketch }])],
    };
    const stroke = { ink: "blue", width: 4, points: [0.1, 0.2, 0.3, 0.4] };
    const cellOf = (value: unknown) =>
      resultTable([{ ...work("Ada", [attempt(1, [response("q3", value, 1)], 2)]), document: drawn }], "best").rows[0]!
        .cells.q3!;
    expect(cellOf([stroke])).toMatchObject({
      made: [stroke],
      said: "a drawing of 1 line",
      mark: { verdict: "to read" },
    });
    for (const odd of ["scribble", [{ ...stroke, ink: "gold" }], [{ ...stroke, points: [2, 2] }]])
      expect(cellOf(odd)).toMatchObject({ made: null, said: "", mark: { verdict: "blank" } });
  });

  test("says who has not begun, who is at work, and who has handed in", () => {
    const table = resultTable(
      [
        work("Odd", []),
        work("Liv", [attempt(1, [response("q1", "b", 1)], null)]),
        work("Noor", [attempt(1, [response("q1", "a", 1)], 2)]),
      ],
      "best",
    );
    expect(table.rows.map((row) => row.state)).toEqual(["not begun", "working", "handed in"]);
    expect(table.rows[0]).toMatchObject({ tryNumber: null, cells: {}, outOf: 2 });
  });

  test("writing is to be read by a person, and is not in the marks", () => {
    const [row] = resultTable(
      [work("Mei", [attempt(1, [response("q1", "a", 1), response("q2", "Because …", 2)], 3)])],
      "best",
    ).rows;
    expect(row).toMatchObject({ marks: 2, outOf: 2, toRead: 1, blanks: 0 });
  });

  test("blanks are counted", () => {
    const [row] = resultTable([work("Mei", [attempt(1, [], 3)])], "best").rows;
    expect(row).toMatchObject({ marks: 0, blanks: 2 });
  });

  test("a question's share is what was earned of what was answered; those who left it blank do not count", () => {
    const table = resultTable(
      [
        work("Ida", [attempt(1, [response("q1", "a", 1)], 2)]),
        work("Kofi", [attempt(1, [response("q1", "b", 1)], 2)]),
        work("Signe", [attempt(1, [], 2)]),
        work("Ola", []),
      ],
      "best",
    );
    expect(table.questions.map((entry) => entry.share)).toEqual([0.5, null]);
  });

  test("nobody's work is still a table", () => {
    expect(resultTable([], "best")).toEqual({ questions: [], rows: [] });
  });
});

describe("which try counts", () => {
  const wrong = attempt(1, [response("q1", "b", 1)], 2);
  const right = attempt(2, [response("q1", "a", 11)], 12);
  const open = attempt(3, [response("q1", "b", 21)], null);

  test("the best, the last or the first of those handed in", () => {
    expect(keptTry(document, [wrong, right], "best")).toBe(right);
    expect(keptTry(document, [right, wrong], "best")).toBe(right);
    expect(keptTry(document, [wrong, right], "first")).toBe(wrong);
    expect(keptTry(document, [wrong, right], "last")).toBe(right);
  });

  test("a try that is not handed in counts only while there is no other", () => {
    expect(keptTry(document, [wrong, open], "last")).toBe(wrong);
    expect(keptTry(document, [open], "best")).toBe(open);
    expect(keptTry(document, [], "best")).toBeUndefined();
  });
});

describe("minutes at work", () => {
  test("from answer to answer, a break for the bell left out", () => {
    expect(
      minutesWorked({
        startedAt: at(0),
        responses: [response("q1", "a", 2), response("q2", "x", 4.5), response("q2", "y", 60), response("q2", "z", 61)],
      }),
    ).toBe(5.5);
  });
});

describe("the table as rows", () => {
  test("one student a row, each question with its answer and its marks", () => {
    const [heading, mei, odd] = resultRows(
      resultTable(
        [work("Mei", [attempt(1, [response("q1", "b", 1), response("q2", "=1+1", 2)], 3)]), work("Odd", [])],
        "best",
      ),
    );
    expect(heading).toEqual([
      "Student",
      "State",
      "Try",
      "Marks",
      "Out of",
      "To read",
      "Blank",
      "Minutes",
      "1. First",
      "1. First: marks",
      "2. Second",
      "2. Second: marks",
    ]);
    expect(mei).toEqual(["Mei", "handed in", 1, 0, 2, 1, 0, 2, "option b", 0, "=1+1", ""]);
    expect(odd).toEqual(["Odd", "not begun", "", "", 2, 0, 0, 0, "", "", "", ""]);
  });
});

describe("marks a person gave", () => {
  const written = (given?: Try["given"]): Try => ({
    ...{ number: 1, startedAt: at(0), handedInAt: at(9), given },
    responses: [response("q1", "a", 1), response("q2", "High water comes twice.", 3)],
  });
  const row = (given?: Try["given"]) =>
    resultTable([{ student: { id: 1, name: "Aina" }, document, tries: [written(given)] }], "best").rows[0]!;

  test("count with the others, and what they are out of does too; until then it is to be read and out of nothing", () => {
    expect(row()).toMatchObject({ marks: 2, outOf: 2, toRead: 1 });
    expect(row({ q2: { marks: 2.5, outOf: 4 } })).toMatchObject({ marks: 4.5, outOf: 6, toRead: 0 });
  });

  test("say how good it is: all of the marks, some, or none", () => {
    const verdict = (marks: number) => row({ q2: { marks, outOf: 4 } }).cells.q2!.mark.verdict;
    expect([4, 1, 0].map(verdict)).toEqual(["right", "partly", "wrong"]);
  });

  test("change nothing of what a rule marks", () => {
    expect(row({ q1: { marks: 0, outOf: 9 } })).toMatchObject({ marks: 2, outOf: 2 });
  });

  test("decide which try is the best", () => {
    const tries = [written({ q2: { marks: 1, outOf: 4 } }), { ...written({ q2: { marks: 4, outOf: 4 } }), number: 2 }];
    const [best] = resultTable([{ student: { id: 1, name: "Aina" }, document, tries }], "best").rows;
    expect(best).toMatchObject({ tryNumber: 2, marks: 6 });
  });
});

test("without names students are numbers, the best first, whatever the order of the class", () => {
  const works = [
    ["Aina", "b"],
    ["Bo", "a"],
  ].map(([name, value], nth): StudentWork => ({
    ...{ student: { id: nth, name: name! }, document },
    tries: [{ number: 1, startedAt: at(0), handedInAt: at(9), responses: [response("q1", value, 1)] }],
  }));
  const names = (all: StudentWork[]) =>
    withoutNames(resultTable(all, "best")).rows.map(({ student, marks }) => [student.name, marks]);
  expect(names(works)).toEqual([
    ["Student 1", 2],
    ["Student 2", 0],
  ]);
  expect(names(works.toReversed())).toEqual(names(works));
});
