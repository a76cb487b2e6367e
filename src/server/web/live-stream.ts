import type { Db } from "@/data/engine/db";

const HEARTBEAT_MS = 20_000;

/** Server-sent events: a line each time somebody says on a channel that this one has changed. */
export function liveStream(db: Db, channel: "work" | "pocket", wanted: number, request: Request): Response {
  const text = new TextEncoder();
  let end = () => {};
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (line: string) => {
        try {
          controller.enqueue(text.encode(line));
        } catch {
          end();
        }
      };
      const stopListening = await db.listen(
        channel,
        (changed) => changed === String(wanted) && send("data: changed\n\n"),
        () => send("data: changed\n\n"),
      );
      const beat = setInterval(() => send(": still here\n\n"), HEARTBEAT_MS);
      end = () => {
        clearInterval(beat);
        stopListening();
      };
      request.signal.addEventListener("abort", () => {
        end();
        try {
          controller.close();
        } catch {
          // Closed by the other side already.
        }
      });
      send("retry: 3000\n\n");
    },
    cancel: () => end(),
  });
  return new Response(stream, {
    headers: {
      "content-type": "text/event-stream",
      "cache-control": "no-store, no-transform",
      connection: "keep-alive",
    },
  });
}
