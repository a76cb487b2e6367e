import fc from "fast-check";
import { standardsOf } from "../resource/aligned";
import { parseDocument } from "../resource/schema/document";
import type { Question } from "../question/question";
import { analyse } from "./items";
import { missedTogether, type Missed } from "./missed";
import type { ResultTable } from "./table";
import { classOf } from "./testing/answered";

const document = parseDocument({
  ...{ schema: 1, languages: ["en"], title: { en: "Tides" }, kind: "lesson", grades: { from: 4, to: 5 } },
  ...{ subjects: ["science"], licence: "CC-BY-4.0", steps: [] },
  standards: [
    { framework: "f", code: "MA.5.M.2", relation: "assesses" },
    { framework: "f", code: "MA.5.N.1", relation: "assesses" },
    { framework: "f", code: "MA.5.D.1", relation: "teaches" },
    { framework: "f", code: "MA.4.N.1", relation: "requires" },
  ],
});

/** Questions 1 to 3 are about elapsed time in step s1, the others about sums in step s2. */
function answered(answers: readonly string[]): ResultTable {
  const table = classOf(answers);
  return {
    ...table,
    questions: table.questions.map((entry, at) => ({
      ...entry,
      step: at < 3 ? "s1" : "s2",
      question: { ...entry.question, standards: [at < 3 ? "MA.5.M.2" : "MA.5.N.1"] } as Question,
    })),
  };
}
const groupsOf = (table: ResultTable): Missed[] => missedTogether(table, analyse(table), document);
const names = ({ students }: Missed) => students.map(({ id }) => id);

const answers = ["BBBBB", "BBBBB", "BBBBB", "BBBBB", "BBBBC", "BBBBC", "ADBBB", "CADBB"];

test("children are grouped by the standard they missed, the question, and the answer they had in common", () => {
  const groups = groupsOf(answered(answers));
  expect(groups.map((group) => [group.what, names(group)])).toEqual(
    expect.arrayContaining([
      [{ by: "answer", nth: 5, said: "C" }, [5, 6]],
      [{ by: "standard", code: "MA.5.M.2" }, [7, 8]],
    ]),
  );
  expect(groups.find(({ what }) => what.by === "standard")).toMatchObject({ steps: ["s1"], standards: ["MA.5.M.2"] });
});

test("the same children who missed one question by one answer are one group, named by the answer", () => {
  const groups = groupsOf(answered(answers));
  expect(groups.filter((group) => names(group).join() === "5,6").map(({ what }) => what.by)).toEqual(["answer"]);
});

test("a question that may be wrong itself makes no group", () => {
  const misled = ["BBBBC", "BBBBC", "BBBBC", "BBBAB", "BBAAB", "BAAAB", "AAAAB", "AAAAB"];
  const table = answered(misled);
  expect(analyse(table).items[4]!.findings[0]!.kind).toBe("best chose another");
  expect(groupsOf(table).filter(({ what }) => what.by !== "standard" && what.nth === 5)).toEqual([]);
});

test("one child alone is no group, nor is somebody who has not handed in", () => {
  const table = answered(["BBBBB", "BBBBB", "BBBBB", "BBBBB", "BBBBA", "BBBBA"]);
  table.rows[5] = { ...table.rows[5]!, state: "working" };
  expect(groupsOf(table)).toEqual([]);
});

test("an answer is evidence for the statements its question names; else for all that is assessed, and never for what is required", () => {
  const codes = (standards?: string[]) => standardsOf(document, { standards } as Question).map(({ code }) => code);
  expect(codes(["MA.5.D.1"])).toEqual(["MA.5.D.1"]);
  expect(codes()).toEqual(["MA.5.M.2", "MA.5.N.1"]);
  expect(codes(["MA.4.N.1", "not there"])).toEqual(["MA.5.M.2", "MA.5.N.1"]);
  expect(standardsOf({ standards: [document.standards[2]!] }, {}).map(({ code }) => code)).toEqual(["MA.5.D.1"]);
});

test("the order of children changes nothing, and everybody in a group missed what it says", () => {
  const row = fc.string({ unit: fc.constantFrom("A", "B", "C", "."), minLength: 5, maxLength: 5 });
  fc.assert(
    fc.property(fc.array(row, { minLength: 5, maxLength: 14 }), fc.infiniteStream(fc.nat()), (rows, order) => {
      const table = answered(rows);
      const shuffled = table.rows
        .map((one) => ({ one, place: order.next().value as number }))
        .toSorted((a, b) => a.place - b.place)
        .map(({ one }) => one);
      expect(groupsOf({ ...table, rows: shuffled })).toEqual(groupsOf(table));
      for (const { what, students } of groupsOf(table)) {
        if (what.by === "standard") continue;
        const id = `q${what.nth}`;
        for (const student of students)
          expect(table.rows.find((one) => one.student.id === student.id)!.cells[id]!.mark.marks).toBe(0);
      }
    }),
    { numRuns: 60 },
  );
});
