import type { Db } from "@/data/engine/db";
import { putJobBack, takeJob } from "@/data/engine/jobs";
import { log } from "./log";

/** Work nobody asks for. */
export interface Job {
  name: string;
  /** From the end of one time to the beginning of the next. */
  everyMs: number;
  /** Longer than it ever takes: after that another process takes it, for this one must have been killed. */
  longestMs: number;
  /** `lateMs`: how long ago it was due; long, where nobody ran the program for a while, or the clock is wrong. */
  work(now: Date, lateMs: number): Promise<unknown>;
}

/** Does it if it is due and no other process has it. Returns whether it did. @throws what the work throws; it is due again as ever */
export async function doIfDue(db: Db, job: Job, clock: () => Date): Promise<boolean> {
  const now = clock();
  const after = (ms: number) => new Date(now.getTime() + ms);
  const latest = after(job.everyMs + job.longestMs);
  const due = await takeJob(db, job.name, { now, until: after(job.longestMs), latest });
  if (!due) return false;
  try {
    await job.work(now, Math.max(0, now.getTime() - due.getTime()));
  } finally {
    await putJobBack(db, job.name, new Date(clock().getTime() + job.everyMs));
  }
  return true;
}

/** Looks every `lookMs` whether it is due, until what is returned is called. */
export function keepDoing(db: Db, job: Job, lookMs: number): () => void {
  let timer: NodeJS.Timeout;
  let ended = false;
  const again = () => {
    if (ended) return;
    timer = setTimeout(() => {
      void doIfDue(db, job, () => new Date())
        .catch((error: Error) => log.error({ job: job.name, error: error.message }, "a job failed"))
        .finally(again);
    }, lookMs);
    timer.unref();
  };
  again();
  return () => {
    ended = true;
    clearTimeout(timer);
  };
}
