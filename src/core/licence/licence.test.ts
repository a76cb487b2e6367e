import { richText } from "../content/rich-text";
import type { Document, Licence } from "../resource/document";
import { newStep } from "../resource/edit";
import { parseDocument } from "../resource/schema/document";
import {
  creditLine,
  licenceProblem,
  licencesAllowed,
  licencesForAdaptation,
  mayAdapt,
  formatBeforeTaking,
  sharingProblem,
  shortLicence,
  startAdaptation,
} from "./licence";
import { licenceProblems } from "./way-out";

// Creative Commons' compatibility chart for adaptations; from memory. A row: may an adaptation of it be shared under …?
describe("the licence chart, row by row", () => {
  const chart: [Licence, Partial<Record<Licence, boolean>>][] = [
    [
      "CC0-1.0",
      { "CC0-1.0": true, "CC-BY-4.0": true, "CC-BY-SA-4.0": true, "CC-BY-NC-4.0": true, "all-rights-reserved": true },
    ],
    [
      "CC-BY-4.0",
      {
        "CC0-1.0": false,
        "CC-BY-4.0": true,
        "CC-BY-SA-4.0": true,
        "CC-BY-NC-4.0": true,
        "CC-BY-NC-SA-4.0": true,
        "all-rights-reserved": false,
      },
    ],
    ["CC-BY-NC-4.0", { "CC-BY-4.0": false, "CC-BY-SA-4.0": false, "CC-BY-NC-4.0": true, "CC-BY-NC-SA-4.0": true }],
    ["CC-BY-SA-4.0", { "CC-BY-4.0": false, "CC-BY-SA-4.0": true, "CC-BY-NC-SA-4.0": false }],
    ["CC-BY-NC-SA-4.0", { "CC-BY-NC-4.0": false, "CC-BY-NC-SA-4.0": true, "CC-BY-SA-4.0": false }],
    ["CC-BY-ND-4.0", { "CC-BY-ND-4.0": false, "CC-BY-4.0": false, "CC0-1.0": false }],
    ["CC-BY-NC-ND-4.0", { "CC-BY-NC-ND-4.0": false }],
    ["all-rights-reserved", { "all-rights-reserved": false, "CC-BY-4.0": false }],
  ];
  test.each(chart)("%s", (source, row) => {
    const allowed = licencesForAdaptation(source);
    for (const [target, may] of Object.entries(row))
      expect([target, allowed.includes(target as Licence)]).toEqual([target, may]);
  });
});

describe("adapting", () => {
  test("what forbids changes says so, except to its own author", () => {
    expect(mayAdapt("CC-BY-ND-4.0", false)).toMatchObject({
      allowed: false,
      reason: expect.stringContaining("not changed") as string,
    });
    expect(mayAdapt("CC-BY-ND-4.0", true)).toEqual({ allowed: true });
    expect(mayAdapt("CC-BY-SA-4.0", false)).toEqual({ allowed: true });
  });

  const source = parseDocument({
    schema: 1,
    languages: ["en"],
    title: { en: "Reading a tide table" },
    kind: "lesson",
    grades: { from: 4, to: 5 },
    subjects: ["mathematics"],
    licence: "CC-BY-SA-4.0",
    credits: [
      { title: "Tide clock", author: "R. Sundin", source: "the commons", licence: "CC-BY-SA-4.0", changed: "shorter" },
    ],
    steps: [
      { id: "s1", title: { en: "Why" }, blocks: [{ id: "b1", type: "text", text: { en: richText("Because.") } }] },
      { id: "s2", title: { en: "How" }, origin: { resource: 3, revision: 4, step: "x" }, blocks: [] },
    ],
  });
  const from = {
    resource: 7,
    revision: 11,
    title: "Reading a tide table",
    author: "Teodor Brandt",
    source: "Lighthouse Road Primary",
  };

  test("keeps the ids of steps, notes where each came from, and an older origin stays", () => {
    const { steps } = startAdaptation(source, from);
    expect(steps.map((step) => step.id)).toEqual(["s1", "s2"]);
    expect(steps[0]!.origin).toEqual({ resource: 7, revision: 11, step: "s1" });
    expect(steps[1]!.origin).toEqual({ resource: 3, revision: 4, step: "x" });
  });

  test("credits only grow, and the licence becomes no freer", () => {
    const mine = startAdaptation(source, from);
    expect(mine.credits).toHaveLength(2);
    expect(mine.credits[0]).toEqual(source.credits[0]);
    expect(mine.licence).toBe("CC-BY-SA-4.0");
  });

  test("leaves the source as it was", () => {
    const before = JSON.stringify(source);
    startAdaptation(source, from);
    expect(JSON.stringify(source)).toBe(before);
  });

  test("the credit line names title, author, source, licence, and what was changed", () => {
    const [, credit] = startAdaptation(source, from).credits;
    expect(creditLine({ ...credit!, changed: "2 steps changed" })).toBe(
      "“Reading a tide table” by Teodor Brandt, Lighthouse Road Primary, Attribution, share alike (CC BY-SA); changed: 2 steps changed",
    );
  });
});

