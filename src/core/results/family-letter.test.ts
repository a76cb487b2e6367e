import * as letterModule from "./family-letter";
import { ResultLetterText, type LetterParts, type LetterResults } from "./family-letter";
import type { Point } from "./progress";

const text = ResultLetterText.parse({
  greeting: "To {student}'s family",
  opening: "{student} in {className}, {from} to {to}: {works}.",
  ...{ oneWork: "one work", works: "{count} works" },
  nothing: "{student} handed in nothing.",
  ...{ can: "Can:", onTheWay: "On the way:", needsTime: "Needs time:", met: "Met:", working: "Working on:" },
  ...{ results: "Results:", marks: "{gained} of {outOf}", english: "", closing: "Bye" },
});
const letters = { en: text, es: { ...text, greeting: "Familia de {student}", english: "En inglés." } };
const point = (day: number, gained: number): Point => ({
  ...{ assignment: day, title: `Work ${day}`, at: new Date(Date.UTC(2026, 10, day)), gained, outOf: 10 },
});
const bo: LetterResults = {
  ...{ student: "Bo", className: "5 Kittiwake", from: "1 Sept", to: "28 Nov" },
  points: [point(1, 9), point(2, 3)],
  standards: [
    { code: "M.1", statement: "Multiplies.", points: [point(1, 9)] },
    { code: "M.2", statement: "Tells the time.", points: [point(2, 6)] },
    { code: "M.3", statement: "", points: [point(2, 3)] },
    { code: "M.4", statement: "Not asked yet.", points: [] },
  ],
  goals: [
    { goal: "Reads tables", closed: false, criterion: { share: 0.8, times: 1 }, points: [point(1, 9)] },
    { goal: "Writes more", closed: false, criterion: null, points: [] },
  ],
};
const resultLetter = (of: typeof letters, results: LetterResults, parts: LetterParts, language: string | null) =>
  letterModule.resultLetter(of, results, parts, language, (date) => date);
const all = { standards: true, goals: true, results: true };

test("what a child can do, is on the way with and needs time for, goals, and the results one by one", () => {
  const letter = resultLetter(letters, bo, all, null);
  expect(letter.opening).toBe("Bo in 5 Kittiwake, 1 Sept to 28 Nov: 2 works.");
  expect(letter.sections).toEqual([
    { heading: "Can:", lines: ["Multiplies."] },
    { heading: "On the way:", lines: ["Tells the time."] },
    { heading: "Needs time:", lines: ["M.3"] },
    { heading: "Met:", lines: ["Reads tables"] },
    { heading: "Working on:", lines: ["Writes more"] },
    { heading: "Results:", lines: ["Work 1: 9 of 10", "Work 2: 3 of 10"] },
  ]);
});

test("in the family's language where there is a letter in it, with a word about what is not; else in English", () => {
  expect(resultLetter(letters, bo, all, "es-MX")).toMatchObject({
    ...{ language: "es", greeting: "Familia de Bo", remark: "En inglés." },
  });
  expect(resultLetter(letters, bo, all, "pl")).toMatchObject({ language: "en", remark: "" });
});

test("one piece of work is said as one", () => {
  const one = { ...bo, points: [point(1, 9)] };
  expect(resultLetter(letters, one, all, null).opening).toBe("Bo in 5 Kittiwake, 1 Sept to 28 Nov: one work.");
});

test("only what she puts in; of a child who handed in nothing that is said", () => {
  const none = { standards: false, goals: false, results: false };
  expect(resultLetter(letters, bo, none, null).sections).toEqual([]);
  const empty = { ...bo, points: [], standards: [], goals: [] };
  expect(resultLetter(letters, empty, all, null)).toMatchObject({ opening: "Bo handed in nothing.", sections: [] });
});

test("a letter's file that asks for what nobody knows is refused", () => {
  expect(ResultLetterText.safeParse({ ...text, closing: "{grade}" }).success).toBe(false);
  expect(ResultLetterText.safeParse({ ...text, greeting: "" }).success).toBe(false);
});

test("something to do at home stands in the letter, called as the family reads it; a letter without words for it says nothing", () => {
  const home = { resource: 1, languages: ["en", "es"], title: { en: "Tides", es: "Mareas" }, minutes: 12 };
  const spoken = { ...letters, es: { ...letters.es, home: "En casa: «{activity}», {minutes} minutos." } };
  const of = (language: string, chosen: typeof home | null = home) =>
    letterModule.resultLetter(spoken, bo, all, language, (date) => date, chosen).home;
  expect(of("es-MX")).toBe("En casa: «Mareas», 12 minutos.");
  expect([of("en"), of("es", null)]).toEqual(["", ""]);
});
