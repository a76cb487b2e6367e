import fc from "fast-check";
import { canonical, changesBetween } from "./changes";
import type { Document, Step } from "./document";
import { parseDocument } from "./schema/document";
import { insertStep, moveStep, newStep, removeSteps, replaceStep } from "./edit";
import { sameStep, merge, placeStepAs, takeField, takeStep } from "./merge";
import { richText } from "../content/rich-text";
import { stepText, wordsChanged } from "./words-changed";

const text = (id: string, words: string) => ({ id, type: "text" as const, text: { en: richText(words) } });
const step = (id: string, words = `Words of ${id}.`): Step => ({
  ...newStep("en", `Step ${id}`, () => id),
  blocks: [text(`${id}-1`, words), text(`${id}-2`, "The second part.")],
});
const lesson = (ids: readonly string[], more: Partial<Document> = {}): Document =>
  parseDocument({
    schema: 1,
    languages: ["en"],
    title: { en: "Ropes" },
    kind: "lesson",
    grades: { from: 4, to: 5 },
    subjects: ["science"],
    licence: "CC-BY-4.0",
    steps: ids.map((id) => step(id)),
    ...more,
  });
const idsOf = (document: Document) => document.steps.map(({ id }) => id);
const base = lesson(["a", "b", "c"]);
const titled = (document: Document, id: string, title: string) =>
  replaceStep(document, { ...document.steps.find((one) => one.id === id)!, title: { en: title } });

describe("what two people changed apart comes together", () => {
  test("a step each", () => {
    const { document, taken, conflicts } = merge(base, titled(base, "a", "Mine"), titled(base, "c", "Theirs"));
    expect(document.steps.map((one) => one.title.en)).toEqual(["Mine", "Step b", "Theirs"]);
    expect([taken, conflicts]).toEqual([["c"], []]);
  });

  test("different parts of one step", () => {
    const mine = titled(base, "b", "A better title");
    const theirs = replaceStep(base, {
      ...base.steps[1]!,
      blocks: [text("b-1", "Other words."), base.steps[1]!.blocks[1]!],
    });
    const { document, conflicts } = merge(base, mine, theirs);
    expect(conflicts).toEqual([]);
    expect(stepText(document.steps[1]!, ["en"])).toBe("A better title\nOther words.\nThe second part.");
  });

  test("a part put in by each, in one step", () => {
    const withPart = (id: string) =>
      replaceStep(base, { ...base.steps[0]!, blocks: [...base.steps[0]!.blocks, text(id, id)] });
    const { document, conflicts } = merge(base, withPart("mine"), withPart("theirs"));
    expect(conflicts).toEqual([]);
    expect(document.steps[0]!.blocks.map(({ id }) => id).sort()).toEqual(["a-1", "a-2", "mine", "theirs"]);
  });

  test("one puts a step in, the other moves and removes", () => {
    const mine = insertStep(base, step("x"), 1);
    const theirs = removeSteps(moveStep(base, 2, 0), ["b"]);
    expect(idsOf(merge(base, mine, theirs).document)).toEqual(["c", "a", "x"]);
  });

  test("the title by one, the grades by the other", () => {
    const mine = { ...base, title: { en: "Knots" } };
    const { document, takenFields } = merge(base, mine, { ...base, grades: { from: 3, to: 5 } });
    expect([document.title.en, document.grades.from]).toEqual(["Knots", 3]);
    expect(takenFields).toEqual(["grades"]);
  });

  test("the licence stays mine, and and everyone either names is named", () => {
    expect(merge(base, base, { ...base, licence: "CC0-1.0" }).document.licence).toBe("CC-BY-4.0");
    const named = (...titles: string[]): Document => ({
      ...base,
      credits: titles.map((title) => ({ title, author: "A", source: "S", licence: "CC-BY-4.0" as const, changed: "" })),
    });
    const { document } = merge(base, named("Mine", "Both"), named("Both", "Theirs"));
    expect(document.credits.map(({ title }) => title)).toEqual(["Theirs", "Mine", "Both"]);
  });

  test("a step taken from its author is still known to have come from there", () => {
    const origin = { resource: 7, revision: 8, step: "a" };
    const mine = replaceStep(base, { ...base.steps[0]!, origin });
    expect(merge(base, mine, titled(base, "a", "Theirs")).document.steps[0]).toMatchObject({
      origin,
      title: { en: "Theirs" },
    });
    expect(takeStep(mine, titled(base, "a", "Theirs"), "a").steps[0]!.origin).toEqual(origin);
  });
});

