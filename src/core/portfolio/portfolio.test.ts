import fc from "fast-check";
import { portfolioReport, portfolioRows } from "../report/portfolio-report";
import { byYear, type PortfolioPiece } from "./piece";
import { LEFT_OUT, withoutNames } from "./without-names";

test("names of others are left out in any case and with any accent; the child's own stay, and so do words that only begin alike", () => {
  const others = ["Liv Torsen", "Mary Ann O’Dell"];
  expect(withoutNames("LIV and Torsen live here. Livia too.", others, [])).toBe("… and … live here. Livia too.");
  expect(withoutNames("Zoë, zoe and ZOË", ["Zoe Fell"], [])).toBe("…, … and …");
  expect(withoutNames("Liv and I, Liv Dale", ["Liv Torsen"], ["Liv Dale"])).toBe("Liv and I, Liv Dale");
  expect(withoutNames("Nobody", [], ["Liv"])).toBe("Nobody");
});

test("after leaving names out no word of a name is left, whatever was written", () => {
  const name = fc.constantFrom("Liv", "Torsen", "Åse", "Ravn", "Mei");
  fc.assert(
    fc.property(fc.array(fc.oneof(name, fc.string()), { maxLength: 12 }), (words) => {
      const said = withoutNames(words.join(" "), ["Liv Torsen", "Åse Ravn", "Mei Li"], []);
      expect(said).not.toMatch(/(?<![\p{L}\p{M}\p{N}])(liv|torsen|åse|ase|ravn|mei)(?![\p{L}\p{M}\p{N}])/iu);
      expect(withoutNames(said, ["Liv Torsen"], [])).toBe(said);
    }),
  );
  expect(LEFT_OUT).not.toMatch(/\p{L}/u);
});

test("pieces stand by year, the newest year and the newest piece first", () => {
  const piece = (id: number, year: number, day: number) =>
    ({ id, year, handedIn: new Date(Date.UTC(year, 9, day)) }) as PortfolioPiece;
  const years = byYear([piece(1, 2024, 3), piece(2, 2026, 1), piece(3, 2026, 9)]);
  expect(years.map(({ year, pieces }) => [year, pieces.map(({ id }) => id)])).toEqual([
    [2026, [3, 2]],
    [2024, [1]],
  ]);
});

test("as a report a piece is a section: why it is there, then what was asked and answered; drawings are drawn, recordings named", () => {
  const strokes = [{ ink: "green" as const, width: 4, points: [0, 0, 1, 1] }];
  const asked = { id: "q", marks: 1, partial: "all", checked: "never", prompt: {} };
  const piece = {
    ...{ id: 1, assignment: 1, title: "Kelp", year: 2026, handedIn: new Date("2026-11-20T10:00:00Z") },
    ...{ why: "It looks wet.", voice: { media: "a".repeat(64), seconds: 3 }, byChild: true, whole: true, together: 0 },
    answers: [
      { question: "w", step: "One", asks: "What is it?", said: "Kelp", made: null },
      {
        question: "d",
        step: "Two",
        asks: "",
        said: "",
        made: { question: { ...asked, type: "sketch" }, value: strokes },
      },
      {
        ...{ question: "p", step: "Three", asks: "Take a picture", said: "" },
        made: { question: { ...asked, type: "photo" }, value: ["b".repeat(64), "c".repeat(64)] },
      },
    ],
  } as unknown as PortfolioPiece;
  const pictures = new Map([["b".repeat(64), new Uint8Array([1])]]);
  const { sections } = portfolioReport([piece], {
    name: "Mei",
    author: "Ines",
    formatDay: () => "Fri 20 Nov",
    pictures,
  });
  expect(sections).toHaveLength(1);
  expect(sections[0]!.blocks).toEqual([
    { kind: "text", soft: true, text: "Portfolio of Mei. School year 2026, Fri 20 Nov." },
    { kind: "heading", text: "Why it is here" },
    { kind: "text", text: "It looks wet. There is a recording of why: listen to it on screen." },
    { kind: "text", soft: true, text: "What is it?" },
    { kind: "text", text: "Kelp" },
    { kind: "text", soft: true, text: "Two" },
    { kind: "drawing", strokes, text: "A drawing: Two" },
    { kind: "text", soft: true, text: "Take a picture" },
    { kind: "picture", bytes: new Uint8Array([1]), text: "A photograph: Take a picture" },
    { kind: "text", text: "A photograph: look at it on screen." },
  ]);
  expect(
    portfolioRows([piece])
      .slice(1)
      .map((row) => row.slice(3, 5)),
  ).toEqual([
    ["What is it?", "Kelp"],
    ["Two", "a drawing"],
    ["Take a picture", "a photograph"],
  ]);
});
