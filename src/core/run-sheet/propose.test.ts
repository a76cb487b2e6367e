import fc from "fast-check";
import { richText } from "../content/rich-text";
import { newQuestion } from "../question/new-question";
import type { Question } from "../question/question";
import type { Document, Step } from "../resource/document";
import { changesBetween, formatChanges } from "../resource/changes";
import { merge } from "../resource/merge";
import { parseDocument } from "../resource/schema/document";
import { studentDocument } from "../resource/student-view";
import { lesson } from "@/data/testing/world";
import { minutesOf } from "./lesson-time";
import { fill, proposeRunSheet, spread } from "./propose";
import { linesOf } from "./source";

let count = 0;
const newId = () => `n${(count += 1)}`;
const asks = (id: string, prompt: string, hint?: string) => ({
  ...{ id: `b-${id}`, type: "question" as const },
  question: {
    ...newQuestion("shortText", "en", () => id),
    prompt: { en: richText(prompt) },
    ...(hint && { hint: { en: richText(hint) } }),
  } as Question,
});
const step = (id: string, more: Partial<Step>): Step => ({
  ...{ id, title: { en: `Step ${id}` }, audience: "student", phase: "practise", work: "alone", locked: false },
  ...{ instructions: {}, blocks: [], ...more },
});
const tides: Document = {
  ...lesson("Reading a tide table"),
  minutes: 75,
  vocabulary: [{ term: "high water", meaning: { en: "the sea at its highest" } }],
  standards: [{ framework: "f", code: "MA.4.1", relation: "requires" }],
  steps: [
    step("one", {
      ...{ phase: "teach", minutes: 15, work: "pairs" },
      instructions: { en: { text: richText("Look at Tuesday. It has two highs. Find them. Then rest.") } },
      blocks: [asks("q1", "When is high water?", "What time is it twelve hours after 5:02?")],
      teacherNotes: { en: richText("Many forget the minutes.") },
    }),
    step("two", { minutes: 40, blocks: [asks("q2", "Put the tides in order.")] }),
    step("three", { phase: "check", minutes: 20, blocks: [asks("q3", "When is the next one?")] }),
  ],
};
const sheet = proposeRunSheet(tides, { period: 45, newId });
const said = (phase: string, day = 0) =>
  sheet.days[day]!.parts.filter((part) => part.phase === phase).flatMap(({ lines }) =>
    lines.map(({ kind, text }) => `${kind}: ${text}`),
  );

describe("a run sheet made of a resource", () => {
  test("teaches what the steps teach: words first, what is said, the question, what to ask when nobody answers, her notes", () => {
    expect(said("teach")).toEqual([
      "I say: Words first: high water.",
      "I say: Look at Tuesday. It has two highs. Find them.",
      "I say: When is high water?",
      "I say: What time is it twelve hours after 5:02?",
      "they show: One child answers and says why.",
      "I do: Many forget the minutes.",
    ]);
    const nobody = linesOf(sheet).filter(({ ifNobody }) => ifNobody);
    expect(nobody).toMatchObject([{ from: { step: "one", block: "b-q1" } }]);
  });

  test("opens with what they should know already, talks in pairs for three minutes, and ends with a checking question", () => {
    expect(said("open")[1]).toBe("I do: They should know already: MA.4.1.");
    expect(sheet.days[0]!.parts.find(({ phase }) => phase === "pairs")).toMatchObject({ minutes: 3, step: "one" });
    expect(said("close", sheet.days.length - 1)[0]).toBe("they do: When is the next one?");
    // Asked at the end, it is not asked before as well.
    expect(linesOf(sheet).filter(({ text }) => text === "When is the next one?")).toHaveLength(1);
    expect(said("open", 1)[0]).toMatch(/^I say: Last time: /);
  });

  test("takes as many lessons as it needs, and no minute of a step is lost", () => {
    const own = sheet.days.map((day) => ({ parts: day.parts.filter((part) => part.step !== undefined) }));
    expect(own.reduce((sum, day) => sum + minutesOf(day), 0)).toBe(75);
    expect(sheet.days.map(minutesOf).every((minutes, at) => minutes <= 45 || sheet.days[at]!.parts.length <= 3)).toBe(
      true,
    );
    expect(sheet.days.length).toBeGreaterThanOrEqual(2);
  });

  test("leaves out talk and openers before practice when time is short, and never teaching or checking", () => {
    const phaseOf = new Map(sheet.days.flatMap(({ parts }) => parts.map(({ id, phase }) => [id, phase])));
    const phases = sheet.short.map((id) => phaseOf.get(id));
    expect(phases[0]).toBe("pairs");
    expect(phases).not.toContain("teach");
    expect(phases).not.toContain("check");
  });

  test("fills as many lessons as she wants: the steps are stretched, and one that is longer than a lesson goes on in the next", () => {
    const three = proposeRunSheet(tides, { period: 45, lessons: 3, newId });
    expect(three.days).toHaveLength(3);
    for (const day of three.days) expect(minutesOf(day)).toBeLessThanOrEqual(45);
    expect(three.days.reduce((sum, day) => sum + minutesOf(day), 0)).toBe(135);
    expect(three.days.flatMap(({ parts }) => parts).filter((part) => part.step === "two").length).toBeGreaterThan(1);
    const [one] = proposeRunSheet(tides, { period: 45, lessons: 1, newId }).days;
    expect(minutesOf(one!)).toBe(45);
  });

  test("of a resource without steps it is a lesson with an opener and a closing, ready to be written", () => {
    const bare = proposeRunSheet({ ...tides, steps: [], vocabulary: [], standards: [] }, { period: 45, newId });
    expect(bare.days).toHaveLength(1);
    expect(bare.days[0]!.parts.map(({ phase }) => phase)).toEqual(["open", "close"]);
    expect(bare.words).toEqual([]);
  });
});

