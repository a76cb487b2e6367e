import { strFromU8, unzipSync } from "fflate";
import { markTable, plainRules, type Got } from "@/core/results/mark-table";
import { classOf } from "@/core/results/testing/answered";
import { readTable } from "./csv";
import { writeRosterResults } from "./one-roster-results";
import { xapiStatements } from "./xapi";

describe("results as xAPI statements", () => {
  const of = { home: "https://satchel.example", assignment: 12, title: "Tides", language: "en" };
  const [first, second, ...rest] = xapiStatements(classOf(["BA."]), of) as Record<string, never>[];

  test("say who answered what, how it went and how long it took; a blank says nothing", () => {
    expect(first).toMatchObject({
      actor: { name: "Child 01", account: { homePage: "https://satchel.example", name: "1" } },
      verb: { id: "http://adlnet.gov/expapi/verbs/answered" },
      object: { id: "https://satchel.example/work/12/question/q1" },
      result: { response: "B", success: true, score: { scaled: 1, raw: 1, min: 0, max: 1 }, duration: "PT30S" },
    });
    expect(second).toMatchObject({ result: { success: false, score: { scaled: 0 } } });
    expect(rest).toHaveLength(1);
  });

  test("say that it was handed in, with a score between -1 and 1 or none", () => {
    expect(rest[0]).toMatchObject({
      verb: { id: "http://adlnet.gov/expapi/verbs/completed" },
      object: { id: "https://satchel.example/work/12", definition: { name: { en: "Tides" } } },
      result: { completion: true },
    });
    const [scored] = xapiStatements(
      { ...classOf(["B"]), rows: classOf(["B"]).rows.map((row) => ({ ...row, marks: 3, outOf: 4 })) },
      of,
    ).slice(-1);
    expect(scored).toMatchObject({ result: { score: { scaled: 0.75, raw: 3, max: 4 } } });
  });
});

describe("marks for a register, OneRoster 1.2", () => {
  const got: Got[] = [
    { kind: "marks", gained: 7, outOf: 10 },
    { kind: "missing" },
    { kind: "not read" },
    { kind: "to come" },
  ];
  const works = got.map((_, at) => ({
    id: at + 1,
    title: `Work ${at + 1}`,
    due: new Date("2026-11-20T15:00:00Z"),
    goals: [],
    weight: 100,
  }));
  const { rows } = markTable(
    [{ id: 5, name: "Liv Torsen" }],
    works,
    new Map([[5, Object.fromEntries(got.map((one, at) => [at + 1, one]))]]),
    plainRules,
  );
  const written = () =>
    writeRosterResults({
      ...{ classId: "c-9", schoolId: "s-1", works, rows },
      studentIds: new Map([[5, "st-77"]]),
      at: "2026-11-29T10:00:00.000Z",
    });
  const table = async (name: string) => {
    const [head, ...lines] = readTable(strFromU8(unzipSync(await written())[name]!).trim());
    return lines.map((line) => Object.fromEntries(head!.map((column, at) => [column, line[at]])));
  };

  test("has a line item for each piece of work, named as the roster names class and student", async () => {
    expect(await table("lineItems.csv")).toHaveLength(4);
    expect((await table("lineItems.csv"))[0]).toMatchObject({
      title: "Work 1",
      classSourcedId: "c-9",
      resultValueMax: "10",
      dueDate: "2026-11-20",
    });
    expect(await table("results.csv")).toMatchObject([
      { studentSourcedId: "st-77", scoreStatus: "fully graded", score: "7", missing: "false" },
      { scoreStatus: "not submitted", score: "", missing: "true" },
      { scoreStatus: "submitted", score: "" },
    ]);
  });

  test("says in its manifest which files there are", async () => {
    const files = Object.keys(unzipSync(await written()));
    const bulk = (await table("manifest.csv"))
      .filter(({ value }) => value === "bulk")
      .map(({ propertyName }) => `${propertyName!.replace("file.", "")}.csv`);
    expect(bulk.toSorted()).toEqual(files.filter((name) => name !== "manifest.csv").toSorted());
  });
});
