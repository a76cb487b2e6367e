import type { ReaderAnswer } from "@/formats/reader-answer";
import type { Readers } from "@/formats/readers";
import { log } from "./log";
import { inThread, Turns } from "./thread";

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

const turns = new Turns(MOST_AT_ONCE, MOST_WAITING);

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
): Promise<Awaited<ReturnType<Readers[Name]>>> {
  return readWithin({ limit: READING_LIMIT_MS }, reader, ...input);
}

/** The same with a limit of its own, in milliseconds; `signal` stops it when nobody waits any more. */
export async function readWithin<Name extends keyof Readers>(
  { limit, signal }: { limit: number; signal?: AbortSignal },
  reader: Name,
  ...input: Parameters<Readers[Name]>
): Promise<Awaited<ReturnType<Readers[Name]>>> {
  const part = reader === "a file of hers" ? "slow-readers" : "readers";
  const came = await turns.take(() => inThread<ReaderAnswer>(part, { reader, input }, limit, signal));
  if (!came) throw new UnreadableFile("Too many files are being read. Try again in a minute.");
  if ("tooLong" in came)
    throw new UnreadableFile(`This file takes longer than ${Math.round(limit / 1000)} seconds to read.`);
  if (signal?.aborted) throw new UnreadableFile("Reading was stopped.");
  const answer = "answer" in came ? came.answer : came;
  if ("value" in answer) return answer.value as Awaited<ReturnType<Readers[Name]>>;
  if ("unreadable" in answer) throw new UnreadableFile(answer.unreadable);
  log.error({ reader, fault: answer.fault }, "a reader failed");
  throw new UnreadableFile("Something in this file cannot be read.");
}
