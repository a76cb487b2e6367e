/** @jest-environment jsdom */
import { act, fireEvent, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { AddressOfParts, useAddress } from "./use-address";

const router = { push: jest.fn(), replace: jest.fn() };
/** What the router has arrived at: the same object until it moves on. */
let arrived = new URLSearchParams();
jest.mock("next/navigation", () => ({
  useRouter: () => router,
  usePathname: () => "/find",
  useSearchParams: () => arrived,
}));

beforeEach(() => {
  jest.useFakeTimers();
  jest.clearAllMocks();
  arrived = new URLSearchParams();
  window.history.replaceState(null, "", "/find");
});
afterEach(() => jest.useRealTimers());

const bar = () => window.location.pathname + window.location.search;
const later = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

describe("a page that is read anew at every change", () => {
  test("a second change on the way builds on the first", () => {
    const { result } = renderHook(() => useAddress());
    act(() => result.current.go({ grade: 4 }));
    act(() => result.current.go({ subject: "science" }, "push"));
    expect(router.replace).toHaveBeenCalledWith("/find?grade=4", { scroll: false });
    expect(router.push).toHaveBeenCalledWith("/find?grade=4&subject=science", { scroll: false });
  });

  test("null takes a value out, and the last one leaves a bare address", () => {
    arrived = new URLSearchParams("grade=4");
    const { result } = renderHook(() => useAddress());
    act(() => result.current.go({ grade: null }));
    expect(router.replace).toHaveBeenCalledWith("/find", { scroll: false });
  });
});

describe("a page whose parts are asked for by themselves", () => {
  const open = () =>
    renderHook(() => useAddress(), {
      wrapper: ({ children }: { children: ReactNode }) => <AddressOfParts>{children}</AddressOfParts>,
    });

  test("a change is there at once, in the bar too, and the router is not asked", () => {
    const { result } = open();
    act(() => result.current.go({ grade: 4 }));
    expect(result.current.parameters.get("grade")).toBe("4");
    expect(bar()).toBe("/find?grade=4");
    expect(router.replace).not.toHaveBeenCalled();
  });

  test("what is typed is there at once and goes into the bar when the keys rest", async () => {
    const { result } = open();
    act(() => result.current.go({ words: "ti" }, "typed"));
    await later(200);
    act(() => result.current.go({ words: "tide" }, "typed"));
    expect(result.current.parameters.get("words")).toBe("tide");
    await later(200);
    expect(bar()).toBe("/find");
    await later(150);
    expect(bar()).toBe("/find?words=tide");
  });

  test("pressing something else writes what was typed first, so that coming back finds it", () => {
    const { result } = open();
    act(() => result.current.go({ words: "tide" }, "typed"));
    fireEvent.pointerDown(document.body);
    expect(bar()).toBe("/find?words=tide");
  });

  test("a step to go back to keeps what was typed before it", () => {
    const { result } = open();
    const before = window.history.length;
    act(() => result.current.go({ words: "tide" }, "typed"));
    act(() => result.current.go({ open: 7 }, "push"));
    expect(bar()).toBe("/find?words=tide&open=7");
    expect(window.history.length).toBe(before + 1);
  });

  test("gone back, what was typed belongs to what was left and is not written any more", async () => {
    const { result } = open();
    act(() => result.current.go({ words: "tide" }, "typed"));
    act(() => void window.dispatchEvent(new PopStateEvent("popstate")));
    await later(500);
    expect(bar()).toBe("/find");
  });
});