describe("what both changed is handed back to choose from", () => {
  test("the same words: mine stay, theirs are beside", () => {
    const { document, conflicts } = merge(base, titled(base, "b", "Mine"), titled(base, "b", "Theirs"));
    expect(document.steps[1]!.title.en).toBe("Mine");
    expect(conflicts.map(({ step: id, theirs }) => [id, theirs?.title.en])).toEqual([["b", "Theirs"]]);
  });

  test("removed by one and changed by the other", () => {
    const [removed, changed] = [removeSteps(base, ["b"]), titled(base, "b", "Changed")];
    expect(merge(base, removed, changed).conflicts).toMatchObject([{ step: "b", mine: null }]);
    expect(merge(base, changed, removed).conflicts).toMatchObject([{ step: "b", theirs: null }]);
    expect(idsOf(merge(base, changed, removed).document)).toEqual(["a", "b", "c"]);
  });

  test("a field of the whole", () => {
    const { conflicts } = merge(base, { ...base, minutes: 30 }, { ...base, minutes: 40 });
    expect(conflicts).toMatchObject([{ step: null, field: "minutes" }]);
  });

  test("both made the same change: nothing to choose", () => {
    expect(merge(base, titled(base, "a", "New"), titled(base, "a", "New")).conflicts).toEqual([]);
  });
});

describe("one change taken at a time", () => {
  const theirs = titled(insertStep(removeSteps(base, ["a"]), step("y"), 2), "b", "Theirs");

  test("a changed step in its place, a new one beside its neighbour, a removed one away", () => {
    expect(takeStep(base, theirs, "b").steps[1]!.title.en).toBe("Theirs");
    expect(idsOf(takeStep(base, theirs, "y"))).toEqual(["a", "b", "c", "y"]);
    expect(idsOf(takeStep(base, theirs, "a"))).toEqual(["b", "c"]);
  });

  test("all of them taken, nothing is left to take", () => {
    const all = ["a", "b", "y"].reduce((document, id) => takeStep(document, theirs, id), base);
    expect(changesBetween(theirs, all).count).toBe(0);
    expect(takeField(base, { ...base, minutes: 12 }, "minutes").minutes).toBe(12);
  });
});

// Random edits of a lesson of up to six steps.
type Edit = (document: Document) => Document;
const someEdit = (mark: string): fc.Arbitrary<Edit> =>
  fc.oneof(
    fc.nat(5).map((at): Edit => (document) => {
      const found = document.steps[at];
      return found ? titled(document, found.id, `${mark} ${at}`) : document;
    }),
    fc.nat(5).map((at): Edit => (document) => {
      const found = document.steps[at];
      return found ? removeSteps(document, [found.id]) : document;
    }),
    fc.tuple(fc.nat(5), fc.nat(5)).map(
      ([from, to]): Edit =>
        (document) =>
          moveStep(document, from, to),
    ),
    fc.tuple(fc.nat(5), fc.nat(99)).map(
      ([at, n]): Edit =>
        (document) =>
          document.steps.some(({ id }) => id === `${mark}${n}`)
            ? document
            : insertStep(document, step(`${mark}${n}`), at),
    ),
  );
const edited = (mark: string) =>
  fc.array(someEdit(mark), { maxLength: 5 }).map(
    (edits): Edit =>
      (document) =>
        edits.reduce((now, edit) => edit(now), document),
  );
const start = lesson(["a", "b", "c", "d", "e", "f"]);

