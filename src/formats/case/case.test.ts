import { casePackage, demoFramework } from "@demo/frameworks";
import { CaseError, readCase } from "./case";

const file = (change: (value: Record<string, unknown[]> & { CFDocument: object }) => void = () => undefined) => {
  const value = {
    CFDocument: { identifier: "doc", title: "Small framework", creator: "Us" },
    CFItems: [
      { identifier: "a", humanCodingScheme: "A", fullStatement: "Number" },
      { identifier: "a2", humanCodingScheme: "A.2", fullStatement: "Count on", educationLevel: ["01", "02"] },
      { identifier: "a1", humanCodingScheme: "A.1", fullStatement: "Count", educationLevel: ["KG"] },
    ],
    CFAssociations: [
      { associationType: "isChildOf", originNodeURI: { identifier: "a" }, destinationNodeURI: { identifier: "doc" } },
      {
        associationType: "isChildOf",
        sequenceNumber: 2,
        originNodeURI: { identifier: "a2" },
        destinationNodeURI: { identifier: "a" },
      },
      {
        associationType: "isChildOf",
        sequenceNumber: 1,
        originNodeURI: { identifier: "a1" },
        destinationNodeURI: { identifier: "a" },
      },
      {
        associationType: "precedes",
        originNodeURI: { identifier: "a1" },
        destinationNodeURI: { uri: "https://x.example/a2" },
      },
    ],
  };
  change(value as never);
  return JSON.stringify(value);
};
const problem = (json: string): string => {
  try {
    readCase(json);
  } catch (error) {
    if (error instanceof CaseError) return error.message;
  }
  return "none";
};

describe("frameworks in CASE 1.0", () => {
  test("statements come parents first, siblings in their order, with their grades", () => {
    const { name, statements, associations } = readCase(file());
    expect(name).toBe("Small framework");
    expect(statements.map((one) => [one.code, one.parent, one.grades])).toEqual([
      ["A", null, null],
      ["A.1", "a", { from: 0, to: 0 }],
      ["A.2", "a", { from: 1, to: 2 }],
    ]);
    expect(associations).toEqual([{ origin: "a1", kind: "precedes", destination: "a2" }]);
  });

  test.each<[string, string, RegExp]>([
    ["no JSON", "{", /^the file: is not JSON/],
    ["no items", JSON.stringify({ CFDocument: { identifier: "d", title: "t" } }), /^CFItems/],
    [
      "an item that says nothing",
      file((value) => ((value.CFItems![1] as { fullStatement: string }).fullStatement = " ")),
      /^CFItems\.1\.fullStatement: has no fullStatement/,
    ],
    [
      "one identifier twice",
      file((value) => void value.CFItems!.push({ ...(value.CFItems![0] as object) })),
      /^CFItems\.3: has the identifier of CFItems\.0/,
    ],
    [
      "a parent that is not there",
      file(
        (value) =>
          ((value.CFAssociations![1] as { destinationNodeURI: object }).destinationNodeURI = { identifier: "gone" }),
      ),
      /^CFAssociations\.1: the parent gone is not in this file/,
    ],
    [
      "a circle",
      file(
        (value) =>
          ((value.CFAssociations![0] as { destinationNodeURI: object }).destinationNodeURI = { identifier: "a1" }),
      ),
      /is its own parent/,
    ],
  ])("%s is refused, naming the place", (_what, json, said) => {
    expect(problem(json)).toMatch(said);
  });

  test("what is not taken over is said, not swallowed", () => {
    const { statements, leftOut } = readCase(
      file((value) => {
        (value.CFItems![1] as { educationLevel: string[] }).educationLevel.push("HS");
        value.CFAssociations!.push(
          {
            associationType: "isTranslationOf",
            originNodeURI: { identifier: "a1" },
            destinationNodeURI: { identifier: "x" },
          },
          {
            associationType: "isChildOf",
            originNodeURI: { identifier: "a1" },
            destinationNodeURI: { identifier: "a2" },
          },
        );
      }),
    );
    expect(leftOut).toEqual([
      "1 associations of the kind isTranslationOf",
      "1 further places of a statement in the tree",
      "1 mentions of the level HS, which is no grade",
    ]);
    expect(statements.find((one) => one.code === "A.1")!.parent).toBe("a");
    expect(readCase(file()).leftOut).toEqual([]);
  });

  test("the demo's framework has about 180 statements for three subjects, K to 8, each code once", () => {
    const { statements } = readCase(casePackage("skerry-isles"));
    const leaves = statements.filter((one) => one.grades !== null);
    expect(leaves.length).toBeGreaterThanOrEqual(180);
    expect(new Set(statements.map((one) => one.code)).size).toBe(statements.length);
    expect(new Set(leaves.map((one) => one.code.slice(0, 2)))).toEqual(new Set(["MA", "RE", "SC"]));
    expect([
      Math.min(...leaves.map((one) => one.grades!.from)),
      Math.max(...leaves.map((one) => one.grades!.to)),
    ]).toEqual([0, 8]);
  });

  test("England's Year 5 is school grade 4", () => {
    const { statements } = demoFramework("england-small");
    expect(statements.find((one) => one.code === "EN.Ma.Y5.Me.1")!.grades).toEqual({ from: 4, to: 4 });
  });
});
