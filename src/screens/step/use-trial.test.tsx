/** @jest-environment jsdom */
import { act, renderHook } from "@testing-library/react";
import { allQuestions } from "@/core/resource/document";
import { lesson } from "@/data/testing/world";
import { useTrial } from "./use-trial";

const documentWith = (more: object) => {
  const base = lesson("Tides");
  const [step] = base.steps;
  const blocks = step!.blocks.map((block) =>
    block.type === "question" ? { ...block, question: { ...block.question, ...more } } : block,
  );
  return { ...base, steps: [{ ...step!, blocks: blocks as never }] };
};
const trying = (more: object = {}) => {
  const document = documentWith(more);
  const { question } = allQuestions(document)[0]!;
  const { result } = renderHook(() => useTrial(document));
  return { result, question, step: document.steps[0]! };
};

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

test("a right answer is checked at once where the question is set so, and earns its mark when handed in", () => {
  const { result, question, step } = trying();
  expect(result.current.done(step)).toBe(false);
  act(() => result.current.step.onChange(question, "a"));
  expect(result.current.done(step)).toBe(true);
  expect(result.current.step.mayCheck!(question)).toBe(true);
  act(() => result.current.step.onCheck!(question));
  expect(result.current.step.marks[question.id]).toMatchObject({ verdict: "right" });
  act(() => result.current.handIn());
  expect(result.current.step.readOnly).toBe(true);
  expect(result.current.end()).toEqual({ earned: 1, outOf: 1, hidden: null });
  act(() => result.current.again());
  expect(result.current.step.values).toEqual({});
});

test.each([
  ["at the end", { earned: 1, outOf: 1, hidden: null }],
  ["after due", { earned: 0, outOf: 0, hidden: "after due" }],
  ["never", { earned: 0, outOf: 0, hidden: "never" }],
])("checked %s: not while working, and afterwards as students would see it", (checked, end) => {
  const { result, question } = trying({ checked });
  expect(result.current.step.mayCheck!(question)).toBe(false);
  act(() => result.current.step.onChange(question, "a"));
  act(() => result.current.handIn());
  expect(result.current.end()).toEqual(end);
});

test("a time runs from when the question is opened, and when it is over the question asks nothing more", () => {
  const { result, question } = trying({ seconds: 30 });
  expect(result.current.step.limits!.of(question)).toMatchObject({ left: null, over: false });
  act(() => result.current.step.limits!.begin(question));
  expect(result.current.step.limits!.of(question)).toMatchObject({ left: 30, over: false });
  act(() => void jest.advanceTimersByTime(29_000));
  expect(result.current.step.limits!.of(question)!.over).toBe(false);
  act(() => void jest.advanceTimersByTime(1_100));
  expect(result.current.step.limits!.of(question)).toMatchObject({ left: 0, over: true });
  expect(result.current.answered(question)).toBe(true);
});
