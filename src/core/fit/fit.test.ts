import { lesson } from "@/data/testing/world";
import { factsOf, type Facts } from "../resource/facts";
import { fitOf, weights, type ClassProfile } from "./fit";

const kittiwake: ClassProfile = {
  name: "5 Kittiwake",
  periodMinutes: 45,
  grades: { from: 5, to: 5 },
  reading: { from: 3.4, to: 6.2 },
  languages: ["en"],
  devices: ["computer", "tablet"],
  country: "XS",
  covered: ["MA.5.N.1"],
};
const facts = (more: Partial<Facts>): Facts => ({
  ...factsOf(lesson("A lesson", { grades: { from: 4, to: 5 } })),
  minutes: 25,
  readingGrade: 4.1,
  ...more,
});
const reasonOf = (more: Partial<Facts>, aspect: string) =>
  fitOf(facts(more), kittiwake).reasons.find((one) => one.aspect === aspect)!;

const coins = (count: number): Facts["signs"] =>
  Array.from({ length: count }, (_, at) => ({ kind: "money", text: `$${at + 1}`, countries: ["US"] }));

describe("how a resource suits a class", () => {
  test("one that suits says so, with every reason", () => {
    const fit = fitOf(facts({ standards: ["MA.5.M.2"] }), kittiwake);
    expect(fit.verdict).toBe("fits");
    expect(fit.order).toBe(1);
    expect(fit.reasons.map((reason) => reason.text)).toEqual([
      "25 of your 45 minutes",
      "reads at 4.1, 5 Kittiwake reads at 3.4 to 6.2",
      "made for grades 4 to 5",
      "covers MA.5.M.2, not met yet",
      "nothing in it belongs to another country",
      "in English",
    ]);
  });

  test("too long is said in periods", () => {
    expect(reasonOf({ minutes: 80 }, "length")).toMatchObject({
      level: 1,
      text: "takes 80 minutes: 2 of your periods",
    });
    expect(reasonOf({ minutes: 200 }, "length").level).toBe(0);
  });

  test("too hard to read spoils it, a little hard needs care, unmeasured says nothing", () => {
    expect(reasonOf({ readingGrade: 9 }, "reading")).toMatchObject({ level: 0 });
    expect(reasonOf({ readingGrade: 6.8 }, "reading").text).toBe(
      "reads at 6.8, above your strongest: 5 Kittiwake reads at 3.4 to 6.2",
    );
    expect(reasonOf({ readingGrade: null }, "reading")).toBeUndefined();
    expect(reasonOf({ readingGrade: 0 }, "reading")).toMatchObject({
      level: 1,
      text: expect.stringContaining("far below everyone"),
    });
  });

  test("the wrong language or a device that is not there does not do", () => {
    expect(fitOf(facts({ languages: ["es"] }), kittiwake).verdict).toBe("does not");
    expect(reasonOf({ devices: ["microphone"] }, "devices")).toMatchObject({ level: 0, text: "needs a microphone" });
  });

  test("another country's coins are named", () => {
    const signs = [{ kind: "money" as const, text: "$5.00", countries: ["US" as const] }];
    expect(reasonOf({ country: "US", signs }, "country")).toMatchObject({
      level: 1,
      text: "made for the United States: $5.00",
    });
  });

  test("met already is no harm, only a place further down", () => {
    const met = fitOf(facts({ standards: ["MA.5.N.1"] }), kittiwake);
    expect(met.verdict).toBe("fits");
    expect(met.order).toBeLessThan(fitOf(facts({ standards: ["MA.5.M.2"] }), kittiwake).order);
  });

  test("what spoils the lesson comes first, and the weights are shares of one", () => {
    expect(fitOf(facts({ minutes: 400, readingGrade: 6.5 }), kittiwake).reasons.map((reason) => reason.level)).toEqual([
      0, 1, 2, 2, 2,
    ]);
    expect(Object.values(weights).reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1);
  });

  const range = "5 Kittiwake reads at 3.4 to 6.2";
  test.each<[string, Partial<Facts>, string, number, string]>([
    ["just the period", { minutes: 45 }, "length", 2, "45 of your 45 minutes"],
    ["a minute more", { minutes: 46 }, "length", 1, "takes 46 minutes: 2 of your periods"],
    ["just two periods", { minutes: 90 }, "length", 1, "takes 90 minutes: 2 of your periods"],
    ["more than two", { minutes: 91 }, "length", 0, "takes 91 minutes: 3 of your periods"],
    ["read at the middle of the class", { readingGrade: 4.8 }, "reading", 2, `reads at 4.8, ${range}`],
    ["above the middle", { readingGrade: 5 }, "reading", 1, `reads at 5.0, hard for half of them: ${range}`],
    ["as the strongest reads", { readingGrade: 6.2 }, "reading", 1, `reads at 6.2, hard for half of them: ${range}`],
    ["a grade and a half above", { readingGrade: 7.7 }, "reading", 1, `reads at 7.7, above your strongest: ${range}`],
    ["more than that", { readingGrade: 7.8 }, "reading", 0, `reads at 7.8, far above everyone: ${range}`],
    ["below the weakest", { readingGrade: 3 }, "reading", 2, `reads at 3.0, ${range}`],
    ["two grades below", { readingGrade: 1.4 }, "reading", 2, `reads at 1.4, ${range}`],
    ["more than two below", { readingGrade: 1.3 }, "reading", 1, `reads at 1.3, far below everyone: ${range}`],
    ["of one grade, this one", { grades: { from: 5, to: 5 } }, "grade", 2, "made for grade 5"],
    ["of the next grade", { grades: { from: 6, to: 6 } }, "grade", 1, "made for grade 6"],
    ["of the grade before", { grades: { from: 3, to: 4 } }, "grade", 1, "made for grades 3 to 4"],
    ["of two grades on", { grades: { from: 7, to: 8 } }, "grade", 0, "made for grades 7 to 8"],
    ["of two grades before", { grades: { from: 1, to: 3 } }, "grade", 0, "made for grades 1 to 3"],
    ["of home", { country: "XS" }, "country", 2, "made for the Skerry Isles"],
    ["of elsewhere, without a sign", { country: "US", signs: [] }, "country", 1, "made for the United States"],
    [
      "of more signs than are named",
      { country: "US", signs: coins(4) },
      "country",
      1,
      "made for the United States: $1, $2, $3",
    ],
    ["in a language of theirs", { languages: ["en-GB"] }, "language", 2, "in British English"],
    ["in one they do not read", { languages: ["es"] }, "language", 0, "in Spanish, which the class does not read"],
    [
      "for devices they have",
      { devices: ["computer", "tablet"] },
      "devices",
      2,
      "you have the computer, tablet it needs",
    ],
    [
      "for one they lack",
      { devices: ["tablet", "microphone", "camera"] },
      "devices",
      0,
      "needs a microphone and a camera",
    ],
    [
      "of a standard met and one open",
      { standards: ["MA.5.N.1", "MA.5.M.2"] },
      "standards",
      2,
      "covers MA.5.M.2, not met yet",
    ],
    ["of standards met", { standards: ["MA.5.N.1"] }, "standards", 1, "MA.5.N.1 again: met already"],
  ])("%s", (_what, more, aspect, level, text) => {
    expect(reasonOf(more, aspect)).toEqual({ aspect, level, text });
  });

  test("a class of several grades is suited by what is made for all of them; for one of them with care", () => {
    const puffin = { ...kittiwake, grades: { from: 4, to: 5 } };
    const level = (from: number, to: number) =>
      fitOf(facts({ grades: { from, to } }), puffin).reasons.find(({ aspect }) => aspect === "grade")!.level;
    expect([
      level(4, 5),
      level(3, 6),
      level(4, 4),
      level(5, 6),
      level(5, 5),
      level(6, 7),
      level(3, 3),
      level(1, 2),
    ]).toEqual([2, 2, 1, 1, 1, 1, 1, 0]);
  });

  test("what is not said is not weighed: no reading grade measured, nothing needed, no standard", () => {
    const { reasons, order } = fitOf(facts({ devices: ["any", "none"] }), { ...kittiwake, reading: null });
    expect(reasons.map(({ aspect }) => aspect)).toEqual(["length", "grade", "country", "language"]);
    expect(order).toBe(1);
  });

  test("the order is the share of the weights that are met", () => {
    const { order } = fitOf(facts({ minutes: 60, languages: ["es"] }), kittiwake);
    // Reading, grade and country whole, length half, language not at all, of what is said.
    expect(order).toBeCloseTo((0.25 + 0.2 + 0.08 + 0.1) / (0.25 + 0.2 + 0.08 + 0.2 + 0.1));
  });
});
