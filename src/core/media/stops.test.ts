import { farthest, stopBetween, within } from "./stops";

const stops = [
  { id: "late", at: 30, maySkip: false },
  { id: "early", at: 10, maySkip: true },
  { id: "middle", at: 20, maySkip: false },
];
const none = new Set<string>();

describe("a film with stops", () => {
  test("waits at each stop it comes to, in the order of time and not of writing", () => {
    expect(stopBetween(stops, none, 0, 9.9)).toBeNull();
    expect(stopBetween(stops, none, 9.9, 10)?.id).toBe("early");
    expect(stopBetween(stops, none, 5, 60)?.id).toBe("early");
    expect(stopBetween(stops, none, 10, 60)?.id).toBe("middle");
  });
  test("goes through a stop that was passed, and does not stop where it just stood", () => {
    expect(stopBetween(stops, new Set(["early"]), 5, 15)).toBeNull();
    expect(stopBetween(stops, none, 10, 11)).toBeNull();
  });
  test("two stops at one moment are met one after the other", () => {
    const both = [...stops, { id: "also", at: 10, maySkip: true }];
    const first = stopBetween(both, none, 5, 15)!;
    expect(stopBetween(both, new Set([first.id]), 5, 15)?.at).toBe(10);
  });
  test("cannot be jumped ahead of a stop that wants an answer, only of those that may be skipped", () => {
    expect(farthest(stops, none, 60)).toBe(20);
    expect(farthest(stops, new Set(["middle"]), 60)).toBe(30);
    expect(farthest(stops, new Set(["middle", "late"]), 60)).toBe(60);
    expect(farthest([], none, 45)).toBe(45);
  });
  test("keeps to the part that is shown", () => {
    expect([within(3, 5, 20), within(12.345, 5, 20), within(99, 5, 20)]).toEqual([5, 12.3, 20]);
  });
});
