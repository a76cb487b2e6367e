/** @jest-environment jsdom */
import { handedIn, handInLater, handsInLater, toHandIn } from "./hand-in-later";

const [sunniva, liv] = [21, 22];
beforeEach(() => localStorage.clear());

test("what is to be handed in is remembered for one child, one piece of work and one try", () => {
  handInLater(sunniva, 24, 2);
  handInLater(sunniva, 30, 1);
  expect(toHandIn(sunniva).sort((one, other) => one.assignment - other.assignment)).toEqual([
    { assignment: 24, number: 2 },
    { assignment: 30, number: 1 },
  ]);
  expect(toHandIn(liv)).toEqual([]);
  expect(handsInLater(sunniva, 24)).toBe(2);
  expect(handsInLater(sunniva, 25)).toBeNull();
});

test("handed in, or taken back, it is forgotten", () => {
  handInLater(sunniva, 24, 1);
  handedIn(sunniva, 24);
  expect(toHandIn(sunniva)).toEqual([]);
  expect(handsInLater(sunniva, 24)).toBeNull();
});

test("a device without room says that it cannot remember", () => {
  jest.spyOn(Storage.prototype, "setItem").mockImplementationOnce(() => {
    throw new DOMException("full", "QuotaExceededError");
  });
  expect(handInLater(sunniva, 24, 1)).toBe(false);
});
