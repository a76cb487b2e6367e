import path from "node:path";
import { Worker } from "node:worker_threads";

const MOST_MEMORY_MB = 512;

/** What came of work in a thread: an answer, or why there is none. */
export type ThreadAnswer<Answer> = { answer: Answer } | { tooLong: true } | { fault: string };

/**
 * Gives work to a thread of its own, one of those scripts/build-parts.mjs has bundled, and stops it after this many milliseconds: it keeps
 * nobody waiting but who asked for it, and takes no more than 512 MB.
 */
export function inThread<Answer>(
  part: "readers" | "slow-readers" | "papers",
  workerData: object,
  limit: number,
  /** Nobody waits for it any more. */
  signal?: AbortSignal,
): Promise<ThreadAnswer<Answer>> {
  const file = path.join(/* turbopackIgnore: true */ process.cwd(), "worker", "built", `${part}.mjs`);
  const worker = new Worker(file, { workerData, resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB } });
  let timer: NodeJS.Timeout | undefined;
  let stop: (() => void) | undefined;
  return new Promise<ThreadAnswer<Answer>>((resolve) => {
    timer = setTimeout(() => resolve({ tooLong: true }), limit);
    stop = () => resolve({ fault: "nobody waits for it" });
    if (signal?.aborted) stop();
    signal?.addEventListener("abort", stop);
    worker.once("message", (answer: Answer) => resolve({ answer }));
    worker.once("error", (error) => resolve({ fault: error.message }));
    worker.once("exit", () => resolve({ fault: "the thread ended without an answer" }));
  }).finally(() => {
    clearTimeout(timer);
    if (stop) signal?.removeEventListener("abort", stop);
    void worker.terminate();
  });
}

/** Turns at something: this many at once, this many waiting, and no more. */
export class Turns {
  private running = 0;
  private readonly waiting: (() => void)[] = [];

  constructor(
    private readonly mostAtOnce: number,
    private readonly mostWaiting: number,
  ) {}

  /** Does the work when its turn comes; undefined: too many are waiting already. */
  async take<Value>(work: () => Promise<Value>): Promise<Value | undefined> {
    if (this.running < this.mostAtOnce) this.running += 1;
    else if (this.waiting.length >= this.mostWaiting) return undefined;
    else await new Promise<void>((next) => this.waiting.push(next));
    try {
      return await work();
    } finally {
      const next = this.waiting.shift();
      if (next) next();
      else this.running -= 1;
    }
  }
}
