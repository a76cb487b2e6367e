/** @jest-environment jsdom */
import { act, renderHook } from "@testing-library/react";
import { useLive } from "./use-live";

const refresh = jest.fn();
jest.mock("next/navigation", () => ({ useRouter: () => ({ refresh }) }));

/** A stream of what others do, which the test says something on. */
class Stream {
  static all: Stream[] = [];
  onmessage: ((event: { data: string }) => void) | null = null;
  closed = false;
  constructor(readonly address: string) {
    Stream.all.push(this);
  }
  close = () => void (this.closed = true);
}

beforeEach(() => {
  jest.useFakeTimers();
  refresh.mockClear();
  Stream.all = [];
  Object.assign(globalThis, { EventSource: Stream });
});
afterEach(() => jest.useRealTimers());

const later = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

test("several changes within a moment are read together, later ones again", async () => {
  renderHook(() => useLive("/satchel/live/3"));
  const [stream] = Stream.all;
  stream!.onmessage!({ data: "changed" });
  stream!.onmessage!({ data: "changed" });
  await later(100);
  stream!.onmessage!({ data: "changed" });
  expect(refresh).not.toHaveBeenCalled();
  await later(250);
  expect(refresh).toHaveBeenCalledTimes(1);
  stream!.onmessage!({ data: "changed" });
  await later(350);
  expect(refresh).toHaveBeenCalledTimes(2);
});

test("going elsewhere ends the stream, and what was about to be read is not", async () => {
  const { rerender, unmount } = renderHook(({ at }: { at: string | null }) => useLive(at), {
    initialProps: { at: "/satchel/live/3" as string | null },
  });
  Stream.all[0]!.onmessage!({ data: "changed" });
  rerender({ at: "/satchel/live/4" });
  expect(Stream.all.map(({ address, closed }) => [address, closed])).toEqual([
    ["/satchel/live/3", true],
    ["/satchel/live/4", false],
  ]);
  await later(500);
  expect(refresh).not.toHaveBeenCalled();
  unmount();
  expect(Stream.all[1]!.closed).toBe(true);
});

test("where there is nothing to listen to, nothing is opened", () => {
  renderHook(() => useLive(null));
  expect(Stream.all).toEqual([]);
});
