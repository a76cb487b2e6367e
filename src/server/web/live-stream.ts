import type { Db } from "@/data/engine/db";
import { metrics } from "./metrics";
import { watch, type Channel } from "./watch";

const HEARTBEAT_MS = 20_000;
/** Then the browser comes back by itself, and is asked anew whether it may listen. */
const LONGEST_MS = 5 * 60_000;

/** Sends one event to the other end; false when there is nobody any more. */
export type SendEvent = (data: string) => boolean;

/**
 * Server-sent events. `begin` is called once with what sends, and gives back what is to be called when the other side is gone.
 * Behind a slow connection at most a few hundred events wait; then it is closed, and the browser comes back and reads anew.
 */
export function eventStream(request: Request, begin: (send: SendEvent) => Promise<() => void>): Response {
  const text = new TextEncoder();
  let end = () => {};
  let ended = false;
  const stream = new ReadableStream<Uint8Array>(
    {
      async start(controller) {
        const close = () => {
          if (ended) return;
          ended = true;
          end();
          try {
            controller.close();
          } catch {
            // Closed by the other side already.
          }
        };
        const line = (said: string): boolean => {
          if (ended) return false;
          if ((controller.desiredSize ?? 0) < -MOST_WAITING) close();
          else controller.enqueue(text.encode(said));
          return !ended;
        };
        request.signal.addEventListener("abort", close);
        line("retry: 2000\n\n");
        const stop = await begin((data) => line(`data: ${data}\n\n`));
        const beat = setInterval(() => line(": still here\n\n"), HEARTBEAT_MS);
        const over = setTimeout(close, LONGEST_MS).unref();
        metrics().open.inc();
        end = () => {
          end = () => {};
          metrics().open.dec();
          clearInterval(beat);
          clearTimeout(over);
          stop();
        };
        if (ended || request.signal.aborted) end();
      },
      cancel() {
        ended = true;
        end();
      },
    },
    { highWaterMark: 16 },
  );
  return new Response(stream, {
    headers: {
      "content-type": "text/event-stream",
      "cache-control": "no-store, no-transform",
      // A proxy in front must not hold back what is to arrive at once.
      "x-accel-buffering": "no",
      connection: "keep-alive",
    },
  });
}

/** How many events may wait for a connection that does not take them. */
const MOST_WAITING = 500;

/** An event each time somebody says on one of these channels that this number has changed. */
export function liveStream(db: Db, channels: readonly Channel[], wanted: number, request: Request): Response {
  return eventStream(request, async (send) => {
    const changed = () => void send("changed");
    const stops = await Promise.all(channels.map((channel) => watch(db, channel, wanted, changed, changed)));
    return () => stops.forEach((stop) => stop());
  });
}