describe("whatever was changed", () => {
  test("merging nothing changes nothing, from either side", () => {
    fc.assert(
      fc.property(edited("m"), (edit) => {
        const changed = edit(start);
        expect(canonical(merge(start, changed, start).document)).toBe(canonical(changed));
        expect(canonical(merge(start, start, changed).document)).toBe(canonical(changed));
        expect(canonical(merge(start, changed, changed).document)).toBe(canonical(changed));
        for (const [mine, theirs] of [
          [changed, start],
          [start, changed],
          [changed, changed],
        ] as const)
          expect(merge(start, mine, theirs).conflicts).toEqual([]);
      }),
    );
  });

  test("a step stays, is to choose from, or goes: as one of them removed it and the other left or changed it", () => {
    fc.assert(
      fc.property(edited("m"), edited("t"), (mineEdit, theirsEdit) => {
        const [mine, theirs] = [mineEdit(start), theirsEdit(start)];
        const { document, conflicts } = merge(start, mine, theirs);
        const toChoose = conflicts.map((one) => one.step);
        const named = (of: Document, id: string) => of.steps.find((one) => one.id === id);
        for (const id of new Set([...idsOf(start), ...idsOf(mine), ...idsOf(theirs)])) {
          const [was, my, their] = [named(start, id), named(mine, id), named(theirs, id)];
          const added = !was;
          if (added || (my && their)) expect(idsOf(document)).toContain(id);
          else if (!my && !their) expect(idsOf(document)).not.toContain(id);
          // Removed by one of them: gone where the other left it as it was, else to choose from, and never both gone and unsaid.
          else if (sameStep(was, my ?? their)) expect(idsOf(document)).not.toContain(id);
          else expect(toChoose).toContain(id);
        }
        expect(new Set(idsOf(document)).size).toBe(document.steps.length);
      }),
    );
  });

  test("edits of different steps never stand in each other's way", () => {
    fc.assert(
      fc.property(fc.subarray(idsOf(start)), (ids) => {
        const others = idsOf(start).filter((id) => !ids.includes(id));
        const mine = ids.reduce((document, id) => titled(document, id, "mine"), start);
        const theirs = others.reduce((document, id) => titled(document, id, "theirs"), start);
        const { document, conflicts } = merge(start, mine, theirs);
        expect(conflicts).toEqual([]);
        expect(document.steps.map((one) => one.title.en)).toEqual(
          idsOf(start).map((id) => (ids.includes(id) ? "mine" : "theirs")),
        );
      }),
    );
  });
});

describe("word by word", () => {
  test("what went and what came", () => {
    const runs = wordsChanged("Tie the red rope.", "Tie the long red line.");
    const those = (is: string) =>
      runs
        .filter((run) => run.is === is)
        .map((run) => run.text.trim())
        .join(" ");
    expect([those("gone"), those("new")]).toEqual(["rope", "long line"]);
  });

  test("both texts can be read back from it", () => {
    const words = fc
      .array(fc.constantFrom("rope", "tide", ",", "\n", "  ", "boat.", "é"), { maxLength: 12 })
      .map((all) => all.join(" "));
    fc.assert(
      fc.property(words, words, (before, after) => {
        const runs = wordsChanged(before, after);
        const without = (is: string) =>
          runs
            .filter((run) => run.is !== is)
            .map((run) => run.text)
            .join("");
        expect(without("new")).toBe(before);
        expect(without("gone")).toBe(after);
      }),
    );
  });
});

describe("a step is placed as it stands in another document", () => {
  const of = (...ids: string[]) => lesson(ids);

  test("behind the nearest step before it there, with nothing else moved or lost", () => {
    expect(idsOf(placeStepAs(of("d", "c", "b", "a"), of("a", "b", "c", "d"), "c"))).toEqual(["d", "b", "c", "a"]);
  });

  test("first where none of those before it there is here", () => {
    expect(idsOf(placeStepAs(of("b", "c"), of("x", "c", "b"), "c"))).toEqual(["c", "b"]);
  });

  test("past a step that is not here, to the one before that", () => {
    expect(idsOf(placeStepAs(of("c", "a", "b"), of("a", "x", "c"), "c"))).toEqual(["a", "c", "b"]);
  });

  test("a step one of the two does not have moves nothing", () => {
    const mine = of("a", "b");
    expect(placeStepAs(mine, of("b"), "a")).toBe(mine);
    expect(placeStepAs(mine, of("c", "a", "b"), "c")).toBe(mine);
  });
});
