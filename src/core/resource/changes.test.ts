import fc from "fast-check";
import { canonical, changesBetween, formatChanges } from "./changes";
import type { Document } from "./document";
import { parseDocument } from "./schema/document";
import { duplicateSteps, moveStep, newStep, removeSteps, replaceStep } from "./edit";

let n = 0;
const newId = () => `s${(n += 1)}`;
const source: Document = parseDocument({
  schema: 1,
  languages: ["en"],
  title: { en: "Tides" },
  kind: "lesson",
  grades: { from: 4, to: 5 },
  subjects: ["science"],
  licence: "CC-BY-4.0",
  steps: ["a", "b", "c", "d", "e"].map((title) => newStep("en", title, newId)),
});
const [a, b, c, d, e] = source.steps.map((step) => step.id) as [string, string, string, string, string];

describe("what changed since the source", () => {
  test("nothing, when nothing did", () => {
    expect(changesBetween(source, source)).toEqual({ steps: {}, removed: [], about: [], count: 0 });
    expect(formatChanges(changesBetween(source, source))).toBe("nothing changed yet");
  });

  test("only the step that moved is called moved, not those it passed", () => {
    expect(changesBetween(source, moveStep(source, 4, 0)).steps).toEqual({ [e]: "moved" });
    expect(changesBetween(source, moveStep(source, 0, 3)).steps).toEqual({ [a]: "moved" });
  });

  test("a rewritten step is changed, a copied one new, a lost one removed", () => {
    const rewritten = replaceStep(source, { ...source.steps[1]!, title: { en: "better" } });
    const copied = duplicateSteps(rewritten, [c], newId);
    const mine = removeSteps(copied, [d]);
    const changes = changesBetween(source, mine);
    expect(changes.steps[b]).toBe("changed");
    expect(Object.values(changes.steps).filter((change) => change === "new")).toHaveLength(1);
    expect(changes.removed).toEqual([d]);
    expect(formatChanges(changes)).toBe("1 step changed, 1 new, 1 removed");
  });

  test("the note of its origin is no change of a step", () => {
    const adapted = {
      ...source,
      steps: source.steps.map((step) => ({ ...step, origin: { resource: 1, revision: 2, step: step.id } })),
    };
    expect(changesBetween(source, adapted).count).toBe(0);
  });

  test("another title, other grades: said about the whole", () => {
    const mine = { ...source, title: { en: "Our tides" }, grades: { from: 3, to: 4 } };
    expect(changesBetween(source, mine).about).toEqual(["title", "grades"]);
    expect(formatChanges(changesBetween(source, mine))).toBe("different title, grades");
  });

  test("any shuffling is counted as moves of the fewest steps", () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([0, 1, 2, 3, 4], { minLength: 5, maxLength: 5 }), (order) => {
        const mine = { ...source, steps: order.map((at) => source.steps[at]!) };
        const { steps, removed } = changesBetween(source, mine);
        expect(removed).toEqual([]);
        expect(Object.values(steps).every((change) => change === "moved")).toBe(true);
        // What did not move still stands in its old order.
        const stayed = order.filter((at) => !(source.steps[at]!.id in steps));
        expect(stayed).toEqual([...stayed].sort((x, y) => x - y));
      }),
    );
  });
});

describe("the same value whatever the order of its keys", () => {
  test("a jsonb column may give keys back in another order", () => {
    expect(canonical({ b: 1, a: [1, { d: 2, c: 3 }] })).toBe(canonical({ a: [1, { c: 3, d: 2 }], b: 1 }));
    expect(canonical({ a: undefined })).toBe("{}");
    expect(canonical([1, 2])).not.toBe(canonical([2, 1]));
  });
});