describe("a licence never becomes freer than its sources allow", () => {
  const credit = (licence: Licence) => ({
    title: `A ${licence} lesson`,
    author: "A",
    source: "S",
    licence,
    changed: "",
  });

  test("by one source", () => {
    expect(licenceProblem({ licence: "CC-BY-SA-4.0", credits: [credit("CC-BY-SA-4.0")] })).toBeNull();
    expect(licenceProblem({ licence: "CC0-1.0", credits: [credit("CC-BY-SA-4.0")] })).toContain("cannot be under");
    expect(licenceProblem({ licence: "CC-BY-4.0", credits: [credit("CC-BY-NC-4.0")] })).toContain("CC-BY-NC-4.0");
  });

  test("by the strictest of several", () => {
    expect(licenceProblem({ licence: "CC-BY-4.0", credits: [credit("CC0-1.0"), credit("CC-BY-4.0")] })).toBeNull();
    expect(licenceProblem({ licence: "CC-BY-4.0", credits: [credit("CC0-1.0"), credit("CC-BY-NC-4.0")] })).toContain(
      "BY-NC",
    );
  });

  test("share-alike beside non-commercial goes under no licence: both are named, with the way out", () => {
    const problem = licenceProblem({
      licence: "CC-BY-SA-4.0",
      credits: [
        { title: "Tides", author: "A", source: "S", licence: "CC-BY-SA-4.0", changed: "" },
        { title: "Ropes", author: "B", source: "S", licence: "CC-BY-NC-4.0", changed: "" },
      ],
    });
    expect(problem).toContain("“Tides”");
    expect(problem).toContain("“Ropes”");
    expect(problem).toContain("Take the steps of one of them out.");
  });

  test("what was made from nothing may be under any", () => {
    for (const licence of ["CC0-1.0", "CC-BY-ND-4.0", "all-rights-reserved"] as const)
      expect(licenceProblem({ licence, credits: [] })).toBeNull();
  });

  test("what may not be shared keeps its licence, and stays with her", () => {
    const own = { licence: "all-rights-reserved", credits: [credit("all-rights-reserved")] } as const;
    expect(licenceProblem({ ...own, credits: [...own.credits] })).toBeNull();
    expect(sharingProblem({ credits: [...own.credits] })).toContain("stays with you");
    expect(sharingProblem({ credits: [credit("CC-BY-4.0"), credit("CC-BY-SA-4.0")] })).toBeNull();
    expect(sharingProblem({ credits: [] })).toBeNull();
  });
});

describe("a licence that will not do has a way out", () => {
  const source = (title: string, licence: Licence, resource?: number) => ({
    ...{ title, author: "A", source: "S", licence, changed: "" },
    ...(resource !== undefined && { resource }),
  });
  const lesson = (licence: Licence, credits: Document["credits"], from?: number): Document => {
    let made = 0;
    const step = newStep("en", "Taken", () => `s${(made += 1)}`);
    return {
      ...({ schema: 1, languages: ["en"], title: { en: "T" }, summary: {}, kind: "lesson" } as const),
      ...{ grades: { from: 4, to: 4 }, subjects: ["science" as const], topics: [], devices: ["any" as const] },
      ...{ standards: [], vocabulary: [], licence, credits },
      steps: [from === undefined ? step : { ...step, origin: { resource: from, revision: 1, step: "x" } }],
    };
  };

  test("one press: the freest that all its sources allow", () => {
    expect(licencesAllowed([source("Tides", "CC-BY-4.0"), source("Ropes", "CC-BY-NC-4.0")])).toEqual([
      "CC-BY-NC-4.0",
      "CC-BY-NC-SA-4.0",
    ]);
    expect(licenceProblems(lesson("CC0-1.0", [source("Tides", "CC-BY-SA-4.0")]))).toMatchObject([
      { step: null, licence: "CC-BY-SA-4.0" },
    ]);
    expect(licenceProblems(lesson("CC-BY-SA-4.0", [source("Tides", "CC-BY-SA-4.0")]))).toEqual([]);
  });

  test("where no licence would do, the step that was taken from one of them", () => {
    const credits = [source("Tides", "CC-BY-SA-4.0"), source("Ropes", "CC-BY-NC-4.0", 7)];
    const mine = lesson("CC-BY-SA-4.0", credits, 7);
    expect(licenceProblems(mine)).toMatchObject([{ step: mine.steps[0]!.id }]);
    expect(licenceProblems(mine)[0]!.problem).toMatch(/“Tides”.*“Ropes”/);
  });

  test("before a step is taken it is said what that means for hers", () => {
    const from = (licence: Licence, own = false) => ({ title: "Ropes", licence, own });
    const mine = { licence: "CC-BY-4.0" as const, credits: [] };
    expect(formatBeforeTaking(mine, from("CC-BY-4.0"))).toBeNull();
    expect(formatBeforeTaking(mine, from("CC-BY-SA-4.0"))).toBe(
      "With a part of it, yours has to be under “Attribution, share alike (CC BY-SA)” too.",
    );
    expect(formatBeforeTaking(mine, from("CC-BY-SA-4.0", true))).toBeNull();
    const share = { licence: "CC-BY-SA-4.0" as const, credits: [source("Tides", "CC-BY-SA-4.0")] };
    expect(formatBeforeTaking(share, from("CC-BY-NC-4.0"))).toMatch(/can’t go together with “Tides”/);
    expect(formatBeforeTaking(mine, from("all-rights-reserved"))).toMatch(/“All rights reserved” too|stays with you/);
  });

  test("licences are called by few letters where there is little room", () => {
    expect(shortLicence("CC-BY-NC-SA-4.0")).toBe("CC BY-NC-SA");
    expect(shortLicence("CC0-1.0")).toBe("CC0");
    expect(shortLicence("all-rights-reserved")).toBe("all rights reserved");
  });
});
