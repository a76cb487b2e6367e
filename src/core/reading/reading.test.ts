import fc from "fast-check";
import { anyReading, isAtLevel, readBlank, writeBlank, type Blank } from "./filling";
import { interestsIn } from "./interests";
import { newStep } from "../resource/edit";
import { parseDocument } from "../resource/schema/document";
import { richText } from "../content/rich-text";
import { readOnlyDocument } from "./read-only";
import { BEAT_SECONDS, countedSeconds, readingWeek } from "./minutes";
import { suggestions, type OnShelf, type ReadingChild } from "./suggest";

const at = (seconds: number) => new Date(Date.UTC(2026, 11, 1, 9) + seconds * 1000);

describe("minutes that count", () => {
  test("a beat counts what it claims, as far as so much time has passed", () => {
    expect(countedSeconds(null, at(0), 15)).toBe(15);
    expect(countedSeconds(at(0), at(15), 15)).toBe(15);
    expect(countedSeconds(at(0), at(4), 15)).toBe(4);
    expect(countedSeconds(at(0), at(3600), 3600)).toBe(2 * BEAT_SECONDS);
    expect(countedSeconds(at(10), at(0), 15)).toBe(0);
    expect(countedSeconds(at(0), at(15), -5)).toBe(0);
  });

  test("whatever is claimed, from however many screens, no more is counted than has passed, and one beat", () => {
    const beats = fc.array(
      fc.record({ after: fc.integer({ min: 0, max: 90 }), claimed: fc.integer({ min: 0, max: 9_999 }) }),
    );
    fc.assert(
      fc.property(beats, (all) => {
        let [now, counted] = [0, 0];
        let last: Date | null = null;
        for (const { after, claimed } of all) {
          now += after;
          counted += countedSeconds(last, at(now), claimed);
          last = at(now);
        }
        expect(counted).toBeLessThanOrEqual(now + BEAT_SECONDS);
      }),
    );
  });

  test("the week: whole minutes by day, days to come empty, what is left of the goal", () => {
    const seconds = new Map([
      ["2026-11-30", 18 * 60 + 59],
      ["2026-12-01", 12 * 60],
      ["2026-11-29", 999],
    ]);
    const week = readingWeek(seconds, "2026-12-01", { minutes: 100, per: "week" });
    expect(week.days.map(({ minutes }) => minutes)).toEqual([18, 12, null, null, null, null, null]);
    expect(week).toMatchObject({ minutes: 30, goal: 100, left: 70 });
    expect(readingWeek(seconds, "2026-12-01", { minutes: 10, per: "day" })).toMatchObject({ minutes: 12, left: 0 });
  });
});

test("what a reading is about is found in its words, whole and also in the plural", () => {
  expect(interestsIn(["The keeper's letter"])).toEqual(["lighthouses", "people"]);
  expect(interestsIn(["Two boats", "in a category of its own"])).toEqual(["boats"]);
  expect(interestsIn(["Las aves del acantilado"])).toEqual(["birds"]);
  expect(interestsIn([])).toEqual([]);
});

