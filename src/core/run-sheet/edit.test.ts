import fc from "fast-check";
import { richText } from "../content/rich-text";
import { allQuestions } from "../resource/document";
import { lesson } from "@/data/testing/world";
import * as edit from "./edit";
import { beginnings, carryOver, minutesOf, whenShort } from "./lesson-time";
import type { RunSheet } from "./schema";
import { changedSources, linesOf } from "./source";
import { drawByLot, nextByTurns, type BoardTurn } from "./who";

const document = lesson("Tides");
const { step, question } = allQuestions(document)[0]!;
const block = step.blocks.find((one) => one.type === "question" && one.question.id === question.id)!;
const from = { step: step.id, block: block.id };
const line = (id: string) => ({ id, kind: "I say" as const, text: id, ifNobody: false });
const part = (id: string, phase: "open" | "teach" | "practise", minutes: number) => ({
  ...{ id, phase, minutes, lines: [line(`${id}-1`), line(`${id}-2`)] },
});
const sheet: RunSheet = {
  ...{ period: 45, words: [], materials: [], short: ["p", "o"] },
  days: [
    { id: "d1", parts: [part("o", "open", 5), part("t", "teach", 20)] },
    { id: "d2", parts: [part("p", "practise", 30)] },
  ],
};
const kindOf = (of: RunSheet, id: string) => linesOf(of).find((one) => one.id === id)?.kind;
const order = (of: RunSheet) => of.days.map(({ parts }) => parts.map(({ id }) => id));
const newId = () => "new";

test("one keystroke turns a line into the next kind, four of them back to the first, and backwards as well", () => {
  expect(kindOf(edit.turnKind(sheet, "o-1", 1), "o-1")).toBe("I do");
  expect(kindOf(edit.turnKind(sheet, "o-1", -1), "o-1")).toBe("they show");
  const round = [1, 1, 1, 1].reduce((so) => edit.turnKind(so, "o-1", 1), sheet);
  expect(round).toEqual(sheet);
});

test("lines are added, moved within their part, and removed; nothing else changes", () => {
  const added = edit.addLineAfter(edit.turnKind(sheet, "t-1", 1), "t-1", "x");
  expect(linesOf(added).map(({ id }) => id)).toEqual(["o-1", "o-2", "t-1", "x", "t-2", "p-1", "p-2"]);
  expect(kindOf(added, "x")).toBe("I do");
  expect(edit.moveLine(edit.moveLine(sheet, "t-1", 1), "t-1", -1)).toEqual(sheet);
  expect(edit.moveLine(sheet, "t-1", -1)).toEqual(sheet);
  expect(edit.removeLine(edit.addLineAfter(sheet, "t-1", "x"), "x")).toEqual(sheet);
  // Brought back, it stands where it stood, and what was written since stays.
  const since = edit.setLine(edit.removeLine(sheet, "t-1"), "o-1", { text: "Since" });
  expect(edit.restoreLine(since, sheet, "t-1")).toEqual(edit.setLine(sheet, "o-1", { text: "Since" }));
  expect(edit.restoreLine(sheet, sheet, "t-1")).toEqual(sheet);
});

test("what is taken from the resource stays linked, and says so when the resource changes", () => {
  const taken = edit.takeAs(sheet, document, { day: "d1", phase: "close", from, newId });
  const [mine] = linesOf(taken).filter((one) => one.from);
  expect(taken.days[0]!.parts.at(-1)).toMatchObject({ phase: "close", minutes: 5 });
  expect(changedSources(document, taken)).toEqual([]);
  const changed = {
    ...document,
    steps: document.steps.map((one) => ({
      ...one,
      blocks: one.blocks.map((each) =>
        each.id === block.id && each.type === "question"
          ? { ...each, question: { ...each.question, prompt: { en: richText("How high?") } } }
          : each,
      ),
    })),
  };
  expect(changedSources(changed, taken)).toEqual([{ line: mine, now: "How high?" }]);
  expect(linesOf(edit.follow(taken, changed, mine!.id)).at(-3)).toMatchObject({ text: "How high?" });
  expect(changedSources(changed, edit.follow(taken, changed, mine!.id))).toEqual([]);
  const kept = edit.keepAsItIs(taken, changed, mine!.id);
  expect(changedSources(changed, kept)).toEqual([]);
  expect(linesOf(kept).find(({ id }) => id === mine!.id)!.text).toBe(mine!.text);
  const gone = { ...document, steps: [] };
  expect(changedSources(gone, taken)).toEqual([{ line: mine, now: null }]);
  expect(linesOf(edit.keepAsItIs(taken, gone, mine!.id)).some((one) => one.from)).toBe(false);
});

test("a part goes to another day; a day without parts is gone, and a new one comes where there was none", () => {
  expect(order(edit.movePart(sheet, "t", 1, "d3"))).toEqual([["o"], ["t", "p"]]);
  expect(order(edit.movePart(sheet, "p", 1, "d3"))).toEqual([["o", "t"], ["p"]]);
  expect(order(edit.movePart(sheet, "p", -1, "d3"))).toEqual([["o", "t", "p"]]);
  expect(edit.movePart(sheet, "o", -1, "d3")).toEqual(sheet);
});

test("spread again it takes fewer lessons where the period is longer, and no part is lost", () => {
  expect(order(edit.spreadAgain(sheet, 60, newId))).toEqual([["o", "t", "p"]]);
  expect(order(edit.spreadAgain(edit.spreadAgain(sheet, 60, newId), 30, newId)).flat()).toEqual(["o", "t", "p"]);
});

test("time: when a part begins, what is left out when it is short, and what goes into the next lesson", () => {
  const [first, second] = sheet.days;
  expect(minutesOf(first!)).toBe(25);
  expect(beginnings(first!).get("t")).toBe(5);
  expect(whenShort(sheet, first!.parts, 25)).toEqual({ leaveOut: [], enough: true });
  expect(whenShort(sheet, first!.parts, 21)).toEqual({ leaveOut: ["o"], enough: true });
  expect(whenShort(sheet, first!.parts, 10)).toEqual({ leaveOut: ["o"], enough: false });
  expect(order(carryOver(sheet, "d1", ["t"], "d3"))).toEqual([["o"], ["t", "p"]]);
  expect(order(carryOver(sheet, second!.id, ["p"], "d3"))).toEqual([["o", "t"], [], ["p"]]);
  expect(carryOver(sheet, "d1", [], "d3")).toBe(sheet);
});

describe("who comes to the board", () => {
  const turn = (student: number, at: number): BoardTurn => ({ student, at: new Date(at) });
  test("by turns it is the one who came least often and waited longest", () => {
    expect(nextByTurns([1, 2, 3], [turn(1, 1), turn(2, 2)])).toBe(3);
    expect(nextByTurns([1, 2], [turn(1, 2), turn(2, 1)])).toBe(2);
    expect(nextByTurns([], [])).toBeNull();
  });

  test("by lot everybody comes once before anybody comes twice, whatever is drawn", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30 }),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 60, maxLength: 60 }),
        (size, draws) => {
          const students = Array.from({ length: size }, (_, at) => at);
          const turns: BoardTurn[] = [];
          for (const [at, random] of draws.entries()) turns.push(turn(drawByLot(students, turns, random)!, at));
          const counts = students.map((student) => turns.filter((one) => one.student === student).length);
          expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
        },
      ),
    );
    expect(drawByLot([], [], 0.5)).toBeNull();
    expect(drawByLot([1, 2], [], 0)).toBe(1);
    expect(drawByLot([1, 2], [], 1)).toBe(2);
  });
});
