// Listening to an address that streams, as a browser does; for tests.

const open: Listening<never>[] = [];

/** Ends everything that is still listened to, so that the test's process can end. */
export function stopListening(): void {
  open.splice(0).forEach(({ stop }) => stop());
}

export interface Listening<Event> {
  events: Event[];
  /** The next event for which this is true, those that came already included. */
  until: (is: (event: Event) => boolean) => Promise<Event>;
  stop: () => void;
}

/** Listens at an address as a browser does, as the person who is signed in now. */
export async function listen<Event>(
  get: (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>,
  assignment: number,
): Promise<Listening<Event>> {
  const ended = new AbortController();
  const request = new Request("http://satchel.example/live", { signal: ended.signal });
  const response = await get(request, { params: Promise.resolve({ assignment: String(assignment) }) });
  const events: Event[] = [];
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  void (async () => {
    for (let rest = ""; ;) {
      const { done, value: text } = await reader.read();
      if (done) return;
      const parts = (rest + text).split("\n\n");
      rest = parts.pop()!;
      for (const part of parts) if (part.startsWith("data: ")) events.push(JSON.parse(part.slice(6)) as Event);
    }
  })().catch(() => undefined);
  const until = async (is: (event: Event) => boolean) => {
    for (let waited = 0; waited < 5_000; waited += 10) {
      const found = events.find(is);
      if (found) return found;
      await new Promise((done) => setTimeout(done, 10));
    }
    throw new Error(`It never came. What came: ${JSON.stringify(events).slice(0, 600)}`);
  };
  const listening = { events, until, stop: () => ended.abort() };
  open.push(listening as unknown as Listening<never>);
  return listening;
}