describe("what to read next", () => {
  const reading = (resource: number, more: Partial<OnShelf> = {}): OnShelf => ({
    ...{ resource, readingGrade: 4, about: [], understood: true, top: false, finished: 0 },
    ...more,
  });
  const child = (more: Partial<ReadingChild> = {}): ReadingChild => ({
    ...{ readingGrade: 4, likes: [], known: new Set<number>() },
    ...more,
  });

  test("three with three reasons, the teacher's first", () => {
    const shelf = [
      reading(1),
      reading(2, { readingGrade: 2.5 }),
      reading(3, { finished: 4 }),
      reading(4, { about: ["boats"] }),
      reading(5, { top: true }),
    ];
    expect(suggestions(shelf, child({ likes: ["boats"] }), 5)).toEqual([
      { resource: 5, reason: { kind: "top" } },
      { resource: 4, reason: { kind: "likes", interest: "boats" } },
      { resource: 3, reason: { kind: "classmates", count: 4 } },
      { resource: 2, reason: { kind: "easy" } },
      { resource: 1, reason: { kind: "fits" } },
    ]);
  });

  test("nothing she knows, and nothing far too hard while there is something else", () => {
    const shelf = [reading(1), reading(2, { readingGrade: 9 }), reading(3)];
    expect(suggestions(shelf, child({ known: new Set([1]) })).map(({ resource }) => resource)).toEqual([3]);
    expect(suggestions([reading(2, { readingGrade: 9 })], child()).map(({ resource }) => resource)).toEqual([2]);
    expect(suggestions([reading(2, { readingGrade: 9, top: true })], child())[0]!.reason.kind).toBe("top");
    const foreign = reading(4, { understood: false });
    expect(suggestions([foreign, reading(5)], child()).map(({ resource }) => resource)).toEqual([5]);
  });

  test("without a measure there is always something, as long as the shelf has it", () => {
    const any = fc.record({
      resource: fc.integer({ min: 1, max: 40 }),
      readingGrade: fc.option(fc.float({ min: 0, max: 12, noNaN: true })),
      about: fc.subarray(["boats", "birds", "storms"] as const),
      understood: fc.boolean(),
      top: fc.boolean(),
      finished: fc.integer({ min: 0, max: 9 }),
    });
    const shelf = fc.uniqueArray(any, { selector: ({ resource }) => resource, maxLength: 20 });
    fc.assert(
      fc.property(
        shelf,
        fc.option(fc.integer({ min: 0, max: 12 })),
        fc.array(fc.integer({ min: 1, max: 40 })),
        (all, grade, known) => {
          const knows = new Set(known);
          const found = suggestions(all, child({ readingGrade: grade, likes: ["boats"], known: knows }));
          const fresh = all.filter(({ resource }) => !knows.has(resource));
          expect(new Set(found.map(({ resource }) => resource)).size).toBe(found.length);
          expect(found.every(({ resource }) => fresh.some((one) => one.resource === resource))).toBe(true);
          expect(found.length === 0).toBe(fresh.length === 0);
        },
      ),
    );
  });
});

describe("what fills a shelf", () => {
  test("is offered again as it was chosen; what cannot be read is anything", () => {
    const chosen: Blank = { subject: "science", language: "es", level: { from: 2, to: 4 } };
    expect(readBlank(writeBlank(chosen))).toEqual(chosen);
    for (const broken of ["", "kind=reading", '{"subject":"magic"}']) expect(readBlank(broken)).toEqual(anyReading);
  });

  test("a level takes what was measured within it, and nothing that was not", () => {
    const level = { ...anyReading, level: { from: 2, to: 4 } };
    expect([1.9, 2, 4, 4.1, null].map((grade) => isAtLevel(level, grade))).toEqual([false, true, true, false, false]);
    expect(isAtLevel(anyReading, null)).toBe(true);
  });
});

test("read for its own sake, a lesson has no questions, and no step that would be empty without them", () => {
  let id = 0;
  const newId = () => `s${(id += 1)}`;
  const text = { id: newId(), type: "text" as const, text: { en: richText("The boat went out.") } };
  const asked = {
    ...{ id: newId(), type: "longText" as const, prompt: { en: richText("Why?") }, marks: 1, lines: 2 },
    ...{ partial: "by part" as const, checked: "at the end" as const },
  };
  const question = { id: newId(), type: "question" as const, question: asked };
  const document = parseDocument({
    ...{ schema: 1, languages: ["en"], title: { en: "A boat" }, kind: "reading", grades: { from: 3, to: 5 } },
    ...{ subjects: ["reading"], licence: "CC-BY-4.0" },
    steps: [
      newStep("en", "One", newId, [text, question]),
      newStep("en", "Two", newId, [{ id: newId(), type: "question" as const, question: { ...asked, id: newId() } }]),
    ],
  });
  const read = readOnlyDocument({ ...document, steps: document.steps });
  expect(read.steps.map(({ title, blocks }) => [title.en, blocks.map(({ type }) => type)])).toEqual([
    ["One", ["text"]],
  ]);
});
