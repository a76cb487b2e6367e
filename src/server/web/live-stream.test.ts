import { eventStream, type SendEvent } from "./live-stream";

/** A stream, what sends on it, and how often its end was told. */
async function opened(signal?: AbortSignal) {
  let send!: SendEvent;
  const stop = jest.fn();
  const request = new Request("http://satchel.example/live", signal ? { signal } : {});
  const response = eventStream(request, async (sends) => {
    send = sends;
    return stop;
  });
  await new Promise((done) => setImmediate(done));
  return { response, reader: response.body!.getReader(), stop, send: (data: string) => send(data) };
}
const textOf = (chunk: Uint8Array | undefined) => new TextDecoder().decode(chunk);

test("an event is a line, and says when there is nobody any more", async () => {
  const ended = new AbortController();
  const { response, reader, stop, send } = await opened(ended.signal);
  expect(response.headers.get("content-type")).toBe("text/event-stream");
  expect(textOf((await reader.read()).value)).toBe("retry: 2000\n\n");
  expect(send("changed")).toBe(true);
  expect(textOf((await reader.read()).value)).toBe("data: changed\n\n");
  ended.abort();
  expect(stop).toHaveBeenCalledTimes(1);
  expect(send("changed")).toBe(false);
  expect((await reader.read()).done).toBe(true);
});

test("a connection that takes nothing is closed when some hundreds wait, and keeps nobody's memory", async () => {
  const { stop, send } = await opened();
  const sent = Array.from({ length: 700 }, () => send("changed"));
  expect(sent.indexOf(false)).toBeGreaterThan(400);
  expect(sent.indexOf(false)).toBeLessThan(600);
  expect(sent.at(-1)).toBe(false);
  expect(stop).toHaveBeenCalledTimes(1);
});

test("after five minutes it ends, and the browser is asked anew whether it may listen", async () => {
  jest.useFakeTimers({ doNotFake: ["setImmediate", "nextTick", "queueMicrotask"] });
  const { stop, send } = await opened();
  jest.advanceTimersByTime(5 * 60_000 - 1);
  expect(send("still")).toBe(true);
  jest.advanceTimersByTime(1);
  expect(stop).toHaveBeenCalledTimes(1);
  expect(send("over")).toBe(false);
  jest.useRealTimers();
});

test("gone already while it was being opened, what was begun is ended", async () => {
  const ended = new AbortController();
  ended.abort();
  const { stop } = await opened(ended.signal);
  expect(stop).toHaveBeenCalled();
});
