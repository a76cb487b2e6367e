import { numberFrom, route } from "@/server/route";

const HEARTBEAT_MS = 20_000;

/** Server-sent events: a line each time something came in for this assignment. */
export const GET = route(
  "see results",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params, request }) => {
    const wanted = String(numberFrom(params, "assignment"));
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
          "work",
          (assignment) => assignment === wanted && send("data: changed\n\n"),
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
  },
);
