"use client";

const FIRST_PAUSE_MS = 2_000;
const LONGEST_PAUSE_MS = 30_000;

/**
 * Listens at an address until the returned function is called. A browser comes back by itself after a lost network, but gives up
 * where a server in between says that nothing is there just now; then it is opened anew, ever more slowly, every half minute at last.
 *
 *     const stop = openEvents("/student/12/live", { heard: (data) => …, there: (line) => … });
 */
export function openEvents(
  address: string,
  on: { heard: (data: string) => void; there?: (line: boolean) => void },
): () => void {
  let source: EventSource;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let pause = FIRST_PAUSE_MS;
  const open = () => {
    source = new EventSource(address);
    source.onopen = () => {
      pause = FIRST_PAUSE_MS;
      on.there?.(true);
    };
    source.onmessage = ({ data }: MessageEvent<string>) => on.heard(data);
    source.onerror = () => {
      on.there?.(false);
      if (source.readyState !== EventSource.CLOSED) return;
      timer = setTimeout(open, pause);
      pause = Math.min(LONGEST_PAUSE_MS, pause * 2);
    };
  };
  open();
  return () => {
    clearTimeout(timer);
    source.close();
  };
}