test("parts keep their order over lessons, none is lost, and no lesson is too full that need not be", () => {
  const part = (minutes: number, at: number) => ({ id: `p${at}`, phase: "teach" as const, minutes, lines: [] });
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 40 }), { maxLength: 18 }), (minutes) => {
      const parts = minutes.map(part);
      const days = spread(parts, 40);
      expect(days.flat()).toEqual(parts);
      for (const day of days) expect(day.reduce((sum, one) => sum + one.minutes, 0)).toBeLessThanOrEqual(40);
    }),
  );
});

test("filling lessons keeps the order and every line, is exact to the minute, and begins no scraps", () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 12 }), (minutes) => {
      const parts = minutes.map((one, at) => ({
        ...{ id: `p${at}`, phase: "teach" as const, minutes: one, step: `s${at}` },
        lines: [{ id: `l${at}`, kind: "I say" as const, text: "", ifNobody: false }],
      }));
      const sum = minutes.reduce((all, one) => all + one, 0);
      const days = fill(parts, Math.ceil(sum / 35), 35, newId);
      expect(days.flatMap((day) => day.flatMap(({ lines }) => lines.map(({ id }) => id)))).toEqual(
        parts.map((_, at) => `l${at}`),
      );
      expect(days.flat().reduce((all, one) => all + one.minutes, 0)).toBe(sum);
      for (const day of days.slice(0, -1)) expect(day.reduce((all, one) => all + one.minutes, 0)).toBe(35);
    }),
  );
});

describe("in a document", () => {
  const withSheet = { ...tides, runSheet: sheet };
  test("it is read back as it was, and students never get it", () => {
    expect(parseDocument(JSON.parse(JSON.stringify(withSheet))).runSheet).toEqual(sheet);
    expect(JSON.stringify(studentDocument(withSheet))).not.toContain("Many forget");
    expect(studentDocument(withSheet).runSheet).toBeUndefined();
  });

  test("it is compared, credited and merged with the rest", () => {
    expect(formatChanges(changesBetween(tides, withSheet))).toBe("different run sheet");
    expect(merge(tides, tides, withSheet)).toMatchObject({ takenFields: ["runSheet"], document: { runSheet: sheet } });
    const other = { ...withSheet, runSheet: { ...sheet, period: 60 } };
    expect(merge(withSheet, other, { ...withSheet, runSheet: { ...sheet, period: 30 } }).conflicts).toMatchObject([
      { field: "runSheet" },
    ]);
  });
});
