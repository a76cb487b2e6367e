import fc from "fast-check";
import { lesson } from "@/data/testing/world";
import { newQuestion } from "../question/new-question";
import type { Question } from "../question/question";
import type { Document, Step } from "../resource/document";
import { lost, minutesOfSteps, shorten, withoutSteps } from "./shorten";

const step = (id: string, phase: Step["phase"], minutes: number, ...codes: string[]): Step => ({
  ...lesson("x").steps[0]!,
  ...{ id, phase, minutes },
  blocks: codes.map((code) => ({
    ...{ id: `${id}${code}`, type: "question" as const },
    question: { ...newQuestion("number", "en", () => `${id}-${code}`), standards: [code] } as Question,
  })),
});
const document = (...steps: Step[]): Document => ({
  ...lesson("x"),
  standards: ["A", "B", "C"].map((code) => ({ framework: "f", code, relation: "teaches" as const })),
  steps,
});
const whole = document(
  step("open", "open", 5),
  step("teach", "teach", 12),
  step("practise", "practise", 15, "A"),
  step("more", "practise", 10, "A"),
  step("other", "practise", 8, "B"),
  step("check", "check", 5, "A"),
  step("close", "close", 9, "C"),
);

test("to 30 minutes: the opener, one check and each standard stay, and what is left out is said with what it costs", () => {
  const { leaveOut, because, minutes, enough } = shorten(whole, 30);
  expect(because).toEqual({ open: "opens", check: "checks", other: "standard", close: "standard" });
  expect(leaveOut).toEqual(["teach", "practise", "more"]);
  expect([minutes, enough]).toEqual([27, true]);
  expect(lost(whole, leaveOut)).toEqual({ minutes: 37, questions: 2, marks: 2, standards: [] });
});

test("what is left over goes to what is worth most", () => {
  expect(shorten(whole, 39).leaveOut).toEqual(["practise", "more"]);
  expect(shorten(whole, 64).leaveOut).toEqual([]);
});

test("where there is no room for it a standard is lost, and named", () => {
  const { leaveOut } = shorten(whole, 20);
  expect(leaveOut).toContain("close");
  expect(lost(whole, leaveOut).standards).toEqual(["C"]);
});

test("what must stay and takes longer is said; nothing else is kept then", () => {
  expect(shorten(whole, 8)).toMatchObject({ enough: false, minutes: 10 });
});

test("steps for teachers stay and take no time; the stated minutes of the whole are no longer true", () => {
  const notes = { ...step("notes", "teach", 50), audience: "teacher" as const };
  const both = { ...document(notes, ...whole.steps), minutes: 64 };
  const { leaveOut } = shorten(both, 30);
  expect(leaveOut).not.toContain("notes");
  expect(withoutSteps(both, leaveOut).minutes).toBeUndefined();
});

test("steps without minutes share those of the whole", () => {
  const bare = (id: string, ...codes: string[]) => ({ ...step(id, "practise", 0, ...codes), minutes: undefined });
  const all = { ...document(step("open", "open", 6), bare("one", "A"), bare("three", "A", "B", "C")), minutes: 30 };
  const found = minutesOfSteps(all);
  expect(found.get("open")).toBe(6);
  expect(found.get("three")!).toBeGreaterThan(found.get("one")!);
  expect([...found.values()].reduce((sum, minutes) => sum + minutes, 0)).toBeGreaterThanOrEqual(29);
});

test("whatever the steps are, what is kept fits or is only what must stay, and more time never keeps less worth", () => {
  const phase = fc.constantFrom<Step["phase"]>("open", "teach", "practise", "check", "close");
  const steps = fc
    .array(fc.tuple(phase, fc.integer({ min: 1, max: 20 }), fc.subarray(["A", "B", "C"])), { maxLength: 12 })
    .map((all) => all.map(([of, minutes, codes], at) => step(`s${at}`, of, minutes, ...codes)));
  fc.assert(
    fc.property(steps, fc.integer({ min: 1, max: 90 }), (all, minutes) => {
      const of = document(...all);
      const { leaveOut, because, minutes: takes, enough } = shorten(of, minutes);
      const kept = all.filter(({ id }) => !leaveOut.includes(id));
      expect(kept.reduce((sum, one) => sum + one.minutes!, 0)).toBe(takes);
      if (enough) expect(takes).toBeLessThanOrEqual(minutes);
      for (const id of Object.keys(because)) expect(leaveOut).not.toContain(id);
      const room = minutes - takes;
      // Nothing that would still fit is left out.
      for (const id of leaveOut) if (enough) expect(all.find((one) => one.id === id)!.minutes).toBeGreaterThan(room);
    }),
  );
});
