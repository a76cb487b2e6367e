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

  test("what stands in the way comes first, and the weights are shares of one", () => {
    expect(fitOf(facts({ minutes: 400, readingGrade: 6.5 }), kittiwake).reasons.map((reason) => reason.level)).toEqual([
      0, 1, 2, 2, 2,
    ]);
    expect(Object.values(weights).reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1);
  });
});
