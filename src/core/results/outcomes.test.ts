import fc from "fast-check";
import { newQuestion } from "../question/new-question";
import { newStep } from "../resource/edit";
import { parseDocument } from "../resource/schema/document";
import { outcomesOf } from "./outcomes";
import { resultTable, type StudentWork } from "./table";

let n = 0;
const newId = () => `o${(n += 1)}`;
const ask = (id: string, marks: number, standards?: string[]) => ({
  ...newQuestion("choice", "en", () => id),
  ...{ marks, right: "a", standards },
  options: ["a", "b"].map((option) => ({ id: option, text: { en: option } })),
});
const writing = newQuestion("longText", "en", () => "q4");
const document = parseDocument({
  ...{ schema: 1, languages: ["en"], title: { en: "Tides" }, kind: "quiz", grades: { from: 4, to: 5 } },
  ...{ subjects: ["science"], licence: "CC-BY-4.0" },
  standards: ["M.1", "M.2"].map((code) => ({ framework: "f", code, relation: "assesses" })),
  steps: [
    newStep(
      "en",
      "One",
      newId,
      [ask("q1", 1, ["M.1"]), ask("q2", 2, ["M.2"]), ask("q3", 1), writing].map(
        (question) => ({ id: newId(), type: "question", question }) as never,
      ),
    ),
  ],
});
const at = (minutes: number) => new Date(Date.UTC(2026, 10, 24, 9, minutes));
const child = (id: number, answers: string, handedIn = true): StudentWork => ({
  student: { id, name: `Child ${id}` },
  document,
  tries: [
    {
      ...{ number: 1, startedAt: at(0), handedInAt: handedIn ? at(20) : null },
      responses: [...answers].map((value, nth) => ({
        ...{ step: "s", question: `q${nth + 1}`, value, at: at(nth + 1), checked: false, late: false },
      })),
    },
  ],
});
const of = (works: StudentWork[]) =>
  outcomesOf(works, "best").map(({ student, standard, gained, outOf, questions }) => [
    student,
    standard?.code ?? "",
    `${gained} of ${outOf} in ${questions}`,
  ]);

test("what was gained in all of it, and in what asks about each standard; a question about none counts for all", () => {
  expect(of([child(1, "aba")])).toEqual([
    [1, "", "2 of 4 in 3"],
    [1, "M.1", "2 of 2 in 2"],
    [1, "M.2", "1 of 3 in 2"],
  ]);
});

test("who has not handed in has no outcome; what a person still reads counts nowhere", () => {
  expect(of([child(1, "aaa", false)])).toEqual([]);
  expect(outcomesOf([child(2, "aaab")], "best")[0]).toMatchObject({ gained: 4, outOf: 4, questions: 3 });
});

test("a question left out takes its marks along", () => {
  expect(of([{ ...child(1, "aba"), corrections: { q2: [{ kind: "void" }] } }])[0]).toEqual([1, "", "2 of 2 in 2"]);
});

test("the whole is what the table says, and the order of children changes nothing", () => {
  const answers = fc.string({ unit: fc.constantFrom("a", "b"), minLength: 0, maxLength: 3 });
  fc.assert(
    fc.property(fc.array(answers, { maxLength: 8 }), (all) => {
      const works = all.map((one, nth) => child(nth + 1, one));
      const table = resultTable(works, "best");
      const outcomes = outcomesOf(works, "best");
      for (const row of table.rows)
        expect(outcomes.find(({ student, standard }) => standard === null && student === row.student.id)).toMatchObject(
          {
            gained: row.marks,
            outOf: row.outOf,
          },
        );
      const sorted = (list: typeof outcomes) => list.map((one) => JSON.stringify(one)).toSorted();
      expect(sorted(outcomesOf(works.toReversed(), "best"))).toEqual(sorted(outcomes));
    }),
  );
});
