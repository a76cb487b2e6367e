import path from "node:path";
import { Worker } from "node:worker_threads";
import type { ReaderAnswer, Readers } from "@/formats/readers";
import { log } from "./log";

/** A file from outside that cannot be read. The message says what is wrong with it, for the person who sent it. */
export class UnreadableFile extends Error {
  constructor(message: string) {
    super(message);
    this.name = "UnreadableFile";
  }
}

/** Longer than the largest honest file takes, many times over. */
export const READING_LIMIT_MS = 10_000;
/** Two at once leave a core for everybody else; more than these waiting means something is wrong. */
const MOST_AT_ONCE = 2;
const MOST_WAITING = 20;
const MOST_MEMORY_MB = 512;

let running = 0;
const waiting: (() => void)[] = [];

async function aTurn(): Promise<void> {
  if (running < MOST_AT_ONCE) {
    running += 1;
    return;
  }
  if (waiting.length >= MOST_WAITING) throw new UnreadableFile("Too many files are being read. Try again in a minute.");
  await new Promise<void>((next) => waiting.push(next));
}

function turnOver(): void {
  const next = waiting.shift();
  if (next) next();
  else running -= 1;
}

function inThread(reader: keyof Readers, input: readonly unknown[], limit: number): Promise<ReaderAnswer> {
  const file = path.join(/* turbopackIgnore: true */ process.cwd(), "worker", "built", "readers.mjs");
  const worker = new Worker(file, {
    workerData: { reader, input },
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  let timer: NodeJS.Timeout | undefined;
  return new Promise<ReaderAnswer>((resolve) => {
    const tooLong = `This file takes longer than ${Math.round(limit / 1000)} seconds to read.`;
    timer = setTimeout(() => resolve({ unreadable: tooLong }), limit);
    worker.once("message", resolve);
    worker.once("error", (error) => resolve({ fault: error.message }));
    worker.once("exit", () => resolve({ fault: "the thread ended without an answer" }));
  }).finally(() => {
    clearTimeout(timer);
    void worker.terminate();
  });
}

/**
 * Reads a file from outside in a thread of its own, so that no file, however made, keeps anybody waiting but its sender.
 *
 *     const { days } = await readFile("days off", text, "2026-09-01", "2027-07-31");
 *
 * @throws UnreadableFile when it is no such file, or takes too long, or too much memory
 */
export async function readFile<Name extends keyof Readers>(
  reader: Name,
  ...input: Parameters<Readers[Name]>
): Promise<ReturnType<Readers[Name]>> {
  return readWithin(READING_LIMIT_MS, reader, ...input);
}

/** The same with a limit of its own, in milliseconds. */
export async function readWithin<Name extends keyof Readers>(
  limit: number,
  reader: Name,
  ...input: Parameters<Readers[Name]>
): Promise<ReturnType<Readers[Name]>> {
  await aTurn();
  try {
    const answer = await inThread(reader, input, limit);
    if ("value" in answer) return answer.value as ReturnType<Readers[Name]>;
    if ("unreadable" in answer) throw new UnreadableFile(answer.unreadable);
    log.error({ reader, fault: answer.fault }, "a reader failed");
    throw new UnreadableFile("Something in this file cannot be read.");
  } finally {
    turnOver();
  }
}
