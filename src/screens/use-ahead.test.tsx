/** @jest-environment jsdom */
import { renderHook } from "@testing-library/react";
import { useAhead } from "./use-ahead";

test("the next key goes on from what was chosen last, not from what is still shown", () => {
  const { result, rerender } = renderHook(({ shown }) => useAhead(shown), { initialProps: { shown: 1 } });
  expect(result.current.last()).toBe(1);
  result.current.choose(2);
  result.current.choose(3);
  rerender({ shown: 1 });
  expect(result.current.last()).toBe(3);
  // What arrived is shown, and counts from then on.
  rerender({ shown: 3 });
  expect(result.current.last()).toBe(3);
  rerender({ shown: 9 });
  expect(result.current.last()).toBe(9);
});
