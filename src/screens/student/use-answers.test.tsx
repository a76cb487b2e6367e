/** @jest-environment jsdom */
import { act, renderHook } from "@testing-library/react";
import { useAnswers } from "./use-answers";
import type { AnswerPlace } from "./answer-queue";

/** A server that keeps what it is sent, while there is a network. */
const server = { values: {} as Record<string, unknown>, online: true, status: 200, sent: 0 };
let recipient = 40;
const place = (): AnswerPlace => ({ student: 7, assignment: 12, recipient, number: 1 });

beforeEach(() => {
  jest.useFakeTimers();
  localStorage.clear();
  recipient += 1;
  Object.assign(server, { values: {}, online: true, status: 200, sent: 0 });
  if (!crypto.randomUUID) Object.defineProperty(crypto, "randomUUID", { value: () => `key-${Math.random()}` });
  const respond = (body: unknown, status = 200) => ({ ok: status < 300, status, json: async () => body });
  globalThis.fetch = jest.fn(async (_to: string, init?: RequestInit) => {
    if (!server.online) throw new TypeError("no network");
    if (!init?.body) return respond({ values: { ...server.values } });
    server.sent += 1;
    if (server.status !== 200) return respond({ why: "handed in" }, server.status);
    const { items } = JSON.parse(String(init.body)) as { items: { key: string; question: string; value: unknown }[] };
    for (const { question, value } of items) server.values[question] = value;
    return respond({ kept: items.map(({ key }) => key), refused: [], late: false, newer: {} });
  }) as never;
});
afterEach(() => jest.useRealTimers());

const open = (start: Record<string, string> = {}) => renderHook(() => useAnswers(place(), start, true));
const later = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

test("an answer is sent half a second after, and said to be kept only then", async () => {
  const { result } = open();
  await later(10);
  act(() => result.current.answer("q", "high"));
  expect(result.current.state).toBe("sending");
  await later(600);
  expect(server.values).toEqual({ q: "high" });
  expect(result.current.state).toBe("kept");
});

test("My work pressed within half a second: the answer is sent all the same, and Back shows it", async () => {
  const first = open();
  await later(10);
  act(() => first.result.current.answer("q", "high"));
  first.unmount();
  await later(10);
  expect(server.values).toEqual({ q: "high" });
  // The page Back shows is from before the answer.
  const again = open({});
  expect(again.result.current.values).toEqual({ q: "high" });
  await later(10);
});

test("without a network Back shows it too, and it is sent when the network returns", async () => {
  server.online = false;
  const first = open();
  act(() => first.result.current.answer("q", "high"));
  await later(600);
  expect(first.result.current.state).toBe("waiting");
  first.unmount();
  const again = open({});
  await later(10);
  expect(again.result.current.values).toEqual({ q: "high" });
  server.online = true;
  await later(5000);
  expect(server.values).toEqual({ q: "high" });
});

test("a page that is older than what another device wrote is brought up to date", async () => {
  server.values = { q: "from the laptop" };
  const { result } = open({ q: "old" });
  await later(10);
  expect(result.current.values).toEqual({ q: "from the laptop" });
});

test("an answer changed while it is checked is still waiting, and known to be another", async () => {
  const { result } = open();
  await later(10);
  act(() => result.current.answer("q", "a"));
  const asked = result.current.current("q");
  act(() => result.current.answer("q", "b"));
  act(() => result.current.settleChecked(asked));
  expect(result.current.current("q")).not.toBe(asked);
  await later(600);
  expect(server.values).toEqual({ q: "b" });
});

test("handed in elsewhere: it is said, what was typed stays in sight, and it is not sent again and again", async () => {
  server.status = 409;
  const { result } = open();
  await later(10);
  act(() => result.current.answer("q", "a whole story"));
  await later(600);
  expect(result.current.state).toBe("handed in");
  expect(result.current.values).toEqual({ q: "a whole story" });
  const { sent } = server;
  await later(60_000);
  expect(server.sent).toBe(sent);
});
