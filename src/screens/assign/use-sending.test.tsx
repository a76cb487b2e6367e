/** @jest-environment jsdom */
import { act, renderHook } from "@testing-library/react";
import type { Looked } from "./use-assign";
import { decide, useSending } from "./use-sending";

const fine: Looked = { said: ["All 24 get it."], findings: [], problem: null };
const remark = { key: "half day", level: "remark", text: "A half day.", remedies: [] } as const;
const stop = { key: "past", level: "stop", text: "It is past.", remedies: [] } as const;
const ready = { looked: fine, fresh: true, nobody: false, busy: false, notUnderstood: "" };
const enter = { how: "Enter", seen: [] } as const;

test.each([
  ["all is well", enter, ready, "send"],
  ["the last look has not come back", enter, { ...ready, fresh: false }, "wait"],
  [
    "something is not understood",
    enter,
    { ...ready, notUnderstood: "“Bo” changes nothing yet." },
    { hold: "“Bo” changes nothing yet. Press Ctrl+Enter to assign without it." },
  ],
  [
    "the same, with Ctrl",
    { how: "at once", seen: [] },
    { ...ready, notUnderstood: "“Bo” changes nothing yet." },
    "send",
  ],
  [
    "a remark she has not seen",
    enter,
    { ...ready, looked: { ...fine, findings: [remark] } },
    { hold: "Have a look first. Press Enter again to assign." },
  ],
  [
    "a remark that was shown",
    { how: "Enter", seen: ["half day"] },
    { ...ready, looked: { ...fine, findings: [remark] } },
    "send",
  ],
  [
    "it cannot go out",
    { how: "at once", seen: [] },
    { ...ready, looked: { ...fine, findings: [stop] } },
    { hold: "It can’t be assigned yet: fix what is marked above." },
  ],
  ["nobody is chosen", enter, { ...ready, nobody: true }, { hold: "Choose at least one student." }],
] as const)("%s", (_, wish, now, decision) => {
  expect(decide(wish, now as Parameters<typeof decide>[1])).toEqual(decision);
});

test("pressed twice, and with the panel still there when it has gone out, it goes out once", () => {
  let settle = () => {};
  const send = jest.fn((settled: () => void) => void (settle = settled));
  const { result, rerender } = renderHook((busy: boolean) => useSending({ ...ready, busy, send }), {
    initialProps: false,
  });
  act(() => result.current.ask("Enter"));
  act(() => result.current.ask("Enter"));
  rerender(true);
  act(() => result.current.ask("at once"));
  act(() => settle());
  rerender(false);
  expect(send).toHaveBeenCalledTimes(1);
});

test("Enter pressed before the last look is kept until it has come", () => {
  const send = jest.fn();
  const { result, rerender } = renderHook((fresh: boolean) => useSending({ ...ready, fresh, send }), {
    initialProps: false,
  });
  act(() => result.current.ask("Enter"));
  expect([send.mock.calls.length, result.current.waiting]).toEqual([0, true]);
  rerender(true);
  expect(send).toHaveBeenCalledTimes(1);
});
