import { keepTogether, type KeptTogether, type SentTogether } from "@/data/student/answers";
import type { Db } from "@/data/engine/db";
import { log } from "../web/log";

/** How long answers of a class are gathered, in milliseconds: nobody notices, and one statement keeps them all. */
const GATHER_MS = 4;
const MOST_TOGETHER = 200;

interface Waiting {
  sent: SentTogether;
  resolve: (kept: KeptTogether | null) => void;
  reject: (error: unknown) => void;
}

/**
 * Answers of many students on their way into the database, some milliseconds' worth at a time. Nobody is told that an answer is
 * kept before it is committed. Of one try at most one request is on its way, so that they are kept in the order they came.
 */
class TogetherWriter {
  private waiting: Waiting[] = [];
  private busy = false;

  constructor(private readonly db: Db) {}

  keep(sent: SentTogether): Promise<KeptTogether | null> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ sent, resolve, reject });
      if (!this.busy) void this.writeAll();
    });
  }

  private async writeAll(): Promise<void> {
    this.busy = true;
    await new Promise((done) => setTimeout(done, GATHER_MS));
    while (this.waiting.length > 0) {
      const recipients = new Set<number>();
      const batch: Waiting[] = [];
      this.waiting = this.waiting.filter((one) => {
        if (batch.length >= MOST_TOGETHER || recipients.has(one.sent.recipient)) return true;
        recipients.add(one.sent.recipient);
        batch.push(one);
        return false;
      });
      await this.write(batch);
    }
    this.busy = false;
  }

  private async write(batch: readonly Waiting[]): Promise<void> {
    try {
      const kept = await keepTogether(
        this.db,
        batch.map(({ sent }) => sent),
      );
      batch.forEach((one, at) => one.resolve(kept[at]!));
    } catch (error) {
      if (batch.length === 1) return batch[0]!.reject(error);
      // One that cannot be kept keeps none of the others back.
      log.warn({ error: (error as Error).message, together: batch.length }, "answers are kept one by one");
      for (const one of batch) await this.write([one]);
    }
  }
}

const writers = new WeakMap<Db, TogetherWriter>();

/** Keeps what one device sent, together with what others send at the same moment: see keepTogether. */
export function writeTogether(db: Db, sent: SentTogether): Promise<KeptTogether | null> {
  const writer = writers.get(db) ?? new TogetherWriter(db);
  writers.set(db, writer);
  return writer.keep(sent);
}
