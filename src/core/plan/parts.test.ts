import { lesson } from "@/data/testing/world";
import type { Document, Step } from "../resource/document";
import { partOf, splitAfter, stepMinutes } from "./parts";

const [step] = lesson("A lesson").steps as [Step];
const withSteps = (...minutes: (number | undefined)[]): Document => ({
  ...lesson("A lesson"),
  steps: minutes.map((each, at) => {
    const { minutes: _, ...bare } = step;
    return { ...bare, id: `s${at}`, ...(each !== undefined && { minutes: each }) };
  }),
});
const sum = (numbers: number[]) => numbers.reduce((total, number) => total + number, 0);

describe("the minutes of a lesson's steps", () => {
  test("stay what the author says, and the rest is shared out to the last minute", () => {
    expect(stepMinutes(withSteps(10, undefined, undefined, 5), { minutes: 40 })).toEqual([10, 13, 12, 5]);
    expect(stepMinutes(withSteps(undefined, undefined, undefined), { minutes: 10 })).toEqual([3, 4, 3]);
  });
  test("add up to the whole, whatever is left open", () => {
    for (let minutes = 12; minutes < 90; minutes += 7)
      expect(sum(stepMinutes(withSteps(4, undefined, undefined, undefined), { minutes }))).toBe(minutes);
  });
  test("keep their proportions where they say something else than the whole", () => {
    expect(stepMinutes(withSteps(10, 20, 10), { minutes: 80 })).toEqual([20, 40, 20]);
    expect(stepMinutes(withSteps(10, 10, 10), { minutes: 20 })).toEqual([7, 6, 7]);
  });
  test("steps that all take no time stay so", () => {
    expect(stepMinutes(withSteps(0, 0), { minutes: 20 })).toEqual([0, 0]);
  });
  test("nothing is given no minutes at all", () => {
    expect(stepMinutes(withSteps(20, undefined), { minutes: 20 })).toEqual([20, 1]);
  });
});

describe("a part of a lesson", () => {
  test("has its steps only, in the lesson's order", () => {
    const document = withSteps(5, 5, 5);
    expect(partOf(document, ["s2", "s0"]).steps.map(({ id }) => id)).toEqual(["s0", "s2"]);
    expect(partOf(document, null)).toBe(document);
  });
  test("ends before the step that would be too long for the lesson", () => {
    expect(splitAfter([20, 20, 20], 45)).toBe(2);
    expect(splitAfter([20, 25, 10], 45)).toBe(2);
    expect(splitAfter([20, 20], 45)).toBeNull();
    expect(splitAfter([50, 20], 45)).toBeNull();
  });
});
