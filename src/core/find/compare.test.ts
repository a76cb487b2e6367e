import { lesson } from "@/data/testing/world";
import { factsOf } from "../resource/facts";
import { compareFacts } from "./compare";
import { formatReadingGrade } from "../content/grade";

const candidate = (more: Parameters<typeof lesson>[1], author = "Teodor Brandt", usedHere = 0) => ({
  facts: factsOf(lesson("A lesson", more)),
  author,
  usedHere,
});

describe("two to four side by side", () => {
  const rows = compareFacts([
    candidate({ minutes: 25, licence: "CC-BY-4.0" }, "Teodor Brandt", 2),
    candidate({ minutes: 40, licence: "CC-BY-4.0", region: "US", months: [10, 9] }),
  ]);
  const row = (what: string) => rows.find((one) => one.what === what)!;

  test("what differs is marked and what does not is not", () => {
    expect(row("Minutes")).toEqual({
      what: "Minutes",
      values: ["25, about 5 going by its steps", "40, about 5 going by its steps"],
      differs: true,
    });
    expect(row("Licence")).toEqual({
      what: "Licence",
      values: ["Attribution (CC BY)", "Attribution (CC BY)"],
      differs: false,
    });
    expect(row("Made for").values).toEqual(["anywhere", "the United States"]);
    expect(row("Months").values).toEqual(["the whole year", "Sep, Oct"]);
    expect(row("Film").values).toEqual(["none", "none"]);
    expect(row("Used at your school").values).toEqual(["2 classes", "not yet"]);
    expect(row("Questions").values).toEqual(["1, 1 mark", "1, 1 mark"]);
  });

  test("a film's length is said, and where nobody knows it that there is one", () => {
    const { facts } = candidate({});
    const films = compareFacts([
      { facts: { ...facts, filmSeconds: 95 }, author: "Ana", usedHere: 1 },
      { facts: { ...facts, filmSeconds: 0, doing: ["watch"] }, author: "Bo", usedHere: 0 },
    ]);
    expect(films.find(({ what }) => what === "Film")!.values).toEqual(["1:35", "length not known"]);
    expect(films.find(({ what }) => what === "Used at your school")!.values).toEqual(["1 class", "not yet"]);
  });

  test("what nobody measured or stated is said so", () => {
    expect(row("Reads at").values).toEqual(["not measured", "not measured"]);
    expect(row("Standards").values).toEqual(["none said", "none said"]);
  });
});

test("beyond school a reading grade is only far beyond", () => {
  expect([formatReadingGrade(4.06), formatReadingGrade(12), formatReadingGrade(33.2)]).toEqual(["4.1", "12.0", "12+"]);
});
