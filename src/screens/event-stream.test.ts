/** @jest-environment jsdom */
import { openEvents } from "./event-stream";

/** A stream the test speaks on, and breaks. */
class Stream {
  static readonly CLOSED = 2;
  static all: Stream[] = [];
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  readyState = 1;
  constructor(readonly address: string) {
    Stream.all.push(this);
  }
  close = () => void (this.readyState = Stream.CLOSED);
  /** The line breaks; `forGood`: the browser does not come back by itself. */
  breaks(forGood: boolean): void {
    this.readyState = forGood ? Stream.CLOSED : 0;
    this.onerror!();
  }
}

beforeEach(() => {
  jest.useFakeTimers();
  Stream.all = [];
  Object.assign(globalThis, { EventSource: Stream });
});
afterEach(() => jest.useRealTimers());

const opened = () => {
  const [heard, lines] = [[] as string[], [] as boolean[]];
  const stop = openEvents("/live", { heard: (data) => heard.push(data), there: (line) => lines.push(line) });
  return { heard, lines, stop };
};

test("what is said is heard, and whether the line is there", () => {
  const { heard, lines } = opened();
  Stream.all[0]!.onopen!();
  Stream.all[0]!.onmessage!({ data: "one" });
  Stream.all[0]!.breaks(false);
  expect([heard, lines]).toEqual([["one"], [true, false]]);
  // The browser comes back by itself: nothing else is opened.
  jest.advanceTimersByTime(60_000);
  expect(Stream.all).toHaveLength(1);
});

test("where the browser gives up it is opened anew, ever more slowly, and quickly again once it was there", () => {
  const { heard } = opened();
  const at = (ms: number) => {
    jest.advanceTimersByTime(ms);
    return Stream.all.length;
  };
  Stream.all[0]!.breaks(true);
  expect([at(1_999), at(1)]).toEqual([1, 2]);
  Stream.all[1]!.breaks(true);
  expect([at(3_999), at(1)]).toEqual([2, 3]);
  for (let nth = 2; nth < 8; nth += 1) {
    Stream.all[nth]!.breaks(true);
    jest.advanceTimersByTime(30_000);
  }
  expect(Stream.all).toHaveLength(9);
  Stream.all[8]!.onopen!();
  Stream.all[8]!.onmessage!({ data: "back" });
  Stream.all[8]!.breaks(true);
  expect(at(2_000)).toBe(10);
  expect(heard).toEqual(["back"]);
});

test("stopped, it is not opened again", () => {
  const { stop } = opened();
  Stream.all[0]!.breaks(true);
  stop();
  jest.advanceTimersByTime(60_000);
  expect(Stream.all).toHaveLength(1);
  expect(Stream.all[0]!.readyState).toBe(Stream.CLOSED);
});
