/** @jest-environment jsdom */
import { QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook } from "@testing-library/react";
import { stringify } from "devalue";
import type { ReactNode } from "react";
import type { Answered } from "@/core/find/asked";
import { tellProblem } from "@/ui/toast";
import { partsClient, useAnswer } from "./use-answer";

jest.mock("@/ui/toast", () => ({ tellProblem: jest.fn() }));

interface Asked {
  address: string;
  signal: AbortSignal;
  answer: (value: unknown, status?: number) => Promise<void>;
  fail: () => Promise<void>;
}
let asked: Asked[] = [];

beforeEach(() => {
  jest.useFakeTimers();
  jest.clearAllMocks();
  asked = [];
  global.fetch = jest.fn(
    (address: string, { signal }: RequestInit) =>
      new Promise<Response>((resolve, reject) => {
        const settle = (work: () => void) => act(async () => (work(), void (await jest.advanceTimersByTimeAsync(1))));
        asked.push({
          address,
          signal: signal!,
          answer: (value, status = 200) =>
            settle(() =>
              resolve({
                ok: status === 200,
                status,
                headers: new Headers({ "content-type": "application/json" }),
                text: async () => (status === 200 ? stringify(value) : JSON.stringify({ problem: value })),
              } as Response),
            ),
          fail: () => settle(() => reject(new TypeError("Failed to fetch"))),
        });
      }),
  ) as unknown as typeof fetch;
});
afterEach(() => jest.useRealTimers());

const later = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

/** A part that came with "tide" answered. */
function open(afterMs = 0) {
  const client = partsClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const first: Answered<string> = { address: "tide", value: "twelve tides" };
  const { result, rerender, unmount } = renderHook(
    (now: { address: string | null | undefined; first: Answered<string> }) =>
      useAnswer<string>("/find/results", now.address, now.first, afterMs),
    { wrapper, initialProps: { address: "tide" as string | null | undefined, first } },
  );
  const goTo = async (address: string | null | undefined, came = first) => {
    rerender({ address, first: came });
    await later(0);
  };
  const shown = () => ({ shown: result.current.answer.value, waiting: result.current.waiting });
  return { result, goTo, shown, unmount };
}

test("what came with the page is not asked for", async () => {
  const { shown } = open();
  await later(1000);
  expect(shown()).toEqual({ shown: "twelve tides", waiting: false });
  expect(asked).toEqual([]);
});

test("what was there stays until the answer to the next question has come", async () => {
  const { goTo, shown } = open();
  await goTo("ferry");
  expect(shown()).toEqual({ shown: "twelve tides", waiting: true });
  expect(asked.map(({ address }) => address)).toEqual(["/find/results?ferry"]);
  await asked[0]!.answer("three ferries");
  expect(shown()).toEqual({ shown: "three ferries", waiting: false });
});

test("a question is broken off by the next one, and its answer is never shown", async () => {
  const { goTo, shown } = open();
  await goTo("fer");
  await goTo("ferry");
  expect(asked.map(({ signal }) => signal.aborted)).toEqual([true, false]);
  await asked[0]!.answer("fern and ferry");
  expect(shown()).toEqual({ shown: "twelve tides", waiting: true });
  await asked[1]!.answer("three ferries");
  expect(shown()).toEqual({ shown: "three ferries", waiting: false });
});

test("asked before the page has followed, it is asked once", async () => {
  const { result, goTo, shown } = open();
  act(() => result.current.ask("ferry"));
  await goTo("ferry");
  expect(asked).toHaveLength(1);
  await asked[0]!.answer("three ferries");
  expect(shown()).toEqual({ shown: "three ferries", waiting: false });
});

test("while she types, nobody waits for what was asked before", async () => {
  const { result, goTo } = open();
  await goTo("fer");
  act(() => result.current.breakOff());
  expect(asked[0]!.signal.aborted).toBe(true);
  expect(tellProblem).not.toHaveBeenCalled();
});

test("who comes back asks again: it may be another answer by now", async () => {
  const { goTo, shown } = open();
  await goTo("ferry");
  await asked[0]!.answer("three ferries");
  await later(1000);
  await goTo("tide");
  await asked[1]!.answer("thirteen tides");
  expect(shown()).toEqual({ shown: "thirteen tides", waiting: false });
});

test("read anew, the page knows better", async () => {
  const { goTo, shown } = open();
  await goTo("tide", { address: "tide", value: "thirteen tides" });
  expect(shown()).toEqual({ shown: "thirteen tides", waiting: false });
  expect(asked).toEqual([]);
});

test("null asks nothing; until it is known what to ask, what is there stays", async () => {
  const { goTo, shown } = open();
  await goTo(null);
  await goTo(undefined);
  expect(asked).toEqual([]);
  expect(shown()).toEqual({ shown: "twelve tides", waiting: false });
});

test("with a rest, only what stays the same for so long is asked", async () => {
  const { goTo } = open(200);
  await goTo("f");
  await later(100);
  await goTo("fe");
  await later(150);
  expect(asked).toEqual([]);
  await later(60);
  expect(asked.map(({ address }) => address)).toEqual(["/find/results?fe"]);
});

test("where a question fails, the answer before it stays, and not what came with the page", async () => {
  const { goTo, shown } = open();
  await goTo("ferry");
  await asked[0]!.answer("three ferries");
  await goTo("gull");
  await asked[1]!.fail();
  expect(shown()).toEqual({ shown: "three ferries", waiting: false });
  await goTo("lamp");
  await asked[2]!.answer("a lamp");
  expect(shown()).toEqual({ shown: "a lamp", waiting: false });
});

test("a refusal is said in its own words, once; a lost network in ours; and nobody waits any more", async () => {
  const { goTo, shown } = open();
  await goTo("ferry");
  await asked[0]!.answer("Too many questions at once.", 429);
  expect(tellProblem).toHaveBeenLastCalledWith("Too many questions at once.");
  expect(shown()).toEqual({ shown: "twelve tides", waiting: false });
  await goTo("gull");
  await asked[1]!.fail();
  expect(tellProblem).toHaveBeenLastCalledWith(
    "The satchel does not answer. What you chose is kept; go on when the network is back.",
  );
  await later(60_000);
  expect([asked.length, (tellProblem as jest.Mock).mock.calls.length]).toEqual([2, 2]);
});
